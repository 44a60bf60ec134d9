import { linearLuminance, linearOf } from './luminance';

/** What is watched of a pixel: its luminance, or how red it is. */
interface Signal {
  /** The value that it turned at last. */
  turn: number;
  extreme: number;
  /** Whether it has risen or fallen since; 0 while it has done neither. */
  way: -1 | 0 | 1;
  /** For red: whether either end of the present change is saturated. */
  saturated: boolean;
  /** Times (seconds) at which a change that counts was completed. */
  readonly changes: number[];
}

// WCAG 2.3.1: a change of 10 % or more of the largest luminance, where the darker is below 0.80.
const LEAST_CHANGE = 0.1;
const DARKEST_BELOW = 0.8;
// WCAG 2.2, red flash: R ÷ (R + G + B) of 0.8 or more at either end, and (R − G − B) × 320 changed by more than 20.
const SATURATED = 0.8;
const RED_SCALE = 320;
const LEAST_RED_CHANGE = 20;
// The share of the picture above which flashes count.
const LEAST_AREA = 0.25;
const WINDOW_SECONDS = 1;

/** How often a picture flashes. */
export interface Flashes {
  /** The most in any one second. */
  readonly most: number;
  /** When that second begins, in seconds. */
  readonly fromSeconds: number;
}

/**
 * Counts flashes in pictures that are shown one after another, each with its own time: what stays for a while stays for
 * that long. A slow change counts like a quick one, once it is large enough; a flash is a pair of opposing changes of
 * luminance, or of saturated red (WCAG 2.3.1, ITU-R BT.1702).
 */
export class FlashWatch {
  private readonly light: Signal[];
  private readonly red: Signal[];

  /** The colours that were seen last, three numbers a pixel; below 0 before any was. */
  private readonly seen: Float64Array;

  constructor(private readonly count: number) {
    this.seen = new Float64Array(count * 3).fill(-1);
    this.light = Array.from({ length: count }, newSignal);
    this.red = Array.from({ length: count }, newSignal);
  }

  /** Takes the picture that is shown from a time on: red, green and blue of 0 to 255 by pixel. */
  see(seconds: number, colourAt: (pixel: number) => readonly [number, number, number]): void {
    for (let i = 0; i < this.count; i++) {
      const colour = colourAt(i);
      // What stays as it is changes nothing, and most of a picture does.
      if (!this.isNew(i, colour)) continue;
      const [r, g, b] = [linearOf(colour[0]), linearOf(colour[1]), linearOf(colour[2])];
      watch(this.light[i], linearLuminance(r, g, b), seconds, isFlash, true);
      const sum = r + g + b;
      const saturated = sum > 0 && r / sum >= SATURATED;
      watch(this.red[i], Math.max(0, (r - g - b) * RED_SCALE), seconds, isRedFlash, saturated);
    }
  }

  private isNew(pixel: number, colour: readonly [number, number, number]): boolean {
    const { seen } = this;
    let isNew = false;
    for (let part = 0, at = pixel * 3; part < 3; part++, at++) {
      if (seen[at] === colour[part]) continue;
      seen[at] = colour[part];
      isNew = true;
    }
    return isNew;
  }

  /** The second with the most flashes that more than a quarter of the picture makes in it. */
  most(): Flashes {
    const [light, red] = [this.light, this.red].map((signals) => mostIn(signals, this.count));
    return red.most > light.most ? red : light;
  }
}

const newSignal = (): Signal => ({ turn: -1, extreme: -1, way: 0, saturated: false, changes: [] });

/** Whether a change from one value to another is large enough; wavering that is smaller is let pass. */
type IsLarge = (from: number, to: number) => boolean;

const isFlash: IsLarge = (from, to) =>
  Math.abs(to - from) >= LEAST_CHANGE && Math.min(from, to) < DARKEST_BELOW;
const isRedFlash: IsLarge = (from, to) => Math.abs(to - from) > LEAST_RED_CHANGE;

function watch(signal: Signal, now: number, seconds: number, isLarge: IsLarge, counts: boolean): void {
  if (signal.extreme < 0) {
    signal.turn = signal.extreme = now;
    signal.saturated = counts;
    return;
  }
  const way = Math.sign(now - signal.extreme);
  if (way === 0) return;
  const goesOn = signal.way === 0 || way === signal.way;
  if (!goesOn) {
    // It turns; small wavering is let pass until it adds up.
    if (!isLarge(signal.extreme, now)) return;
    signal.turn = signal.extreme;
    // What it turned at was saturated if it was when it got there.
  }
  const before = goesOn && isLarge(signal.turn, signal.extreme) && signal.way !== 0;
  signal.way = way > 0 ? 1 : -1;
  const either = signal.saturated || counts;
  if (isLarge(signal.turn, now) && !before && either) signal.changes.push(seconds);
  signal.extreme = now;
  signal.saturated = counts;
}

/** The second in which more than a quarter of the pixels flash most often. */
function mostIn(signals: readonly Signal[], count: number): Flashes {
  const needed = Math.floor(count * LEAST_AREA) + 1;
  const starts = [...new Set(signals.flatMap(({ changes }) => changes))].sort((a, b) => a - b);
  const first = new Int32Array(signals.length);
  let best: Flashes = { most: 0, fromSeconds: 0 };
  for (const start of starts) {
    const counts = signals.map(({ changes }, i) => {
      while (first[i] < changes.length && changes[first[i]] < start) first[i]++;
      let last = first[i];
      while (last < changes.length && changes[last] < start + WINDOW_SECONDS - 1e-9) last++;
      return last - first[i];
    });
    counts.sort((a, b) => b - a);
    const most = Math.floor((counts[needed - 1] ?? 0) / 2);
    if (most > best.most) best = { most, fromSeconds: start };
  }
  return best;
}
