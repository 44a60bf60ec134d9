import { InputError } from '../kit/inputError';
import type { FrameRate } from './rates';
import { secondsToNearestFrames } from './rates';

/** Whether labels are left out so that they keep with the clock on the wall (SMPTE ST 12-1). */
export type TimecodeMode = 'drop' | 'non-drop';

/** How frames are labelled. */
export interface Labelling {
  readonly rate: FrameRate;
  readonly mode: TimecodeMode;
}

/** A label. */
export interface Timecode {
  readonly hours: number;
  readonly minutes: number;
  readonly seconds: number;
  readonly frames: number;
}

/** The modes that a rate can be labelled in, the usual one first. */
export function modesOf({ dropPerMinute }: FrameRate): readonly TimecodeMode[] {
  return dropPerMinute > 0 ? ['drop', 'non-drop'] : ['non-drop'];
}

const MINUTES_PER_DAY = 24 * 60;

/** How many labels are left out each minute, save each tenth. */
const dropOf = ({ rate, mode }: Labelling): number => (mode === 'drop' ? rate.dropPerMinute : 0);

/** The frames that labels from 00:00:00:00 to 23:59:59 and the last frame count: 2 589 408 at 29.97 with drop frame. */
export function framesPerDay(labelling: Labelling): number {
  const minutes = MINUTES_PER_DAY;
  return minutes * 60 * labelling.rate.nominal - dropOf(labelling) * (minutes - minutes / 10);
}

/** How many frames after 00:00:00:00 a label is. The label is one that the mode has: see `checkLabel`. */
export function labelFrame({ hours, minutes, seconds, frames }: Timecode, labelling: Labelling): number {
  const total = hours * 60 + minutes;
  const label = (total * 60 + seconds) * labelling.rate.nominal + frames;
  return label - dropOf(labelling) * (total - Math.floor(total / 10));
}

/** The label of a frame, counted from 00:00:00:00; days are left out. */
export function frameLabel(frame: number, labelling: Labelling): Timecode {
  const { nominal } = labelling.rate;
  const day = framesPerDay(labelling);
  const within = ((frame % day) + day) % day;
  const label = within + skippedBefore(within, labelling);
  const seconds = Math.floor(label / nominal);
  return {
    hours: Math.floor(seconds / 3600),
    minutes: Math.floor(seconds / 60) % 60,
    seconds: seconds % 60,
    frames: label % nominal,
  };
}

/** How many labels were left out before a frame of the day is reached. */
function skippedBefore(frame: number, labelling: Labelling): number {
  const drop = dropOf(labelling);
  if (drop === 0) return 0;
  const { nominal } = labelling.rate;
  const perTenMinutes = nominal * 600 - drop * 9;
  const perMinute = nominal * 60 - drop;
  const tens = Math.floor(frame / perTenMinutes);
  const rest = frame % perTenMinutes;
  const minutesIn = rest < drop ? 0 : Math.floor((rest - drop) / perMinute);
  return drop * (9 * tens + minutesIn);
}

const pad = (value: number): string => String(value).padStart(2, '0');

/** A label as text: `hh:mm:ss:ff`, with `;` before the frames where labels are left out. */
export function labelText({ hours, minutes, seconds, frames }: Timecode, mode: TimecodeMode): string {
  return `${pad(hours)}:${pad(minutes)}:${pad(seconds)}${mode === 'drop' ? ';' : ':'}${pad(frames)}`;
}

/** The label of a frame counted from 00:00:00:00, as text. Frame 1800 at 29.97 is `00:01:00;02` with drop frame. */
export function labelOf(frame: number, labelling: Labelling): string {
  return labelText(frameLabel(frame, labelling), labelling.mode);
}

/** A time that was typed: so many frames, and whether it was a whole label rather than a length or a part of one. */
interface TypedTime {
  readonly frames: number;
  readonly isLabel: boolean;
}

/**
 * What a typed time means: `1:02:10` reads from the right as frames, seconds, minutes, hours; a bare number is seconds,
 * with or without an `s`, and frames with an `f`. Throws InputError for anything else, for parts out of range and for
 * labels that drop frame leaves out.
 */
export function parseTime(text: string, labelling: Labelling, where: string): TypedTime {
  const trimmed = text.trim();
  const plain = /^(\d+(?:\.\d+)?)\s*(s|f)?$/.exec(trimmed);
  if (plain !== null) {
    const amount = Number(plain[1]);
    const frames = plain[2] === 'f' ? Math.round(amount) : secondsToNearestFrames(amount, labelling.rate);
    return { frames, isLabel: false };
  }
  if (!/^\d{1,2}([:;]\d{1,2}){1,3}$/.test(trimmed)) {
    throw InputError.of(where, 'a time such as 00:01:12:05, 5:10, 4.5s or 40f', text);
  }
  const parts = trimmed.split(/[:;]/).map(Number).reverse();
  const [frames, seconds, minutes = 0, hours = 0] = parts;
  const label = { hours, minutes, seconds, frames };
  checkLabel(label, labelling, where, text);
  return { frames: labelFrame(label, labelling), isLabel: parts.length === 4 };
}

/** Throws InputError for a label with a part out of range, or one that drop frame leaves out. */
function checkLabel(label: Timecode, labelling: Labelling, where: string, text: string): void {
  const { rate } = labelling;
  if (label.frames >= rate.nominal)
    throw InputError.of(where, `frames below ${rate.nominal} at ${rate.label} frames a second`, text);
  if (label.seconds > 59 || label.minutes > 59)
    throw InputError.of(where, 'minutes and seconds below 60', text);
  if (label.hours > 23) throw InputError.of(where, 'hours below 24', text);
  const drop = dropOf(labelling);
  if (label.frames < drop && label.seconds === 0 && label.minutes % 10 !== 0)
    throw InputError.of(where, `a label that drop frame does not skip, such as frame ${pad(drop)}`, text);
}
