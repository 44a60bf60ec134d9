import { luminance } from './luminance';

/** What a pixel does over time, as it is watched for flashes. */
interface Watch {
  /** The luminance that it turned at last, and whether it has risen or fallen since; 0 while it has done neither. */
  turn: number;
  way: -1 | 0 | 1;
  extreme: number;
  /** Frames at which a change of a tenth or more was completed. */
  readonly changes: number[];
}

// WCAG 2.3.1: a change of 10 % or more of the largest luminance, where the darker is below 0.80.
const LEAST_CHANGE = 0.1;
const DARKEST_BELOW = 0.8;
// The share of the picture above which flashes count.
const LEAST_AREA = 0.25;

/** Counts flashes in pictures that are shown one after another. */
export class FlashWatch {
  private readonly pixels: Watch[];
  private frame = 0;

  constructor(private readonly count: number) {
    this.pixels = Array.from({ length: count }, () => ({ turn: -1, way: 0, extreme: -1, changes: [] }));
  }

  /** Takes the next picture: red, green and blue of 0 to 255 by pixel. */
  see(colourAt: (pixel: number) => readonly [number, number, number]): void {
    for (let i = 0; i < this.count; i++) {
      const [red, green, blue] = colourAt(i);
      watch(this.pixels[i], luminance(red, green, blue), this.frame);
    }
    this.frame++;
  }

  /**
   * The most flashes in any one second that more than a quarter of the picture makes; a flash is a pair of opposing
   * changes (WCAG 2.3.1, ITU-R BT.1702).
   */
  most(framesPerSecond: number): number {
    const counts = this.pixels.map(({ changes }) => mostInASecond(changes, framesPerSecond));
    counts.sort((a, b) => b - a);
    const at = Math.floor(this.count * LEAST_AREA);
    return Math.floor((counts[at] ?? 0) / 2);
  }
}

function watch(pixel: Watch, now: number, frame: number): void {
  if (pixel.extreme < 0) {
    pixel.turn = pixel.extreme = now;
    return;
  }
  const way = Math.sign(now - pixel.extreme);
  if (way === 0) return;
  if (pixel.way === 0 || way === pixel.way) {
    pixel.way = way > 0 ? 1 : -1;
    count(pixel, pixel.turn, now, frame);
    pixel.extreme = now;
    return;
  }
  // It turns; small wavering is let pass until it adds up.
  if (Math.abs(now - pixel.extreme) < LEAST_CHANGE) return;
  pixel.turn = pixel.extreme;
  pixel.way = way > 0 ? 1 : -1;
  count(pixel, pixel.turn, now, frame);
  pixel.extreme = now;
}

/** Notes a change once it is large enough; going on in the same direction is the same change. */
function count(pixel: Watch, from: number, to: number, frame: number): void {
  const before = Math.abs(pixel.extreme - from) >= LEAST_CHANGE;
  const large = Math.abs(to - from) >= LEAST_CHANGE && Math.min(from, to) < DARKEST_BELOW;
  if (large && !before) pixel.changes.push(frame);
}

function mostInASecond(changes: readonly number[], framesPerSecond: number): number {
  let most = 0;
  for (let i = 0, first = 0; i < changes.length; i++) {
    while (changes[i] - changes[first] >= framesPerSecond) first++;
    most = Math.max(most, i - first + 1);
  }
  return most;
}
