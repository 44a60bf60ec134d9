import type { Moment, Timing } from '../model/template';
import { assertNever } from '../kit/assertNever';
import type { FrameRate } from '../time/rates';
import { frameToSeconds, secondsToNearestFrames } from '../time/rates';
import type { TitleTiming } from './stretch';

/** When a moment is in a title of a given length (seconds); where in and out had to shrink, it shrinks with them. */
export function momentToSeconds(moment: Moment, design: Timing, timing: TitleTiming): number {
  const inScale = design.inSeconds > 0 ? timing.inSeconds / design.inSeconds : 1;
  const outScale = design.outSeconds > 0 ? timing.outSeconds / design.outSeconds : 1;
  const { from, offsetSeconds } = moment;
  switch (from) {
    case 'start':
      return offsetSeconds * inScale;
    case 'inEnd':
      return timing.inSeconds + offsetSeconds * inScale;
    case 'hold':
      return timing.inSeconds + moment.share * (timing.outStartSeconds - timing.inSeconds);
    case 'outStart':
      return timing.outStartSeconds + offsetSeconds * outScale;
    case 'end':
      return timing.totalSeconds + offsetSeconds * outScale;
    default:
      return assertNever(from, 'moment');
  }
}

/** The design's own length as a title's, in seconds only: it is not yet at any rate. */
export function designTiming({ inSeconds, holdSeconds, outSeconds }: Timing): TitleTiming {
  const outStartSeconds = inSeconds + holdSeconds;
  return {
    inFrames: 0,
    holdFrames: 0,
    outFrames: 0,
    totalFrames: 1,
    inSeconds,
    outStartSeconds,
    outSeconds,
    totalSeconds: outStartSeconds + outSeconds,
    frameSeconds: outStartSeconds + outSeconds,
  };
}

/** A time of a title of some length as the time of the design that it stands for; both in seconds. */
export function toDesignSeconds(seconds: number, design: Timing, timing: TitleTiming): number {
  return betweenLengths(seconds, timing, designTiming(design));
}

/** A time of the design as the time of a title of some length that stands for it; both in seconds. */
export function fromDesignSeconds(seconds: number, design: Timing, timing: TitleTiming): number {
  return betweenLengths(seconds, designTiming(design), timing);
}

/** Column for column: a share of one title's in, hold or out is the same share of the other's. */
function betweenLengths(seconds: number, from: TitleTiming, to: TitleTiming): number {
  const share = (part: number, whole: number): number => (whole > 0 ? part / whole : 0);
  if (seconds < from.inSeconds) return share(seconds, from.inSeconds) * to.inSeconds;
  if (seconds >= from.outStartSeconds)
    return to.outStartSeconds + share(seconds - from.outStartSeconds, from.outSeconds) * to.outSeconds;
  const along = share(seconds - from.inSeconds, from.outStartSeconds - from.inSeconds);
  return to.inSeconds + along * (to.outStartSeconds - to.inSeconds);
}

// Nearer than this (half a frame at 100 frames a second) a time is one of the ends of a column.
const NEAR_SECONDS = 0.005;

/**
 * The moment for a time of the design, tied to what keeps its sense at any length: in the in to the start, in the
 * hold to a share of it, in the out to its start, and at an end of a column to that end.
 */
export function secondsToMoment(seconds: number, design: Timing): Moment {
  const { outStartSeconds: outStart, totalSeconds: total } = designTiming(design);
  const at = (from: Moment['from'], offsetSeconds = 0, share = 0): Moment => ({ from, offsetSeconds, share });
  const near = (time: number): boolean => Math.abs(seconds - time) < NEAR_SECONDS;
  if (near(design.inSeconds)) return at('inEnd');
  if (near(outStart)) return at('outStart');
  if (seconds > total - NEAR_SECONDS) return at('end');
  if (seconds < design.inSeconds) return at('start', Math.max(0, seconds));
  if (seconds < outStart) return at('hold', 0, (seconds - design.inSeconds) / design.holdSeconds);
  return at('outStart', seconds - outStart);
}

/** The moment for a time of the design (seconds), tied to what is asked for. */
export function tiedMoment(from: Moment['from'], seconds: number, design: Timing): Moment {
  const { outStartSeconds, totalSeconds } = designTiming(design);
  const at = (offsetSeconds: number, share = 0): Moment => ({ from, offsetSeconds, share });
  switch (from) {
    case 'start':
      return at(seconds);
    case 'inEnd':
      return at(seconds - design.inSeconds);
    case 'hold':
      return at(
        0,
        Math.max(0, Math.min(1, (seconds - design.inSeconds) / Math.max(design.holdSeconds, 1e-9))),
      );
    case 'outStart':
      return at(seconds - outStartSeconds);
    case 'end':
      return at(seconds - totalSeconds);
    default:
      return assertNever(from, 'moment');
  }
}

/** The moment moved to the nearest frame of a rate in the design's own length; never by more than half a frame. */
export function snapMoment(moment: Moment, design: Timing, rate: FrameRate): Moment {
  const seconds = momentToSeconds(moment, design, designTiming(design));
  return secondsToMoment(frameToSeconds(secondsToNearestFrames(seconds, rate), rate), design);
}
