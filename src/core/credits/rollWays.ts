import type { RollSetting } from '../model/credits';
import { paceLength } from './rollPace';

/** Whether a roll goes up or down, not across. */
export function isUpright({ way }: Pick<RollSetting, 'way'>): boolean {
  return way === 'up' || way === 'down';
}

/** What of a roll is fixed before its speed is chosen; lengths along its way, in whole pixels. */
export interface RollMeasure {
  /** All blocks together, without gaps. */
  readonly blocksPx: number;
  /** All gaps together. */
  readonly gapsPx: number;
  /** One block, at the mean of all. */
  readonly linePx: number;
  /** The window that it goes through. */
  readonly windowPx: number;
  /** The last block, where that is to stand in the middle at the end; null where all goes out. */
  readonly lastPx: number | null;
}

/** What a roll has to keep to. */
export interface RollLimits {
  /** The frames that it goes. */
  readonly frames: number;
  /** Pixels that its speed is a multiple of: 1, or 2 for whole lines a field. */
  readonly stepPx: number;
  /** The frames in which it slows down to rest at the end. */
  readonly slowFrames: number;
  readonly leastSpacing: number;
  readonly mostSpacing: number;
  readonly leastSize: number;
  readonly mostSize: number;
}

/** A way to meet a length. */
export interface RollWay {
  /** Before it slows, where it does. */
  readonly pxPerFrame: number;
  /** The size that it is set in, as a share of the designed one. */
  readonly size: number;
  /** All gaps together, against the designed ones at that size. */
  readonly spacing: number;
  /** Frames at the end in which nothing moves any more, where gaps alone do not meet the length. */
  readonly waitFrames: number;
  /** How far it is from what was designed; 0 for as designed. */
  readonly cost: number;
}

// Sizes that are tried, nearest to the designed one first.
const SIZES = [
  1, 0.97, 1.03, 0.94, 1.06, 0.91, 1.1, 0.88, 1.15, 0.85, 1.2, 0.8, 1.3, 0.75, 1.5, 0.7, 0.6, 0.5,
];
// A change of size is seen more than one of gaps.
const SIZE_WEIGHT = 4;
const WAIT_COST = 10;

/** How far a roll goes in all, with so much between its blocks. */
export function rollLength({ blocksPx, windowPx, lastPx }: RollMeasure, gapsPx: number): number {
  const end = lastPx === null ? windowPx : Math.round((windowPx - lastPx) / 2);
  return Math.max(1, blocksPx + gapsPx + end);
}

/**
 * The ways in which a roll meets a length to the frame, going whole steps of pixels a frame: at each speed what gaps and
 * size have to be, within limits, the nearest to the design first. Where none is within the limits, the one speed that is
 * through in time, with gaps as near as they can be, waiting for the rest. Never empty.
 */
export function rollWays(measure: RollMeasure, limits: RollLimits): RollWay[] {
  const { frames, stepPx, slowFrames, leastSize, mostSize } = limits;
  const within = SIZES.filter((size) => size >= leastSize && size <= mostSize);
  const sizes = [...new Set([...within, leastSize, mostSize])];
  const ways = sizes.flatMap((size) => {
    const sized = measureAt(measure, size);
    const natural = rollLength(sized, sized.gapsPx) / evenFrames(frames, slowFrames) / stepPx;
    const around = [-3, -2, -1, 0, 1, 2, 3, 4].map((by) => (Math.floor(natural) + by) * stepPx);
    return around.flatMap((pxPerFrame) => wayAt(sized, size, pxPerFrame, limits) ?? []);
  });
  const best = new Map<number, RollWay>();
  for (const way of ways.toSorted((a, b) => a.cost - b.cost))
    if (!best.has(way.pxPerFrame)) best.set(way.pxPerFrame, way);
  return best.size > 0 ? [...best.values()] : [waitingWay(measure, limits)];
}

/** The way that is nearest to a speed and a size that were asked for; what is null is free. */
export function wishedWay(
  ways: readonly RollWay[],
  wish: { readonly pxPerFrame: number | null; readonly size: number | null },
): RollWay {
  const { pxPerFrame, size } = wish;
  const far = (way: RollWay): number =>
    (pxPerFrame === null ? 0 : Math.abs(Math.log(way.pxPerFrame / pxPerFrame)) * 100) +
    (size === null ? 0 : Math.abs(Math.log(way.size / size)) * 100) +
    way.cost;
  return ways.reduce((best, way) => (far(way) < far(best) ? way : best), ways[0]);
}

/** A measure at a size: blocks and gaps grow with it, the window does not. */
export function measureAt(measure: RollMeasure, size: number): RollMeasure {
  if (size === 1) return measure;
  const { blocksPx, gapsPx, linePx, windowPx, lastPx } = measure;
  return {
    blocksPx: Math.round(blocksPx * size),
    gapsPx: Math.round(gapsPx * size),
    linePx: linePx * size,
    windowPx,
    lastPx: lastPx === null ? null : Math.round(lastPx * size),
  };
}

