import type { MoveUse, Spread } from '../model/template';
import { assertNever } from '../kit/assertNever';
import { seededShare } from '../kit/seeded';

/** When a unit moves, as shares of the whole move's time. */
export interface Window {
  readonly start: number;
  readonly length: number;
}

// How long a unit that waited for its mark takes to come where the move does not say; speech goes on meanwhile.
const WAITED_SECONDS = 0.4;
// Units beyond the last mark follow it at this distance.
const AFTER_LAST_SECONDS = 0.3;

/** The windows of units that each start at the mark of their own rank; times in seconds of the title. */
export function markWindows(
  ranks: readonly number[],
  marks: readonly number[],
  startSeconds: number,
  lengthSeconds: number,
  unitSeconds = WAITED_SECONDS,
): Window[] {
  const last = marks[marks.length - 1] ?? startSeconds;
  const length = Math.min(1, unitSeconds / lengthSeconds);
  return ranks.map((rank) => {
    const at = marks[Math.floor(rank)] ?? last + (rank - marks.length + 1) * AFTER_LAST_SECONDS;
    const start = (at - startSeconds) / lengthSeconds;
    return { start: Math.max(0, Math.min(1 - length, start)), length };
  });
}

interface StaggerOptions {
  /** 0: each unit waits for the one before; 1: all move together for the whole time. */
  readonly overlap: number;
  /** A fixed share of the time from one unit to the next; null for what the overlap gives. */
  readonly gapShare: number | null;
  /** The share of the time that each unit takes whatever their number; null where together they fill the time. */
  readonly unitShare: number | null;
  readonly spread: Spread;
  readonly seed: number;
}

// However long the fixed gaps are, a unit keeps this share of the time to move in.
const SHORTEST = 0.05;

/**
 * The windows of units with given ranks. Together they fill the whole time; where each has a length of its own they take
 * as long as that gives, and no longer than the whole: what is too much for it comes closer together, and is not rushed.
 */
export function unitWindows(ranks: readonly number[], options: StaggerOptions): Window[] {
  const last = Math.max(0, ...ranks);
  const { length, apart } = options.unitShare === null ? sharedTime(last, options) : ownTime(last, options);
  const starts = spreadStarts(last, options);
  return ranks.map((rank) => ({ start: startOf(rank, last, starts) * apart, length }));
}

/** How long each unit takes, and how far the first and the last start from one another. */
interface Pace {
  readonly length: number;
  readonly apart: number;
}

const gapOf = ({ overlap }: StaggerOptions): number => 1 - Math.max(0, Math.min(1, overlap));

function sharedTime(last: number, options: StaggerOptions): Pace {
  const { gapShare } = options;
  const length =
    gapShare === null
      ? 1 / (1 + last * gapOf(options))
      : Math.max(SHORTEST, 1 - last * Math.max(0, gapShare));
  return { length, apart: 1 - length };
}

function ownTime(last: number, options: StaggerOptions): Pace {
  const length = Math.min(1, options.unitShare ?? 1);
  const gap = Math.max(0, options.gapShare ?? length * gapOf(options));
  return { length, apart: Math.min(1 - length, last * gap) };
}

/** The windows of units with given ranks, as a move is used on them. */
export function windowsOfUse(use: MoveUse, ranks: readonly number[]): Window[] {
  const { unit, overlap, gapSeconds, lengthSeconds, unitSeconds = null, spread, seed } = use;
  const shareOfWhole = (seconds: number | null): number | null =>
    seconds === null ? null : seconds / Math.max(lengthSeconds, 1e-9);
  return unitWindows(ranks, {
    overlap,
    gapShare: shareOfWhole(gapSeconds),
    // A whole layer is one unit, which takes the whole length.
    unitShare: unit === 'layer' ? null : shareOfWhole(unitSeconds),
    spread,
    seed,
  });
}

/** What a move comes to on the units of a layer, in seconds of the design. */
export interface MoveTimes {
  /** How many units it moves. */
  readonly count: number;
  /** How long one of them takes. */
  readonly unitSeconds: number;
  /** From one unit to the next, on the average; 0 for a single one. */
  readonly gapSeconds: number;
  /** From the start of the first to the end of the last. */
  readonly totalSeconds: number;
}

/** The times of a move whose units have these windows and ranks. */
export function moveTimes(
  { lengthSeconds }: MoveUse,
  windows: readonly Window[],
  ranks: readonly number[],
): MoveTimes {
  const starts = windows.map(({ start }) => start);
  const [first, last] = [Math.min(...starts, 1), Math.max(...starts, 0)];
  const steps = Math.max(0, ...ranks);
  const length = windows[0]?.length ?? 0;
  return {
    count: windows.length,
    unitSeconds: length * lengthSeconds,
    gapSeconds: steps === 0 ? 0 : ((last - first) / steps) * lengthSeconds,
    totalSeconds: windows.length === 0 ? 0 : (last - first + length) * lengthSeconds,
  };
}

/** Where a rank starts; one that is no whole number lies between its neighbours. */
function startOf(rank: number, last: number, starts: readonly number[]): number {
  if (last === 0) return 0;
  const below = Math.max(0, Math.min(starts.length - 1, Math.floor(rank)));
  const above = Math.min(starts.length - 1, below + 1);
  return starts[below] + (starts[above] - starts[below]) * (rank - below);
}

/** The starts of all ranks in the time that they share, 0 to 1, never going back. */
function spreadStarts(last: number, { spread, seed }: StaggerOptions): number[] {
  const count = Math.ceil(last) + 1;
  const shares = Array.from({ length: count }, (_, i) => (last === 0 ? 0 : Math.min(1, i / last)));
  switch (spread) {
    case 'even':
      return shares;
    case 'slowFast':
      return shares.map((share) => 1 - (1 - share) ** 2);
    case 'fastSlow':
      return shares.map((share) => share ** 2);
    case 'uneven': {
      const gaps = shares.map((_, i) => (i === 0 ? 0 : 0.15 + seededShare(seed, i) ** 2));
      const whole = gaps.reduce((sum, one) => sum + one, 0) || 1;
      let sum = 0;
      return gaps.map((one) => (sum += one) / whole);
    }
    default:
      return assertNever(spread, 'spread');
  }
}

// Rounding must neither show a sliver of what has gone nor keep something from coming fully to rest.
const DUST = 1e-9;

/** How far (0 to 1) something that takes so long is after some time; both in one unit. */
export function shareOf(since: number, length: number): number {
  const through = since / length;
  if (through < DUST) return 0;
  return through > 1 - DUST ? 1 : through;
}

/** How far a unit is through its window, 0 to 1, for the whole move's progress. */
export function windowProgress({ start, length }: Window, progress: number): number {
  return shareOf(progress - start, length);
}
