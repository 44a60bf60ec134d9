import { InputError } from '../../kit/inputError';
import { wellFormedText } from '../../kit/wellFormed';
import { LONGEST_NAME } from '../../model/project';
import type { Clock } from '../../time/clock';
import { frameToTimecode, textToLength } from '../../time/clock';
import type { Labelling, TimecodeMode } from '../../time/timecode';
import { frameLabel, labelFrame, labelOf, modesOf } from '../../time/timecode';
import type { CutClip, CutList } from '../cutList';
import { assembleClips, fewNotes } from '../cutList';
import type { EdlEvent, EdlLine } from './edlLines';
import { readEdlLine } from './edlLines';

const LONGEST_TEXT = 8 * 1024 * 1024;
const LONGEST_LINE = 1000;
const VIDEO = /^(V1?|B|NONE|A{0,2}\d*\/V1?|VA\d*|AV)$/i;

interface Reading {
  readonly clips: Writable<CutClip>[];
  readonly markers: { readonly frame: number; readonly name: string }[];
  /** How the earliest record time is counted. */
  first: { readonly frame: number; readonly mode: TimecodeMode } | null;
  name: string;
  /** How labels are counted, as the list said last. */
  said: TimecodeMode | null;
  /** The event that notes after it speak of, and whether its clip was made. */
  event: EdlEvent | null;
  clip: Writable<CutClip> | null;
  /** The reel that a transition comes from, by the event before of the same number. */
  lead: string;
  readonly otherTracks: Map<string, number>;
  readonly notes: string[];
  readonly problems: string[];
}

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/**
 * The cuts of a CMX 3600 edit list: every video event with its source and record times, names, reels and files as its
 * notes say, named frames from `LOC` notes. Labels are read as `FCM` says from its line on, without one as their last
 * separator says (`;` for drop frame). Record times count from the project's start where the list reaches it, else from
 * the earliest event's whole hour; a leader before that is left out. Where events lie over one another the later one
 * counts. Dissolves and wipes are cuts where they begin. A line that cannot be read is left out and told with its number;
 * throws InputError only for a text in which no event can be read.
 */
export function edlToCutList(text: string, clock: Clock): CutList {
  if (text.length > LONGEST_TEXT) throw InputError.of('Edit list', 'at most 8 MB', `${text.length} bytes`);
  const reading = readLines(text.split(/\r\n|\r|\n/), clock);
  const { first, problems } = reading;
  if (first === null || reading.clips.length === 0)
    throw InputError.of(
      problems[0]?.split(': ')[0] ?? 'Edit list',
      'lines such as "001  AX  V  C  01:00:00:00 01:00:04:00 01:00:00:00 01:00:04:00"',
      problems[0]?.split(': ').slice(1).join(': ') ?? text.slice(0, 40),
    );
  const origin = originOf(reading.clips, first, clock);
  const start = labelOf(origin, { rate: clock.rate, mode: first.mode });
  const all = assembleClips(reading.clips);
  const clips = all.flatMap((clip) => afterOrigin(clip, origin));
  const leader = all.length - clips.length;
  return {
    name: reading.name,
    clips,
    markers: reading.markers
      .filter(({ frame }) => frame >= origin)
      .map((mark) => ({ ...mark, frame: mark.frame - origin })),
    clock: { mode: first.mode, startFrame: origin },
    notes: [
      ...(origin === clock.startFrame ? [] : [`Record times are counted from ${start}.`]),
      ...(leader > 0
        ? [`${count(leader, 'event')} before ${start}, a leader, ${was(leader)} left out.`]
        : []),
      ...[...reading.otherTracks].map(([track, n]) => `${count(n, 'event')} of ${track} ${was(n)} left out.`),
      ...fewNotes(reading.notes),
      ...fewNotes(problems.map((problem) => `${problem}. It was left out.`)),
    ],
  };
}

const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;
const was = (n: number): string => (n === 1 ? 'was' : 'were');

