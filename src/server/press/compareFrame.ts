/** How far a decoded frame is from what was painted, in steps of 255. */
export interface FrameDifference {
  readonly alphaMax: number;
  /** Of the colours as they are seen over black, grey and white, wherever anything is seen. */
  readonly colourMean: number;
  readonly colourMax: number;
}

const GROUNDS = [0, 128, 255] as const;

/** Compares RGBA of one kind: straight alpha, or premultiplied. Throws where the frames are not of one size. */
export function compareFrame(
  decoded: Uint8Array,
  painted: Uint8Array,
  premultiplied = false,
): FrameDifference {
  if (decoded.length !== painted.length) throw new Error('The decoded frame has another size');
  let [alphaMax, colourMax, sum, count] = [0, 0, 0, 0];
  // Everything in 255ths of a step, whole numbers for as long as it goes: this looks at every pixel.
  for (let at = 0; at < painted.length; at += 4) {
    const [was, is] = [painted[at + 3], decoded[at + 3]];
    if (was === 0 && is === 0) continue;
    const lost = was - is;
    if (lost > alphaMax) alphaMax = lost;
    else if (-lost > alphaMax) alphaMax = -lost;
    for (let channel = 0; channel < 3; channel++) {
      const [to, from] = [decoded[at + channel], painted[at + channel]];
      const difference = premultiplied ? (to - from) * 255 : to * is - from * was;
      for (let i = 0; i < GROUNDS.length; i++) {
        const off = difference + GROUNDS[i] * lost;
        const seen = off < 0 ? -off : off;
        if (seen > colourMax) colourMax = seen;
        sum += seen;
      }
      count += GROUNDS.length;
    }
  }
  const tenths = (value: number): number => Math.round(value * 10) / 10;
  return {
    alphaMax,
    colourMean: count === 0 ? 0 : Math.round((sum / count / 255) * 100) / 100,
    colourMax: tenths(colourMax / 255),
  };
}

/** The worst of several frames. */
export function worstOf(frames: readonly FrameDifference[]): FrameDifference {
  const most = (of: keyof FrameDifference): number => Math.max(0, ...frames.map((frame) => frame[of]));
  return { alphaMax: most('alphaMax'), colourMean: most('colourMean'), colourMax: most('colourMax') };
}
