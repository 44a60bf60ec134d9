import type { Timing } from '@/core/model/template';

/** Width of the row heads, in CSS pixels. */
export const HEAD_PX = 190;

/** How the score's width is shared out: in and out to one scale, the hold takes the rest, however long. */
export interface ScoreScale {
  readonly inPx: number;
  readonly holdPx: number;
  readonly outPx: number;
  readonly pxPerSecond: number;
}

const USUAL_PX_PER_SECOND = 150;
const LEAST_HOLD_SHARE = 0.25;

/** Shares out a width in CSS pixels; a zoom makes the in and the out so many times as wide as usual, where there is room. */
export function scoreScale(timing: Timing, widthPx: number, zoom = 1): ScoreScale {
  const moving = timing.inSeconds + timing.outSeconds;
  const pxPerSecond = Math.min(
    USUAL_PX_PER_SECOND * zoom,
    (widthPx * (1 - LEAST_HOLD_SHARE)) / Math.max(moving, 0.01),
  );
  const inPx = timing.inSeconds * pxPerSecond;
  const outPx = timing.outSeconds * pxPerSecond;
  return { inPx, outPx, holdPx: Math.max(0, widthPx - inPx - outPx), pxPerSecond };
}

/** Where a time lies, in pixels from the left. */
export function secondsToX(seconds: number, timing: Timing, scale: ScoreScale): number {
  const outStart = timing.inSeconds + timing.holdSeconds;
  if (seconds <= timing.inSeconds) return seconds * scale.pxPerSecond;
  if (seconds >= outStart) return scale.inPx + scale.holdPx + (seconds - outStart) * scale.pxPerSecond;
  return scale.inPx + ((seconds - timing.inSeconds) / timing.holdSeconds) * scale.holdPx;
}

/** The time at a place, in seconds; places beyond the ends give the ends. */
export function xToSeconds(x: number, timing: Timing, scale: ScoreScale): number {
  const total = timing.inSeconds + timing.holdSeconds + timing.outSeconds;
  if (x <= scale.inPx) return Math.max(0, x / scale.pxPerSecond);
  if (x <= scale.inPx + scale.holdPx) {
    return timing.inSeconds + ((x - scale.inPx) / Math.max(1, scale.holdPx)) * timing.holdSeconds;
  }
  return Math.min(
    total,
    timing.inSeconds + timing.holdSeconds + (x - scale.inPx - scale.holdPx) / scale.pxPerSecond,
  );
}