function readLines(lines: readonly string[], clock: Clock): Reading {
  const reading: Reading = {
    clips: [],
    markers: [],
    first: null,
    name: '',
    said: null,
    event: null,
    clip: null,
    lead: '',
    otherTracks: new Map(),
    notes: [],
    problems: [],
  };
  for (const [i, whole] of lines.entries()) {
    const line = readEdlLine(whole.slice(0, LONGEST_LINE));
    try {
      takeLine(reading, line, whole, i, clock);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      const [{ where, expected, got }] = error.problems;
      reading.problems.push(`${where}: needs ${expected}, found ${got}`);
    }
  }
  return reading;
}

function takeLine(reading: Reading, line: EdlLine, whole: string, index: number, clock: Clock): void {
  const timeIn = (label: string): number =>
    textToLength(normal(label), labellingOf(label, reading.said, clock), `Line ${index + 1}`);
  switch (line.kind) {
    case 'title':
      reading.name = nameFrom(line.name);
      return;
    case 'mode':
      reading.said = line.mode;
      return;
    case 'event':
      takeEvent(reading, line, timeIn, index, clock);
      return;
    case 'name':
      takeName(reading, line);
      return;
    case 'marker':
      reading.markers.push({ frame: timeIn(line.label), name: nameFrom(line.name) });
      return;
    case 'speed':
      if (reading.event !== null && reading.clip !== null)
        reading.notes.push(saySpeed(reading.event.number, line.framesPerSecond, clock));
      return;
    case 'other':
      return;
    case 'unknown':
      throw InputError.of(
        `Line ${index + 1}`,
        'an event with four times, or a note',
        whole.trim().slice(0, 60),
      );
  }
}

function saySpeed(number: string, framesPerSecond: number, { rate }: Clock): string {
  if (framesPerSecond === 0) return `Event ${number} holds one frame; here its picture goes on.`;
  const percent = Math.round((framesPerSecond / (rate.numerator / rate.denominator)) * 100);
  return `Event ${number} runs at ${percent} %; here its picture runs at its own speed.`;
}

function takeEvent(
  reading: Reading,
  event: EdlEvent,
  timeIn: (label: string) => number,
  index: number,
  clock: Clock,
): void {
  if (event.number !== reading.event?.number) reading.lead = '';
  reading.event = event;
  reading.clip = null;
  if (!VIDEO.test(event.track) || event.transition === 'key') {
    const track = event.transition === 'key' ? 'keys over the picture' : trackName(event.track);
    reading.otherTracks.set(track, (reading.otherTracks.get(track) ?? 0) + 1);
    return;
  }
  const [sourceIn, , recordIn, recordOut] = event.times.map(timeIn);
  if (recordOut < recordIn)
    throw InputError.of(`Line ${index + 1}`, `a record out after ${event.times[2]}`, event.times[3]);
  // What a transition comes from has a line of its own without length; a list may also begin with one.
  if (recordOut === recordIn) {
    reading.lead = event.reel;
    return;
  }
  const { mode } = labellingOf(event.times[2], reading.said, clock);
  if (reading.first === null || recordIn < reading.first.frame) reading.first = { frame: recordIn, mode };
  if (event.transition !== 'cut')
    reading.notes.push(
      `Event ${event.number}: a ${event.transition} of ${event.transitionFrames} frames is a cut where it begins.`,
    );
  // Black is no picture.
  if (/^(BL|BLACK)$/i.test(event.reel)) return;
  reading.clip = {
    name: nameFrom(event.reel),
    startFrame: recordIn,
    lengthFrames: recordOut - recordIn,
    sourceStartFrame: sourceIn,
    reel: nameFrom(event.reel),
    file: '',
  };
  reading.clips.push(reading.clip);
}

const trackName = (track: string): string =>
  /^V\d+$/i.test(track) ? `the video track ${track.toUpperCase()}` : 'sound or other tracks';

