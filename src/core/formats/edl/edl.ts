import { InputError } from '../../kit/inputError';
import { wellFormedText } from '../../kit/wellFormed';
import type { Clock } from '../../time/clock';
import { frameToTimecode, textToLength } from '../../time/clock';
import type { Labelling, TimecodeMode } from '../../time/timecode';
import { frameLabel, labelFrame, labelOf, modesOf } from '../../time/timecode';
import type { CutClip, CutList } from '../cutList';

const TIMECODE = /\d{2}[:;]\d{2}[:;]\d{2}[:;]\d{2}/g;
const EVENT = /^(\d{1,6})\s+(\S+)\s+(\S+)\s+(\S+)/;
const COUNT_MODE = /^FCM:\s*(NON[- ]?DROP|DROP)/i;
const LONGEST_TEXT = 8 * 1024 * 1024;
const LONGEST_LINE = 1000;
const LONGEST_NAME = 200;

/** What is read of a list before its beginning is known. */
interface Reading {
  readonly clips: CutClip[];
  readonly markers: { readonly frame: number; readonly name: string }[];
  /** How the earliest record time is counted. */
  first: { readonly frame: number; readonly mode: TimecodeMode } | null;
  skipped: number;
}

/**
 * The cuts of a CMX 3600 edit list: every video event with its source and record times, names from `FROM CLIP NAME`,
 * named frames from `LOC` notes. Labels are read as `FCM` says from its line on, without one as their last separator
 * says (`;` for drop frame). Record times count from the project's start where it has one and the list lies after it,
 * else from the earliest event's whole hour. Sound is left out. Throws InputError with the line for a time that is
 * none, and for a text that is no edit list.
 */
export function edlToCutList(text: string, clock: Clock): CutList {
  if (text.length > LONGEST_TEXT) throw InputError.of('Edit list', 'at most 8 MB', `${text.length} bytes`);
  const { clips, markers, first, skipped } = readLines(text.split(/\r?\n/), clock);
  if (first === null)
    throw InputError.of(
      'Edit list',
      'lines such as "001  AX  V  C  01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00"',
      text.slice(0, 40),
    );
  const { mode } = first;
  const origin = originOf(first, clock);
  const start = labelOf(origin, { rate: clock.rate, mode });
  return {
    name: nameFrom(/^TITLE:[ \t]*(.*)$/im.exec(text)?.[1] ?? ''),
    clips: clips
      .map((clip) => ({ ...clip, startFrame: clip.startFrame - origin }))
      .toSorted((a, b) => a.startFrame - b.startFrame),
    markers: markers.map((mark) => ({ ...mark, frame: Math.max(0, mark.frame - origin) })),
    clock: { mode, startFrame: origin },
    notes: [
      ...(origin === clock.startFrame ? [] : [`Record times are counted from ${start}.`]),
      ...(skipped > 0 ? [`${skipped} events of sound or other tracks were left out.`] : []),
    ],
  };
}

function readLines(lines: readonly string[], clock: Clock): Reading {
  const reading: Reading = { clips: [], markers: [], first: null, skipped: 0 };
  let said: TimecodeMode | null = null;
  for (const [i, whole] of lines.entries()) {
    const line = whole.slice(0, LONGEST_LINE);
    const mode = COUNT_MODE.exec(line.trim());
    if (mode !== null) said = /^drop/i.test(mode[1]) ? 'drop' : 'non-drop';
    const labelling = (label: string): Labelling => labellingOf(label, said, clock);
    const event = EVENT.exec(line);
    if (event !== null && (line.match(TIMECODE)?.length ?? 0) > 0) {
      if (!/^(V|B|AA\/V|A\d*\/V|VA\d*)$/i.test(event[3])) reading.skipped++;
      else takeEvent(reading, line, i, event[2], labelling);
      continue;
    }
    const named = /^\*\s*FROM CLIP NAME:\s*(.+)$/i.exec(line.trim());
    const last = reading.clips.at(-1);
    if (named !== null && last !== undefined)
      reading.clips[reading.clips.length - 1] = { ...last, name: nameFrom(named[1]) };
    const mark = /^\*\s*LOC:\s*(\S+)\s+(?:[A-Z]+\s+)?(.*)$/i.exec(line.trim());
    if (mark !== null)
      reading.markers.push({ frame: timeIn(mark[1], i, labelling(mark[1])), name: nameFrom(mark[2]) });
  }
  return reading;
}

/** A name as it is kept: well-formed, and of at most 200 characters. */
function nameFrom(text: string): string {
  return Array.from(wellFormedText(text).trim()).slice(0, LONGEST_NAME).join('');
}

/** How a label counts: as the list says, else as it is written; without drop frame at a rate that has none. */
function labellingOf(label: string, said: TimecodeMode | null, { rate }: Clock): Labelling {
  const asked = said ?? (label.includes(';') ? 'drop' : 'non-drop');
  return { rate, mode: modesOf(rate).includes(asked) ? asked : 'non-drop' };
}

function takeEvent(
  reading: Reading,
  line: string,
  index: number,
  reel: string,
  labelling: (label: string) => Labelling,
): void {
  const times = line.match(TIMECODE) ?? [];
  if (times.length < 4)
    throw InputError.of(`Line ${index + 1}`, 'four times: source in and out, record in and out', line.trim());
  const [sourceIn, , recordIn, recordOut] = times.map((time) => timeIn(time, index, labelling(time)));
  if (recordOut <= recordIn)
    throw InputError.of(`Line ${index + 1}`, `a record out after ${times[2]}`, times[3]);
  reading.clips.push({
    name: nameFrom(reel),
    startFrame: recordIn,
    lengthFrames: recordOut - recordIn,
    sourceStartFrame: sourceIn,
  });
  if (reading.first === null || recordIn < reading.first.frame)
    reading.first = { frame: recordIn, mode: labelling(times[2]).mode };
}

function timeIn(text: string, index: number, labelling: Labelling): number {
  return textToLength(text, labelling, `Line ${index + 1}`);
}

function originOf(first: { readonly frame: number; readonly mode: TimecodeMode }, clock: Clock): number {
  if (clock.startFrame > 0 && first.frame >= clock.startFrame) return clock.startFrame;
  const labelling = { rate: clock.rate, mode: first.mode };
  const { hours } = frameLabel(first.frame, labelling);
  return labelFrame({ hours, minutes: 0, seconds: 0, frames: 0 }, labelling);
}

/** A cut list as a CMX 3600 edit list; record times are the project's timecodes. */
export function cutListToEdl(list: CutList, clock: Clock): string {
  const events = list.clips.flatMap((clip, i) => {
    const record = [clip.startFrame, clip.startFrame + clip.lengthFrames].map((frame) =>
      frameToTimecode(frame, clock),
    );
    const source = [clip.sourceStartFrame, clip.sourceStartFrame + clip.lengthFrames].map((frame) =>
      labelOf(frame, clock),
    );
    const number = String(i + 1).padStart(3, '0');
    return [
      `${number}  AX       V     C        ${[...source, ...record].join(' ')}`,
      `* FROM CLIP NAME: ${clip.name}`,
    ];
  });
  const marks = list.markers.map((mark) => `* LOC: ${frameToTimecode(mark.frame, clock)} WHITE ${mark.name}`);
  const mode = clock.mode === 'drop' ? 'DROP FRAME' : 'NON-DROP FRAME';
  return [`TITLE: ${list.name}`, `FCM: ${mode}`, ...events, ...marks, ''].join('\r\n');
}
