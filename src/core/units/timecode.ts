import { InputError } from '../kit/inputError';
import type { FrameRate } from './rates';
import { secondsToNearestFrames } from './rates';

const pad = (value: number): string => String(value).padStart(2, '0');

/** Frames that timecode labels skip before this frame is reached (SMPTE ST 12-1 drop frame). */
function skippedLabels(frame: number, rate: FrameRate): number {
  const drop = rate.dropPerMinute;
  if (drop === 0) return 0;
  const perTenMinutes = rate.nominal * 600 - drop * 9;
  const perMinute = rate.nominal * 60 - drop;
  const tens = Math.floor(frame / perTenMinutes);
  const rest = frame % perTenMinutes;
  const minutesIn = rest < drop ? 0 : Math.floor((rest - drop) / perMinute);
  return drop * (9 * tens + minutesIn);
}

/**
 * A frame number as `hh:mm:ss:ff`, with `;` before the frames where the rate drops labels.
 * Frame 1800 at 29.97 is `00:01:00;02`. Negative frames get a leading minus.
 */
export function frameToTimecode(frame: number, rate: FrameRate): string {
  if (frame < 0) return `-${frameToTimecode(-frame, rate)}`;
  const label = frame + skippedLabels(frame, rate);
  const frames = label % rate.nominal;
  const seconds = Math.floor(label / rate.nominal);
  const separator = rate.dropPerMinute > 0 ? ';' : ':';
  return `${pad(Math.floor(seconds / 3600))}:${pad(Math.floor(seconds / 60) % 60)}:${pad(seconds % 60)}${separator}${pad(frames)}`;
}

/** A length as `ss:ff`, or `m:ss:ff` from a minute up: the short form for durations in a sheet. */
export function frameToShortTimecode(frame: number, rate: FrameRate): string {
  const full = frameToTimecode(Math.max(0, frame), rate).replace(';', ':');
  const [hours, minutes, seconds, frames] = full.split(':').map(Number);
  const minutesTotal = hours * 60 + minutes;
  return `${minutesTotal > 0 ? `${minutesTotal}:` : ''}${pad(seconds)}:${pad(frames)}`;
}

/**
 * The frame that a typed timecode or length means: `1:02:10` reads from the right as frames, seconds,
 * minutes, hours; a bare number is seconds, with or without an `s`, and frames with an `f`.
 * Throws InputError for anything else, for fields out of range and for labels that drop frame skips.
 */
export function timecodeToFrame(text: string, rate: FrameRate, where = 'Time'): number {
  const trimmed = text.trim();
  const plain = /^(\d+(?:\.\d+)?)\s*(s|f)?$/.exec(trimmed);
  if (plain !== null) {
    const amount = Number(plain[1]);
    return plain[2] === 'f' ? Math.round(amount) : secondsToNearestFrames(amount, rate);
  }
  if (!/^\d{1,2}([:;]\d{1,2}){1,3}$/.test(trimmed)) {
    throw InputError.of(where, 'a time such as 00:01:12:05, 5:10, 4.5s or 40f', text);
  }
  const parts = trimmed.split(/[:;]/).map(Number).reverse();
  const [frames, seconds, minutes = 0, hours = 0] = parts;
  if (frames >= rate.nominal) {
    throw InputError.of(where, `frames below ${rate.nominal} at ${rate.label} frames a second`, text);
  }
  if (seconds > 59 || minutes > 59) throw InputError.of(where, 'minutes and seconds below 60', text);
  const totalMinutes = hours * 60 + minutes;
  const drop = rate.dropPerMinute;
  if (drop > 0 && frames < drop && seconds === 0 && totalMinutes % 10 !== 0) {
    throw InputError.of(where, `a label that drop frame does not skip, such as frame ${pad(drop)}`, text);
  }
  const label = (totalMinutes * 60 + seconds) * rate.nominal + frames;
  return label - drop * (totalMinutes - Math.floor(totalMinutes / 10));
}
