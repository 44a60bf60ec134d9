import { InputError } from '../../kit/inputError';
import type { FrameRate } from '../../units/rates';
import { frameToTimecode, timecodeToFrame } from '../../units/timecode';
import type { CutClip, CutList } from '../cutList';

const TIMECODE = /\d{2}[:;]\d{2}[:;]\d{2}[:;]\d{2}/g;
const EVENT = /^(\d{1,6})\s+(\S+)\s+(\S+)\s+(\S+)/;
const LONGEST_TEXT = 8 * 1024 * 1024;

/**
 * The cuts of a CMX 3600 edit list: every video event with its source and record times, names from `FROM CLIP NAME`,
 * named frames from `LOC` notes. Record times count from the earliest event's whole hour. Sound is left out. Throws
 * InputError with the line for a time that is none, and for a text that is no edit list.
 */
export function edlToCutList(text: string, rate: FrameRate): CutList {
  if (text.length > LONGEST_TEXT) throw InputError.of('Edit list', 'at most 8 MB', `${text.length} bytes`);
  const lines = text.split(/\r?\n/);
  const clips: { clip: CutClip; line: number }[] = [];
  const markers: { frame: number; name: string }[] = [];
  let skipped = 0;
  for (const [i, line] of lines.entries()) {
    const event = EVENT.exec(line);
    if (event !== null && (line.match(TIMECODE)?.length ?? 0) > 0) {
      if (/^(V|B|AA\/V|A\d*\/V|VA\d*)$/i.test(event[3]))
        clips.push({ clip: readEvent(line, i, event[2], rate), line: i });
      else skipped++;
    } else {
      const named = /^\*\s*FROM CLIP NAME:\s*(.+)$/i.exec(line.trim());
      const last = clips.at(-1);
      if (named !== null && last !== undefined) last.clip = { ...last.clip, name: named[1].trim() };
      const mark = /^\*\s*LOC:\s*(\S+)\s+(?:[A-Z]+\s+)?(.*)$/i.exec(line.trim());
      if (mark !== null) markers.push({ frame: timeIn(mark[1], i, rate), name: mark[2].trim() });
    }
  }
  if (clips.length === 0)
    throw InputError.of(
      'Edit list',
      'lines such as "001  AX  V  C  01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00"',
      text.slice(0, 40),
    );
  const hour = rate.nominal * 3600;
  const first = Math.min(...clips.map(({ clip }) => clip.startFrame));
  const origin = Math.floor(first / hour) * hour;
  return {
    name: /^TITLE:\s*(.+)$/im.exec(text)?.[1].trim() ?? '',
    clips: clips
      .map(({ clip }) => ({ ...clip, startFrame: clip.startFrame - origin }))
      .toSorted((a, b) => a.startFrame - b.startFrame),
    markers: markers.map((mark) => ({ ...mark, frame: Math.max(0, mark.frame - origin) })),
    notes: skipped > 0 ? [`${skipped} events of sound or other tracks were left out.`] : [],
  };
}

function readEvent(line: string, index: number, reel: string, rate: FrameRate): CutClip {
  const times = line.match(TIMECODE) ?? [];
  if (times.length < 4)
    throw InputError.of(`Line ${index + 1}`, 'four times: source in and out, record in and out', line.trim());
  const [sourceIn, , recordIn, recordOut] = times.map((time) => timeIn(time, index, rate));
  if (recordOut <= recordIn)
    throw InputError.of(`Line ${index + 1}`, `a record out after ${times[2]}`, times[3]);
  return { name: reel, startFrame: recordIn, lengthFrames: recordOut - recordIn, sourceStartFrame: sourceIn };
}

function timeIn(text: string, index: number, rate: FrameRate): number {
  return timecodeToFrame(text, rate, `Line ${index + 1}`);
}

/** A cut list as a CMX 3600 edit list; record times start at one hour. */
export function cutListToEdl(list: CutList, rate: FrameRate): string {
  const origin = rate.nominal * 3600;
  const time = (frame: number): string => frameToTimecode(frame, rate);
  const events = list.clips.flatMap((clip, i) => {
    const record = [clip.startFrame, clip.startFrame + clip.lengthFrames].map((frame) =>
      time(origin + frame),
    );
    const source = [clip.sourceStartFrame, clip.sourceStartFrame + clip.lengthFrames].map(time);
    const number = String(i + 1).padStart(3, '0');
    return [
      `${number}  AX       V     C        ${[...source, ...record].join(' ')}`,
      `* FROM CLIP NAME: ${clip.name}`,
    ];
  });
  const marks = list.markers.map((mark) => `* LOC: ${time(origin + mark.frame)} WHITE ${mark.name}`);
  const mode = rate.dropPerMinute > 0 ? 'DROP FRAME' : 'NON-DROP FRAME';
  return [`TITLE: ${list.name}`, `FCM: ${mode}`, ...events, ...marks, ''].join('\r\n');
}
