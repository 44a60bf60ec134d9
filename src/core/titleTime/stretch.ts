import type { Timing } from '../model/template';
import type { FrameRate } from '../time/rates';
import { frameToSeconds, secondsToNearestFrames, SHORTEST_FRAMES } from '../time/rates';

/** How a title of a given length is divided; the columns are half-open and follow one another. */
export interface TitleTiming {
  readonly inFrames: number;
  readonly holdFrames: number;
  readonly outFrames: number;
  readonly totalFrames: number;
  readonly inSeconds: number;
  /** When the out starts, from the title's start. */
  readonly outStartSeconds: number;
  readonly outSeconds: number;
  readonly totalSeconds: number;
  readonly frameSeconds: number;
  /** For the time of a layer with a span: when in the title that starts, in seconds. */
  readonly sinceSeconds?: number;
}

/** The design's own length, in frames of a rate. */
export function designFrames(timing: Timing, rate: FrameRate): number {
  const total = timing.inSeconds + timing.holdSeconds + timing.outSeconds;
  return Math.max(SHORTEST_FRAMES, secondsToNearestFrames(total, rate));
}

/** The frame in the middle of the hold, which stands for a title where one picture has to. */
export function restingFrame({
  totalFrames,
  inFrames,
  holdFrames,
}: Pick<TitleTiming, 'totalFrames' | 'inFrames' | 'holdFrames'>): number {
  return Math.min(totalFrames - 1, inFrames + Math.floor(holdFrames / 2));
}

/**
 * Divides a length among in, hold and out: in and out keep their timing and the hold takes the rest.
 * Below in + out both shrink in proportion, down to one frame each; lengths under two frames count as two.
 */
export function stretchTiming(timing: Timing, lengthFrames: number, rate: FrameRate): TitleTiming {
  const total = Math.max(SHORTEST_FRAMES, Math.floor(lengthFrames));
  let inFrames = secondsToNearestFrames(timing.inSeconds, rate);
  let outFrames = secondsToNearestFrames(timing.outSeconds, rate);
  if (inFrames + outFrames > total) {
    const share = inFrames / (inFrames + outFrames);
    inFrames = Math.max(1, Math.min(total - 1, Math.round(total * share)));
    outFrames = total - inFrames;
  }
  return {
    inFrames,
    outFrames,
    holdFrames: total - inFrames - outFrames,
    totalFrames: total,
    inSeconds: frameToSeconds(inFrames, rate),
    outStartSeconds: frameToSeconds(total - outFrames, rate),
    outSeconds: frameToSeconds(outFrames, rate),
    totalSeconds: frameToSeconds(total, rate),
    frameSeconds: frameToSeconds(1, rate),
  };
}

/** How long (seconds) in and out need together where a title is too short for them, so that both are shortened; null where it is not. */
export function neededByMoves(design: Timing, { totalFrames }: TitleTiming, rate: FrameRate): number | null {
  const needed =
    secondsToNearestFrames(design.inSeconds, rate) + secondsToNearestFrames(design.outSeconds, rate);
  return needed > totalFrames ? frameToSeconds(needed, rate) : null;
}
