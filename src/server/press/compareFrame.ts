import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';

/** How far a decoded frame is from what was painted, in steps of 255. */
export interface FrameDifference {
  readonly alphaMax: number;
  /** Of the colours as they are seen over black, grey and white, wherever anything is seen. */
  readonly colourMean: number;
  readonly colourMax: number;
}

const GROUNDS = [0, 128 / 255, 1] as const;

/**
 * Compares RGBA of one kind: straight alpha, or premultiplied; of 8 or 16 bits a channel, as both are. Throws where the
 * frames are not of one size.
 */
export function compareFrame(
  decoded: Pixels | Uint8Array,
  painted: Pixels | Uint8Array,
  premultiplied = false,
): FrameDifference {
  if (decoded.length !== painted.length || decoded.BYTES_PER_ELEMENT !== painted.BYTES_PER_ELEMENT)
    throw new Error('The decoded frame has another size');
  const full = isDeep(painted) ? 65_535 : 255;
  const grounds = GROUNDS.map((share) => Math.round(share * full));
  let alphaMax = 0;
  let colourMax = 0;
  let sum = 0;
  let count = 0;
  // Everything in parts of a step, whole numbers for as long as it goes: this looks at every pixel.
  for (let at = 0; at < painted.length; at += 4) {
    const was = painted[at + 3];
    const is = decoded[at + 3];
    if (was === 0 && is === 0) continue;
    count += 3 * grounds.length;
    const lost = was - is;
    if (lost !== 0) alphaMax = Math.max(alphaMax, Math.abs(lost));
    for (let channel = at; channel < at + 3; channel++) {
      const to = decoded[channel];
      const from = painted[channel];
      const difference = premultiplied ? (to - from) * full : to * is - from * was;
      if (lost === 0) {
        // As much over any ground.
        const seen = Math.abs(difference);
        if (seen > colourMax) colourMax = seen;
        sum += seen * grounds.length;
      } else
        for (const ground of grounds) {
          const seen = Math.abs(difference + ground * lost);
          if (seen > colourMax) colourMax = seen;
          sum += seen;
        }
    }
  }
  const step = full / 255;
  const hundredths = (value: number): number => Math.round(value * 100) / 100;
  return {
    alphaMax: hundredths(alphaMax / step),
    colourMean: count === 0 ? 0 : hundredths(sum / count / full / step),
    colourMax: Math.round((colourMax / full / step) * 10) / 10,
  };
}

/** The worst of several frames. */
export function worstOf(frames: readonly FrameDifference[]): FrameDifference {
  const most = (of: keyof FrameDifference): number => Math.max(0, ...frames.map((frame) => frame[of]));
  return { alphaMax: most('alphaMax'), colourMean: most('colourMean'), colourMax: most('colourMax') };
}
