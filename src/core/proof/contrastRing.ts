import type { Pixels } from './eyes';
import { contrastRatio, luminance } from './luminance';

/** What lies directly around the letters of a text, and the letters themselves, as pixels to measure. */
export interface TextRing {
  /** Where in the crop the measured pixels lie: those of the letters, and those of the ring round them. */
  readonly core: Int32Array;
  readonly ring: Int32Array;
  /** The title painted over nothing. */
  readonly painted: Pixels;
}

// So many pixels say as much as all of them.
const MOST_PIXELS = 400;

/**
 * The pixels of a text and of the ring of `widthPx` round its letters; null for a text of which no pixel is covered.
 * `mask` holds the letters alone, `painted` the whole title in the same crop.
 */
export function textRing(mask: Pixels, painted: Pixels, widthPx: number): TextRing | null {
  const { width, height, data } = mask;
  const covered = (i: number): number => data[i * 4 + 3];
  const core: number[] = [];
  const near = new Uint8Array(width * height);
  const reach = Math.max(1, Math.round(widthPx));
  let darkest = 0;
  for (let i = 0; i < width * height; i++) darkest = Math.max(darkest, covered(i));
  if (darkest < 24) return null;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (covered(i) >= darkest * 0.9) core.push(i);
      if (covered(i) < 96) continue;
      const [fromX, toX] = [Math.max(0, x - reach), Math.min(width - 1, x + reach)];
      for (let ny = Math.max(0, y - reach); ny <= Math.min(height - 1, y + reach); ny++)
        near.fill(1, ny * width + fromX, ny * width + toX + 1);
    }
  }
  const ring: number[] = [];
  for (let i = 0; i < near.length; i++) if (near[i] === 1 && covered(i) < 12) ring.push(i);
  if (core.length === 0 || ring.length === 0) return null;
  return { core: thinned(core), ring: thinned(ring), painted };
}

function thinned(list: readonly number[]): Int32Array {
  const step = Math.max(1, list.length / MOST_PIXELS);
  return Int32Array.from(
    { length: Math.min(list.length, MOST_PIXELS) },
    (_, i) => list[Math.floor(i * step)],
  );
}

/** A colour with channels of 0 to 255 for each pixel of a crop. */
export type ColourAt = (index: number) => readonly [red: number, green: number, blue: number];

/**
 * Contrast of a text against what lies round it, over a backdrop: the 5th percentile of the ring's pixels against the
 * mean of the letters.
 */
export function ringContrast({ core, ring, painted }: TextRing, backdrop: ColourAt): number {
  let letters = 0;
  for (const i of core) letters += over(painted, i, backdrop);
  letters /= core.length;
  const ratios = Float64Array.from(ring, (i) => contrastRatio(letters, over(painted, i, backdrop)));
  return fifthPercentile(ratios);
}

/**
 * The least contrast over any backdrop at all: each pixel of the ring lies between what it is over black and over
 * white, so that the nearer end counts, and 1 where the letters' own luminance lies between.
 */
export function leastContrast({ core, ring, painted }: TextRing): number {
  const black: ColourAt = () => [0, 0, 0];
  const white: ColourAt = () => [255, 255, 255];
  let [low, high] = [0, 0];
  for (const i of core) {
    low += over(painted, i, black);
    high += over(painted, i, white);
  }
  [low, high] = [low / core.length, high / core.length];
  const ratios = Float64Array.from(ring, (i) => {
    const [dark, light] = [over(painted, i, black), over(painted, i, white)];
    if (dark > high) return contrastRatio(dark, high);
    return light < low ? contrastRatio(light, low) : 1;
  });
  return fifthPercentile(ratios);
}

function over({ data }: Pixels, i: number, backdrop: ColourAt): number {
  const alpha = data[i * 4 + 3] / 255;
  if (alpha >= 1) return luminance(data[i * 4], data[i * 4 + 1], data[i * 4 + 2]);
  const [red, green, blue] = backdrop(i);
  const mix = (front: number, back: number): number => front * alpha + back * (1 - alpha);
  return luminance(mix(data[i * 4], red), mix(data[i * 4 + 1], green), mix(data[i * 4 + 2], blue));
}

function fifthPercentile(values: Float64Array): number {
  values.sort();
  return values[Math.floor(values.length * 0.05)];
}