/** The frames that a roll would take without slowing at the end: of those in which it does, about half. */
export function evenFrames(frames: number, slowFrames: number): number {
  return frames - Math.min(slowFrames, Math.floor(frames / 2)) / 2;
}

/** What gaps must be together for a speed to take exactly so many frames; negative where even none are too much. */
export function gapsFor(
  measure: RollMeasure,
  pxPerFrame: number,
  frames: number,
  { stepPx, slowFrames }: Pick<RollLimits, 'stepPx' | 'slowFrames'>,
): number {
  return paceLength({ pxPerFrame, frames, slowFrames, stepPx }) - rollLength(measure, 0);
}

function wayAt(measure: RollMeasure, size: number, pxPerFrame: number, limits: RollLimits): RollWay | null {
  if (pxPerFrame <= 0) return null;
  const gaps = gapsFor(measure, pxPerFrame, limits.frames, limits);
  if (gaps < 0) return null;
  const spacing = measure.gapsPx === 0 ? (gaps === 0 ? 1 : Infinity) : gaps / measure.gapsPx;
  if (spacing < limits.leastSpacing || spacing > limits.mostSpacing) return null;
  const cost = Math.abs(Math.log(spacing)) + SIZE_WEIGHT * Math.abs(Math.log(size));
  return { pxPerFrame, size, spacing, waitFrames: 0, cost };
}

function waitingWay(measure: RollMeasure, limits: RollLimits): RollWay {
  const { frames, stepPx, slowFrames, mostSpacing } = limits;
  const natural = rollLength(measure, measure.gapsPx);
  const speed = (steps: number): number => Math.max(1, steps) * stepPx;
  const through = (pxPerFrame: number): boolean =>
    paceLength({ pxPerFrame, frames, slowFrames, stepPx }) >= natural;
  let pxPerFrame = speed(Math.ceil(natural / evenFrames(frames, slowFrames) / stepPx));
  // Speeds in which it slows are rounded, so that it may fall short by a little.
  while (!through(pxPerFrame)) pxPerFrame += stepPx;
  const slowed = slowedFrames(pxPerFrame, { frames, stepPx, slowFrames });
  // Gaps may grow as far as they may; what is left of the time nothing moves.
  const widest = Math.floor(measure.gapsPx * mostSpacing);
  const most = Math.min(frames, Math.floor(rollLength(measure, widest) / pxPerFrame + slowed));
  const going = Math.min(frames, Math.max(Math.ceil(natural / pxPerFrame + slowed), most));
  const gaps = gapsFor(measure, pxPerFrame, going, limits);
  const spacing = measure.gapsPx === 0 ? 1 : gaps / measure.gapsPx;
  return { pxPerFrame, size: 1, spacing, waitFrames: frames - going, cost: WAIT_COST };
}

/** How many frames more a roll takes at a speed for slowing at the end. */
function slowedFrames(
  pxPerFrame: number,
  { frames, ...slow }: Pick<RollLimits, 'frames' | 'stepPx' | 'slowFrames'>,
): number {
  return frames - paceLength({ pxPerFrame, frames, ...slow }) / pxPerFrame;
}

/** The lengths that a speed can meet, in frames. */
export interface SpeedLengths {
  readonly pxPerFrame: number;
  /** With everything as designed, to the nearest frame. */
  readonly designed: number;
  readonly least: number;
  readonly most: number;
}

/** For each speed up to `mostPx`, the lengths that it meets within the limits, and the one that changes least. */
export function speedLengths(
  measure: RollMeasure,
  limits: Omit<RollLimits, 'frames'>,
  mostPx: number,
): SpeedLengths[] {
  const { stepPx, slowFrames, leastSpacing, mostSpacing, leastSize, mostSize } = limits;
  const [small, large] = [measureAt(measure, leastSize), measureAt(measure, mostSize)];
  const shortest = rollLength(small, Math.ceil(small.gapsPx * leastSpacing));
  const longest = rollLength(large, Math.floor(large.gapsPx * mostSpacing));
  const designed = rollLength(measure, measure.gapsPx);
  return Array.from({ length: Math.max(1, Math.floor(mostPx / stepPx)) }, (_, i) => {
    const pxPerFrame = (i + 1) * stepPx;
    const slowed = slowedFrames(pxPerFrame, { frames: 2 * slowFrames, stepPx, slowFrames });
    const least = Math.ceil(shortest / pxPerFrame + slowed);
    const most = Math.max(least, Math.floor(longest / pxPerFrame + slowed));
    const nearest = Math.round(designed / pxPerFrame + slowed);
    return { pxPerFrame, designed: Math.max(least, Math.min(most, nearest)), least, most };
  });
}

/** How many frames a line is seen for at a size and speed, from its first part coming in to its last going out. */
export function lineFrames(
  designed: RollMeasure,
  { size, pxPerFrame }: Pick<RollWay, 'size' | 'pxPerFrame'>,
): number {
  return (designed.windowPx + designed.linePx * size) / pxPerFrame;
}
