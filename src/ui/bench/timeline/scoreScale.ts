import type { Timing } from '@/core/model/template';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToFrame } from '@/core/time/rates';

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

/** A line of the score's ruler; those with a figure are seconds and frames of the design. */
export interface Tick {
  readonly x: number;
  readonly figure: string | null;
}

const FIGURE_PX = 56;
const TICK_PX = 7;
const SECOND_STEPS = [1, 2, 5, 10, 30, 60, 300];

/** The ticks of in, hold and out, each part as close as its own scale has room for: frames where they can be told apart. */
export function rulerTicks(timing: Timing, scale: ScoreScale, rate: FrameRate): Tick[] {
  const { nominal } = rate;
  const framesPerSecond = rate.numerator / rate.denominator;
  const steps = [1, 2, 5, 10, ...SECOND_STEPS.map((seconds) => seconds * nominal)];
  const total = timing.inSeconds + timing.holdSeconds + timing.outSeconds;
  const outStart = timing.inSeconds + timing.holdSeconds;
  const parts = [
    { from: 0, to: timing.inSeconds, px: scale.inPx },
    { from: timing.inSeconds, to: outStart, px: scale.holdPx },
    { from: outStart, to: total, px: scale.outPx },
  ];
  return parts.flatMap(({ from, to, px }, i): Tick[] => {
    const pxPerFrame = px / Math.max(1e-6, (to - from) * framesPerSecond);
    const stepFor = (least: number): number => steps.find((step) => step * pxPerFrame >= least) ?? Infinity;
    const [figures, ticks] = [stepFor(FIGURE_PX), stepFor(TICK_PX)];
    const first = Math.ceil(secondsToFrame(from, rate) / ticks) * ticks;
    const last = secondsToFrame(to, rate) - (i < parts.length - 1 ? 1 : 0);
    const count = Number.isFinite(ticks) ? Math.max(0, Math.floor((last - first) / ticks) + 1) : 0;
    return Array.from({ length: count }, (_, k): Tick => {
      const frame = first + k * ticks;
      const figure = frame % figures === 0 ? secondsAndFrames(frame, nominal) : null;
      return { x: secondsToX(frameToSeconds(frame, rate), timing, scale), figure };
    });
  });
}

const secondsAndFrames = (frame: number, nominal: number): string =>
  `${Math.floor(frame / nominal)}:${String(frame % nominal).padStart(2, '0')}`;
