/** How far a decoded frame is from what was painted, in steps of 255. */
export interface FrameDifference {
  readonly alphaMax: number;
  /** Of the colours as they are seen over black, grey and white, wherever anything is seen. */
  readonly colourMean: number;
  readonly colourMax: number;
}

const GROUNDS = [0, 128, 255] as const;

/** Compares straight-alpha RGBA. Throws where the frames are not of one size. */
export function compareFrame(decoded: Uint8Array, painted: Uint8Array): FrameDifference {
  if (decoded.length !== painted.length) throw new Error('The decoded frame has another size');
  let [alphaMax, colourMax, sum, count] = [0, 0, 0, 0];
  for (let at = 0; at < painted.length; at += 4) {
    const [was, is] = [painted[at + 3], decoded[at + 3]];
    if (was === 0 && is === 0) continue;
    alphaMax = Math.max(alphaMax, Math.abs(was - is));
    for (let channel = 0; channel < 3; channel++) {
      const difference = (decoded[at + channel] * is - painted[at + channel] * was) / 255;
      for (const ground of GROUNDS) {
        const seen = Math.abs(difference + (ground * (was - is)) / 255);
        colourMax = Math.max(colourMax, seen);
        sum += seen;
        count++;
      }
    }
  }
  const tenths = (value: number): number => Math.round(value * 10) / 10;
  return {
    alphaMax,
    colourMean: count === 0 ? 0 : Math.round((sum / count) * 100) / 100,
    colourMax: tenths(colourMax),
  };
}

/** The worst of several frames. */
export function worstOf(frames: readonly FrameDifference[]): FrameDifference {
  const most = (of: keyof FrameDifference): number => Math.max(0, ...frames.map((frame) => frame[of]));
  return { alphaMax: most('alphaMax'), colourMean: most('colourMean'), colourMax: most('colourMax') };
}
