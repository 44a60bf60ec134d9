import { InputError } from '../kit/inputError';
import type { FrameRate } from './rates';
import type { Timecode, TimecodeMode } from './timecode';
import { framesPerDay, labelOf, modesOf, parseTime } from './timecode';

/** What a project counts its time by: frames of a rate, labelled in one mode, from a first label on. */
export interface Clock {
  readonly rate: FrameRate;
  readonly mode: TimecodeMode;
  /** The label of frame 0, as a count of frames from 00:00:00:00. */
  readonly startFrame: number;
}

/** What a project says of its clock; the rest follows from its rate. */
export interface ClockSetting {
  readonly mode: TimecodeMode;
  readonly startFrame: number;
}

/** The clock of a project: as it says, else drop frame where its rate has that, from 00:00:00:00. */
export function clockOf(rate: FrameRate, setting?: ClockSetting): Clock {
  const [usual] = modesOf(rate);
  if (setting === undefined) return { rate, mode: usual, startFrame: 0 };
  // A rate without drop frame counts without it, whatever was said for another rate.
  const mode = modesOf(rate).includes(setting.mode) ? setting.mode : usual;
  return { rate, mode, startFrame: setting.startFrame % framesPerDay({ rate, mode }) };
}

/** The timecode of a frame of a project; after 24 hours it starts over, as clocks do. */
export function frameToTimecode(frame: number, clock: Clock): string {
  return labelOf(frame + clock.startFrame, clock);
}

/** A length as `ss:ff`, or `m:ss:ff` from a minute up: the short form for durations in a sheet. */
export function lengthToTimecode(frames: number, clock: Pick<Clock, 'rate' | 'mode'>): string {
  const label = labelOf(Math.max(0, frames), clock).replace(';', ':');
  const [hours, minutes, ...rest] = label.split(':');
  const total = Number(hours) * 60 + Number(minutes);
  return `${total > 0 ? `${total}:` : ''}${rest.join(':')}`;
}

/**
 * The frame of a project that a typed time means. A whole timecode, of four figures, is read on the project's clock;
 * anything shorter (`5:10`, `4.5s`, `40f`) counts from the project's start. Throws InputError for what is no time, for
 * labels that drop frame skips, and for a timecode before the start.
 */
export function timecodeToFrame(text: string, clock: Clock, where = 'Time'): number {
  const { frames, isLabel } = parseTime(text, clock, where);
  if (!isLabel || clock.startFrame === 0) return frames;
  const day = framesPerDay(clock);
  const since = (frames - clock.startFrame + day) % day;
  // What lies more than half a day on lies before the start rather than after it.
  if (since <= day / 2) return since;
  throw InputError.of(
    where,
    `a timecode from ${frameToTimecode(0, clock)} on, where the project starts`,
    text,
  );
}

/** The length in frames that a typed time means: a timecode counts from nothing. Throws InputError for what is none. */
export function textToLength(text: string, clock: Pick<Clock, 'rate' | 'mode'>, where = 'Length'): number {
  return parseTime(text, clock, where).frames;
}

/** The starts that productions usually have. */
export const USUAL_STARTS: readonly Timecode[] = [0, 1, 10].map((hours) => ({
  hours,
  minutes: 0,
  seconds: 0,
  frames: 0,
}));
