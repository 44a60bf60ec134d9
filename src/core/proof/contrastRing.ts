import type { Pixels } from './eyes';
import { contrastRatio, luminance } from './luminance';

/** Some pixels of a painted title, to be measured over whatever lies under it. */
interface RingPixels {
  /** Where in the crop they lie. */
  readonly at: Int32Array;
  /** Four figures a pixel: red, green and blue times alpha, and the share that what lies under shows through. */
  readonly front: Float32Array;
}

/** What lies directly around the letters of a text, and the letters themselves, as pixels to measure. */
export interface TextRing {
  readonly core: RingPixels;
  readonly ring: RingPixels;
}

/** What lies under the pixels of a text and its ring: red, green and blue of 0 to 255, three figures a pixel. */
export interface RingBackdrop {
  readonly core: ArrayLike<number>;
  readonly ring: ArrayLike<number>;
}

// Alpha of letters, of 255: fainter texts are not there, from here on a pixel is a letter's, up to here it is none.
const FAINTEST = 24;
const CLEARLY = 96;
const BARELY = 12;

// So many pixels say as much as all of them.
const MOST_PIXELS = 400;

/**
 * The pixels of a text and of the ring of `widthPx` round its letters; null for a text of which no pixel is covered.
 * `mask` holds the letters alone, `painted` the whole title in the same crop.
 */
export function textRing(mask: Pixels, painted: Pixels, widthPx: number): TextRing | null {
  const { width, height } = mask;
  const covered = new Uint8Array(width * height);
  let darkest = 0;
  for (let i = 0; i < covered.length; i++) {
    covered[i] = mask.data[i * 4 + 3];
    if (covered[i] > darkest) darkest = covered[i];
  }
  if (darkest < FAINTEST) return null;
  const near = spreadOut(covered, width, height, Math.max(1, Math.round(widthPx)));
  const core: number[] = [];
  const ring: number[] = [];
  for (let i = 0; i < covered.length; i++) {
    if (covered[i] >= darkest * 0.9) core.push(i);
    else if (covered[i] < BARELY && near[i] === 1) ring.push(i);
  }
  if (core.length === 0 || ring.length === 0) return null;
  return { core: pixelsAt(thinned(core), painted), ring: pixelsAt(thinned(ring), painted) };
}

function pixelsAt(at: Int32Array, { data }: Pixels): RingPixels {
  const front = new Float32Array(at.length * 4);
  at.forEach((i, k) => {
    const alpha = data[i * 4 + 3] / 255;
    for (let part = 0; part < 3; part++) front[k * 4 + part] = data[i * 4 + part] * alpha;
    front[k * 4 + 3] = 1 - alpha;
  });
  return { at, front };
}

/** 1 for every pixel within `reach` across and down of one that letters cover clearly. */
function spreadOut(covered: Uint8Array, width: number, height: number, reach: number): Uint8Array {
  const across = new Uint8Array(covered.length);
  const near = new Uint8Array(covered.length);
  for (let y = 0; y < height; y++)
    spreadLine((x) => (covered[y * width + x] >= CLEARLY ? 1 : 0), across, y * width, 1, width, reach);
  for (let x = 0; x < width; x++) spreadLine((y) => across[y * width + x], near, x, width, height, reach);
  return near;
}

/** Marks every place on a line that has a marked one within reach. */
function spreadLine(
  marked: (at: number) => number,
  into: Uint8Array,
  from: number,
  step: number,
  length: number,
  reach: number,
): void {
  let within = 0;
  for (let at = 0; at < Math.min(reach, length); at++) within += marked(at);
  for (let at = 0; at < length; at++) {
    if (at + reach < length) within += marked(at + reach);
    if (at - reach - 1 >= 0) within -= marked(at - reach - 1);
    if (within > 0) into[from + at * step] = 1;
  }
}

function thinned(list: readonly number[]): Int32Array {
  const step = Math.max(1, list.length / MOST_PIXELS);
  return Int32Array.from(
    { length: Math.min(list.length, MOST_PIXELS) },
    (_, i) => list[Math.floor(i * step)],
  );
}

/**
 * Contrast of a text against what lies round it, over a backdrop: the 5th percentile of the ring's pixels against the
 * mean of the letters.
 */
export function ringContrast({ core, ring }: TextRing, backdrop: RingBackdrop): number {
  const letters = mean(luminances(core, backdrop.core));
  return fifthPercentile(luminances(ring, backdrop.ring).map((around) => contrastRatio(letters, around)));
}

/**
 * The least contrast over any backdrop at all: each pixel of the ring lies between what it is over black and over
 * white, so that the nearer end counts, and 1 where the letters' own luminance lies between.
 */
export function leastContrast({ core, ring }: TextRing): number {
  const low = mean(luminances(core, plain(core, 0)));
  const high = mean(luminances(core, plain(core, 255)));
  const dark = luminances(ring, plain(ring, 0));
  const light = luminances(ring, plain(ring, 255));
  return fifthPercentile(
    dark.map((darkest, i) => {
      if (darkest > high) return contrastRatio(darkest, high);
      return light[i] < low ? contrastRatio(light[i], low) : 1;
    }),
  );
}

/**
 * The most contrast over a plain backdrop: what a text that fails even so lacks is not the picture's doing, but that of
 * the panel it stands on.
 */
export function mostContrast(text: TextRing): number {
  return Math.max(...[0, 255].map((level) => ringContrast(text, plainBackdrop(text, level))));
}

/** The mean luminance of a text's letters and of what lies round them, over a backdrop. */
export function meanLuminances(
  { core, ring }: TextRing,
  backdrop: RingBackdrop,
): { readonly text: number; readonly luminance: number } {
  return { text: mean(luminances(core, backdrop.core)), luminance: mean(luminances(ring, backdrop.ring)) };
}

/** A plain backdrop of one grey. */
export function plainBackdrop({ core, ring }: TextRing, level: number): RingBackdrop {
  return { core: plain(core, level), ring: plain(ring, level) };
}

// Less of the picture than this nobody sees through a panel; more than that is no panel.
const PANEL_THROUGH = 0.02;
const PICTURE_THROUGH = 0.9;

/** What lies round the letters of a text: a panel of the title, the picture, or some of both. */
export function surroundingsOf({ ring: { front, at } }: TextRing): 'panel' | 'picture' | 'both' {
  let through = 0;
  for (let k = 0; k < at.length; k++) through += front[k * 4 + 3];
  const share = through / at.length;
  if (share < PANEL_THROUGH) return 'panel';
  return share > PICTURE_THROUGH ? 'picture' : 'both';
}

const plain = ({ at }: RingPixels, level: number): ArrayLike<number> =>
  new Uint8Array(at.length * 3).fill(level);

/** The luminance of each pixel over what lies under it. */
function luminances({ at, front }: RingPixels, under: ArrayLike<number>): Float64Array {
  const found = new Float64Array(at.length);
  for (let k = 0; k < at.length; k++) {
    const through = front[k * 4 + 3];
    found[k] = luminance(
      front[k * 4] + under[k * 3] * through,
      front[k * 4 + 1] + under[k * 3 + 1] * through,
      front[k * 4 + 2] + under[k * 3 + 2] * through,
    );
  }
  return found;
}

function mean(values: Float64Array): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum / values.length;
}

function fifthPercentile(values: Float64Array): number {
  values.sort();
  return values[Math.floor(values.length * 0.05)];
}
