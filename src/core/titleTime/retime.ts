import type { Retime } from '../model/template';
import { assertNever } from '../kit/assertNever';
import { curveOf } from './curve';
import type { TitleTiming } from './stretch';

/** A time of a layer that has its own. */
export interface OwnTime {
  /** Seconds from the start of the title as that layer has it. */
  readonly seconds: number;
  /** How that title is divided: the title itself, or one whose hold is as long as what the layer's hold goes through. */
  readonly timing: TitleTiming;
}

/**
 * A layer's own time at a time of the title, never outside the title. Where only its hold has a time of its own, in and
 * out are the title's: what it goes through begins at the end of the in, and a loop ends where the out begins.
 */
export function ownTime(retime: Retime | null, seconds: number, title: TitleTiming): OwnTime {
  if (retime === null) return { seconds, timing: title };
  if (retime.within !== 'hold')
    return { seconds: inTitle(retime, seconds, title.totalSeconds), timing: title };
  const { inSeconds, outStartSeconds } = title;
  const timing = withHold(title, retime.spanSeconds);
  if (seconds < inSeconds) return { seconds, timing };
  if (seconds >= outStartSeconds) {
    return { seconds: seconds - outStartSeconds + timing.outStartSeconds, timing };
  }
  const length = timing.outStartSeconds - timing.inSeconds;
  const gone = inHold(retime, seconds - inSeconds, outStartSeconds - inSeconds, length);
  return { seconds: inSeconds + Math.max(0, Math.min(length, gone)), timing };
}

const inTitle = (retime: Retime, seconds: number, totalSeconds: number): number =>
  Math.max(0, Math.min(totalSeconds, timeOf(retime, seconds, totalSeconds)));

function timeOf(
  { kind, speed, fromSeconds, spanSeconds, curve }: Retime,
  seconds: number,
  total: number,
): number {
  const since = seconds - fromSeconds;
  switch (kind) {
    case 'speed':
      // Backwards it starts from the moment and runs to the title's start.
      return fromSeconds + since * speed;
    case 'still':
      return fromSeconds;
    case 'loop':
      return since < 0 ? seconds : fromSeconds + ((since * Math.abs(speed)) % spanSeconds);
    case 'thereAndBack': {
      if (since < 0) return seconds;
      const along = (since * Math.abs(speed)) % (2 * spanSeconds);
      return fromSeconds + (along <= spanSeconds ? along : 2 * spanSeconds - along);
    }
    case 'curve':
      return total * curveOf(curve ?? RETIME_CURVE)(seconds / total);
    default:
      return assertNever(kind, 'retiming');
  }
}

/** How far (seconds) what a hold goes through has gone after some time of a hold; it is `length` long. */
function inHold(
  { kind, speed, fromSeconds, curve }: Retime,
  since: number,
  held: number,
  length: number,
): number {
  const pace = Math.max(0.01, Math.abs(speed));
  switch (kind) {
    case 'speed':
      return speed < 0 ? length - since * pace : since * pace;
    case 'still':
      return fromSeconds;
    case 'curve':
      return length * curveOf(curve ?? RETIME_CURVE)(since / held);
    case 'loop':
    case 'thereAndBack':
      return inRounds(
        { since: since * pace, held: held * pace, fromSeconds, length },
        kind === 'thereAndBack',
      );
    default:
      return assertNever(kind, 'retiming');
  }
}

interface Rounds {
  readonly since: number;
  readonly held: number;
  readonly fromSeconds: number;
  readonly length: number;
}

/**
 * Whole rounds, a little slower or faster than asked for, so that the last one ends with the hold; there and back it ends
 * there, where the out begins. What comes before the round is gone through once.
 */
function inRounds({ since, held, fromSeconds, length }: Rounds, andBack: boolean): number {
  const start = Math.max(0, Math.min(fromSeconds, length));
  const span = length - start;
  // Too short a hold goes through all of it once.
  if (span <= 0 || held <= start) return held > 0 ? (since / held) * length : 0;
  if (since < start) return since;
  const wanted = (held - start) / span;
  const count = andBack ? 2 * Math.max(0, Math.round((wanted - 1) / 2)) + 1 : Math.max(1, Math.round(wanted));
  const gone = ((since - start) / (held - start)) * count;
  const round = Math.min(count - 1, Math.floor(gone));
  const share = gone - round;
  return start + span * (andBack && round % 2 === 1 ? 1 - share : share);
}

/** Off slowly and on slowly. */
export const RETIME_CURVE: NonNullable<Retime['curve']> = [0.45, 0, 0.55, 1];

const held = new WeakMap<TitleTiming, Map<number, TitleTiming>>();

/** A title with the same in and out and a hold of another length, in whole frames. */
function withHold(title: TitleTiming, holdSeconds: number): TitleTiming {
  const known = held.get(title) ?? new Map<number, TitleTiming>();
  held.set(title, known);
  const { frameSeconds, inFrames, outFrames, inSeconds, outSeconds } = title;
  const holdFrames = Math.max(1, Math.round(holdSeconds / frameSeconds));
  const made = known.get(holdFrames) ?? {
    ...title,
    holdFrames,
    totalFrames: inFrames + holdFrames + outFrames,
    outStartSeconds: inSeconds + holdFrames * frameSeconds,
    totalSeconds: inSeconds + holdFrames * frameSeconds + outSeconds,
  };
  known.set(holdFrames, made);
  return made;
}