/** A note about a name: of what an event shows, or, where it is reached by a transition, of what it comes from. */
function takeName(reading: Reading, { of, what, name }: Extract<EdlLine, { kind: 'name' }>): void {
  const { event, clip, lead } = reading;
  if (event === null || clip === null) return;
  const fromBlack = /^(BL|BLACK)$/i.test(lead);
  if (event.transition !== 'cut' && of === 'from' && !fromBlack) return;
  // What a cut goes on to is the next event's.
  if (event.transition === 'cut' && of === 'to') return;
  if (what === 'clip') clip.name = nameFrom(name);
  else clip.file = nameFrom(name.split(/[\\/]/).at(-1) ?? name);
}

/** A name as it is kept: well-formed, and of at most 200 characters. */
function nameFrom(text: string): string {
  return Array.from(wellFormedText(text).trim()).slice(0, LONGEST_NAME).join('');
}

/** A label with the separators that all labels have. */
const normal = (label: string): string => label.replace(/[.,](?=\d{2,3}$)/, ';').replaceAll('.', ':');

/** How a label counts: as the list says, else as it is written; without drop frame at a rate that has none. */
function labellingOf(label: string, said: TimecodeMode | null, { rate }: Clock): Labelling {
  const asked = said ?? (/[;.,]\d{2,3}$/.test(label) ? 'drop' : 'non-drop');
  return { rate, mode: modesOf(rate).includes(asked) ? asked : 'non-drop' };
}

// Bars, slate and countdown before the programme are shorter than this.
const LONGEST_LEADER_SECONDS = 180;

/**
 * The frame that counts as the start: the project's own where the list reaches it, else the earliest event's whole hour,
 * or the hour after it where what comes before that is a leader.
 */
function originOf(
  clips: readonly CutClip[],
  first: { readonly frame: number; readonly mode: TimecodeMode },
  clock: Clock,
): number {
  const leader = LONGEST_LEADER_SECONDS * clock.rate.nominal;
  const reaches = (start: number): boolean =>
    first.frame >= start - leader && clips.some(({ startFrame }) => startFrame >= start);
  if (clock.startFrame > 0 && reaches(clock.startFrame)) return clock.startFrame;
  const labelling = { rate: clock.rate, mode: first.mode };
  const { hours } = frameLabel(first.frame, labelling);
  const hour = (h: number): number => labelFrame({ hours: h, minutes: 0, seconds: 0, frames: 0 }, labelling);
  return hours < 23 &&
    clips.some(({ startFrame }) => startFrame === hour(hours + 1)) &&
    reaches(hour(hours + 1))
    ? hour(hours + 1)
    : hour(hours);
}

/** A clip counted from the origin, without what of it lies before; none for one that lies before altogether. */
function afterOrigin(clip: CutClip, origin: number): CutClip[] {
  const before = Math.max(0, origin - clip.startFrame);
  if (before >= clip.lengthFrames) return [];
  return [
    {
      ...clip,
      startFrame: clip.startFrame + before - origin,
      lengthFrames: clip.lengthFrames - before,
      sourceStartFrame: clip.sourceStartFrame + before,
    },
  ];
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
      `${number}  ${reelFor(clip)} V     C        ${[...source, ...record].join(' ')}`,
      `* FROM CLIP NAME: ${clip.name}`,
      ...(clip.file === undefined || clip.file === '' ? [] : [`* SOURCE FILE: ${clip.file}`]),
    ];
  });
  const marks = list.markers.map((mark) => `* LOC: ${frameToTimecode(mark.frame, clock)} WHITE ${mark.name}`);
  const mode = clock.mode === 'drop' ? 'DROP FRAME' : 'NON-DROP FRAME';
  return [`TITLE: ${list.name}`, `FCM: ${mode}`, ...events, ...marks, ''].join('\r\n');
}

/** A reel as an event names it: eight characters without spaces; `AX` where nobody said. */
function reelFor({ reel = '' }: CutClip): string {
  const plain = reel.replace(/[^\w-]/g, '').slice(0, 8);
  return (plain === '' ? 'AX' : plain).padEnd(8);
}
