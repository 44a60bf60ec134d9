import { InputError } from '../../kit/inputError';
import type { CueAlign, CuePlace } from '../../model/captions';
import { CUE_ALIGNS, CUE_PLACES } from '../../model/captions';
import type { Clock } from '../../time/clock';
import { frameToTimecode, timecodeToFrame } from '../../time/clock';
import { frameToSeconds, secondsToNearestFrames } from '../../time/rates';
import { decodeSheet, readSheet, writeCsv } from '../csv/csv';
import type { CaptionFile, CaptionFormat, FileCue } from './captionFile';
import { fewProblems, newFileCue } from './captionFile';
import { readClockTime } from './clockTimes';

const HEADERS = ['In', 'Out', 'Speaker', 'Words', 'Place', 'Align', 'Forced'] as const;

// What sheets call these columns.
const NAMES: Readonly<Record<(typeof HEADERS)[number], readonly string[]>> = {
  In: ['in', 'start', 'begin', 'from', 'time', 'timecode in', 'tc in', 'start time'],
  Out: ['out', 'end', 'to', 'timecode out', 'tc out', 'end time'],
  Speaker: ['speaker', 'who', 'name', 'voice'],
  Words: ['words', 'text', 'caption', 'subtitle', 'line', 'dialogue'],
  Place: ['place', 'position'],
  Align: ['align', 'alignment'],
  Forced: ['forced'],
};

const FRACTION = /[.,]\d{1,6}$/;

/**
 * A time of a cell: a timecode on the project's clock, or, in a sheet that has fractions of seconds somewhere,
 * `0:00:01.500` from the start.
 */
function timeOf(cell: string, clock: Clock, where: string, fractions: boolean): number {
  const isTimecode = /^\d+([:;]\d+){3}$/.test(cell.trim());
  const seconds = fractions && !isTimecode ? readClockTime(cell) : null;
  return seconds ?? frameToSeconds(timecodeToFrame(cell, clock, where), clock.rate);
}

function readRows(bytes: Uint8Array, clock: Clock, encoding: string | null): CaptionFile {
  const decoded =
    encoding === null ? decodeSheet(bytes) : { text: new TextDecoder(encoding).decode(bytes), notes: [] };
  const { headers, rows, notes } = readSheet(decoded.text);
  const columnOf = (name: (typeof HEADERS)[number]): number =>
    headers.findIndex((header) => NAMES[name].includes(header.trim().toLowerCase()));
  const columns = Object.fromEntries(HEADERS.map((name) => [name, columnOf(name)]));
  for (const name of ['In', 'Out', 'Words'])
    if (columns[name] < 0)
      throw InputError.of('Caption sheet, line 1', `a column called ${name}`, headers.join(', '));
  const fractions = rows.some((row) => FRACTION.test(row[columns.In].trim()));
  const problems: string[] = [];
  const cues = rows.flatMap((row, i) => {
    const cell = (name: string): string => (columns[name] < 0 ? '' : row[columns[name]].trim());
    if (cell('Words') === '') return [];
    try {
      const [a, b] = ['In', 'Out'].map((name) => timeOf(cell(name), clock, name, fractions));
      if (b < a) problems.push(`Row ${i + 2}: it ends before it starts; taken with its times exchanged.`);
      return [cueOf(cell, Math.min(a, b), Math.max(a, b))];
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      problems.push(`Row ${i + 2}: ${error.message}`);
      return [];
    }
  });
  if (cues.length === 0)
    throw InputError.of('Caption sheet', 'rows with an in, an out and words', problems[0] ?? 'none');
  return { cues, language: '', notes: [...decoded.notes, ...notes], problems: fewProblems(problems) };
}

function cueOf(cell: (name: string) => string, startSeconds: number, endSeconds: number): FileCue {
  const said = <T extends string>(name: string, all: readonly T[], usual: T): T =>
    all.find((one) => one === cell(name).toLowerCase()) ?? usual;
  return newFileCue({
    startSeconds,
    endSeconds,
    words: cell('Words').replace(/\r\n?/g, '\n'),
    speaker: cell('Speaker').slice(0, 80),
    place: said<CuePlace>('Place', CUE_PLACES, 'auto'),
    align: said<CueAlign>('Align', CUE_ALIGNS, 'centre'),
    forced: ['yes', 'true', '1', 'x', 'forced'].includes(cell('Forced').toLowerCase()),
  });
}

function writeRows(cues: readonly FileCue[], clock: Clock): Uint8Array<ArrayBuffer> {
  const label = (seconds: number): string =>
    frameToTimecode(secondsToNearestFrames(seconds, clock.rate), clock);
  const rows = cues.map((cue) => [
    label(cue.startSeconds),
    label(cue.endSeconds),
    cue.speaker,
    cue.words,
    cue.place,
    cue.align,
    cue.forced ? 'yes' : '',
  ]);
  return new TextEncoder().encode(writeCsv([...HEADERS], rows));
}

export const csvFormat: CaptionFormat = {
  id: 'csv',
  label: 'Sheet (CSV)',
  extension: 'csv',
  mediaType: 'text/csv',
  read: (bytes, { clock, encoding }) => readRows(bytes, clock, encoding),
  write: (cues, { clock }) => writeRows(cues, clock),
  losses: () => [],
};
