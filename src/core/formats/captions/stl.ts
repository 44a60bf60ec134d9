import { InputError } from '../../kit/inputError';
import type { CueAlign } from '../../model/captions';
import type { Clock } from '../../time/clock';
import type { FrameRate } from '../../time/rates';
import { frameToSeconds, RATES, secondsToNearestFrames } from '../../time/rates';
import type { Labelling } from '../../time/timecode';
import { frameLabel, labelFrame, labelOf, modesOf } from '../../time/timecode';
import type { CaptionFile, CaptionFormat, FileCue, WriteOptions } from './captionFile';
import { fewProblems, newFileCue } from './captionFile';
import { cueSpans, plainLines, plainWords, spansToWords } from './cueMarks';
import { languageToStl, stlToLanguage } from './stlLanguages';
import { decodeStl, encodeStl, spansToStl, STL_TABLES } from './stlText';

/*
 * EBU Tech 3264: a header of 1024 bytes (GSI), then blocks of 128 (TTI), each a subtitle or a part of one. Places of
 * bytes are the standard's.
 */
const HEADER_BYTES = 1024;
const BLOCK_BYTES = 128;
const WORDS_AT = 16;
const WORDS_BYTES = BLOCK_BYTES - WORDS_AT;
const LAST_BLOCK = 0xff;
// Extension blocks are numbered 00 to EF; FE is user data.
const MOST_BLOCKS = 0xf0;
const ROWS = 23;
const ALIGNS: readonly CueAlign[] = ['left', 'centre', 'right'];

const ascii = (bytes: Uint8Array): string => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');

/** How the format counts: 25 frames, or 30 with the labels that the project has at 29.97. */
function stlLabelling(is25: boolean, { rate }: Pick<Clock, 'rate'>): Labelling {
  const byRate: FrameRate = is25
    ? RATES.get('25')
    : rate.denominator === 1001
      ? RATES.get('29.97')
      : RATES.get('30');
  return { rate: byRate, mode: modesOf(byRate)[0] };
}

interface Block {
  readonly number: number;
  readonly extension: number;
  readonly isComment: boolean;
  readonly from: Uint8Array;
  readonly to: Uint8Array;
  readonly row: number;
  readonly align: number;
  readonly words: Uint8Array;
}

function readBlock(bytes: Uint8Array): Block {
  const [, low, high, extension] = bytes;
  return {
    number: low + 256 * high,
    extension,
    isComment: bytes[15] === 1,
    from: bytes.subarray(5, 9),
    to: bytes.subarray(9, 13),
    row: bytes[13],
    align: bytes[14],
    words: bytes.subarray(WORDS_AT),
  };
}

function readStl(bytes: Uint8Array, clock: Clock): CaptionFile {
  const code = ascii(bytes.subarray(3, 11));
  if (bytes.length < HEADER_BYTES + BLOCK_BYTES || !/^STL(25|30)\.01$/.test(code))
    throw InputError.of(
      'EBU STL file',
      'a header that says STL25.01 or STL30.01, and blocks after it',
      code || 'nothing',
    );
  const labelling = stlLabelling(code.startsWith('STL25'), clock);
  const table = ascii(bytes.subarray(12, 14));
  const problems: string[] = [];
  if (!STL_TABLES.includes(table))
    problems.push(
      `Header: character table "${table}" is not one of ${STL_TABLES.join(', ')}; read as Latin.`,
    );
  const rest = (bytes.length - HEADER_BYTES) % BLOCK_BYTES;
  if (rest > 0) problems.push(`The file ends inside a block, after ${rest} of ${BLOCK_BYTES} bytes.`);
  const frames = (time: Uint8Array): number => {
    const [hours, minutes, seconds, part] = time;
    return labelFrame({ hours, minutes, seconds, frames: part }, labelling);
  };
  const isTime = ([hours, minutes, seconds, part]: Uint8Array): boolean =>
    hours < 24 && minutes < 60 && seconds < 60 && part < labelling.rate.nominal;
  const blocks = Array.from({ length: Math.floor((bytes.length - HEADER_BYTES) / BLOCK_BYTES) }, (_, i) =>
    readBlock(bytes.subarray(HEADER_BYTES + i * BLOCK_BYTES, HEADER_BYTES + (i + 1) * BLOCK_BYTES)),
  );
  const timed = blocks.filter((block, i) => {
    const good = isTime(block.from) && isTime(block.to);
    if (!good)
      problems.push(
        `Block ${i + 1}: needs times, found ${[...block.from, ...block.to].join(' ')}; left out.`,
      );
    return good && !block.isComment && block.extension !== 0xfe;
  });
  const origin = originOf(
    bytes,
    timed.map(({ from }) => frames(from)),
    labelling,
    clock,
  );
  const cues = joined(timed).flatMap(({ first, words }) =>
    cueOf(first, decodeStl(words, STL_TABLES.includes(table) ? table : '00'), {
      start: frames(first.from) - origin,
      end: frames(first.to) - origin,
      rate: labelling.rate,
      problems,
    }),
  );
  if (cues.length === 0) throw InputError.of('EBU STL file', 'subtitles', problems[0] ?? 'none');
  const counted = origin === 0 ? [] : [`Its times were counted from ${labelOf(origin, labelling)}.`];
  return {
    cues,
    language: stlToLanguage(ascii(bytes.subarray(14, 16))),
    notes: counted,
    problems: fewProblems(problems),
  };
}

/** Where times count from: the start of the programme that the header says, else the project's, if cues come after it. */
function originOf(bytes: Uint8Array, starts: readonly number[], labelling: Labelling, clock: Clock): number {
  const first = starts.reduce((least, one) => Math.min(least, one), Infinity);
  const [, ...parts] = /^(\d\d)(\d\d)(\d\d)(\d\d)$/.exec(ascii(bytes.subarray(256, 264))) ?? [];
  const [hours = 0, minutes = 0, seconds = 0, frames = 0] = parts.map(Number);
  const said = parts.length === 0 ? 0 : labelFrame({ hours, minutes, seconds, frames }, labelling);
  if (said > 0 && said <= first) return said;
  const own = labelFrame(frameLabel(clock.startFrame, clock), labelling);
  return own <= first ? own : 0;
}

/** Subtitles, each with the words of all its blocks. */
function joined(blocks: readonly Block[]): { readonly first: Block; readonly words: Uint8Array }[] {
  const all: { readonly first: Block; parts: Uint8Array[]; open: boolean }[] = [];
  for (const block of blocks) {
    const last = all.at(-1);
    if (last?.open === true && last.first.number === block.number) last.parts.push(block.words);
    else all.push({ first: block, parts: [block.words], open: true });
    const now = all[all.length - 1];
    now.open = block.extension !== LAST_BLOCK;
  }
  return all.map(({ first, parts }) => ({
    first,
    words: Uint8Array.from(parts.flatMap((part) => [...part])),
  }));
}

interface CueTimes {
  readonly start: number;
  readonly end: number;
  readonly rate: FrameRate;
  readonly problems: string[];
}

function cueOf(
  block: Block,
  spans: ReturnType<typeof decodeStl>,
  { start, end, rate, problems }: CueTimes,
): FileCue[] {
  const words = spansToWords(spans)
    .replace(/[ \t]+\n|\n[ \t]+/g, '\n')
    .trim();
  if (plainWords(words).trim() === '') return [];
  if (end < start)
    problems.push(`Subtitle ${block.number}: it ends before it starts; taken with its times exchanged.`);
  const seconds = (frame: number): number => Math.max(0, frameToSeconds(frame, rate));
  return [
    newFileCue({
      startSeconds: seconds(Math.min(start, end)),
      endSeconds: seconds(Math.max(start, end)),
      words,
      place: block.row > 0 && block.row < ROWS / 2 ? 'top' : 'auto',
      align: ALIGNS[block.align - 1] ?? 'centre',
    }),
  ];
}

/** The table that has most of the characters of some cues. */
function tableFor(cues: readonly FileCue[]): string {
  const sample = cues
    .map(({ words }) => plainWords(words))
    .join('')
    .slice(0, 200_000);
  const missing = (table: string): number => encodeStl(sample, table).filter((one) => one === null).length;
  return STL_TABLES.reduce((best, table) => (missing(table) < missing(best) ? table : best), '00');
}

function writeStl(cues: readonly FileCue[], options: WriteOptions): Uint8Array<ArrayBuffer> {
  const { clock } = options;
  const is25 = ![30, 60].includes(clock.rate.nominal);
  const labelling = stlLabelling(is25, clock);
  const origin = labelFrame(frameLabel(clock.startFrame, clock), labelling);
  const table = tableFor(cues);
  const label = (seconds: number): number[] => {
    const {
      hours,
      minutes,
      seconds: s,
      frames,
    } = frameLabel(origin + secondsToNearestFrames(seconds, labelling.rate), labelling);
    return [hours, minutes, s, frames];
  };
  const blocks = cues.flatMap((cue, i) =>
    blocksOf(cue, i, table, [...label(cue.startSeconds), ...label(cue.endSeconds)]),
  );
  const file = new Uint8Array(HEADER_BYTES + blocks.length * BLOCK_BYTES).fill(0x20);
  headerFields(cues, options, { is25, table, blocks: blocks.length, labelling, origin }).forEach(
    ([at, text]) => {
      file.set(
        Array.from(text, (one) => one.charCodeAt(0)),
        at,
      );
    },
  );
  blocks.forEach((block, i) => file.set(block, HEADER_BYTES + i * BLOCK_BYTES));
  return file;
}

interface Written {
  readonly is25: boolean;
  readonly table: string;
  readonly blocks: number;
  readonly labelling: Labelling;
  readonly origin: number;
}

function headerFields(
  cues: readonly FileCue[],
  { language, name, date }: WriteOptions,
  { is25, table, blocks, labelling, origin }: Written,
): (readonly [number, string])[] {
  const figures = (value: number, places: number): string =>
    String(value).padStart(places, '0').slice(-places);
  const label = (frame: number): string => {
    const { hours, minutes, seconds, frames } = frameLabel(frame, labelling);
    return [hours, minutes, seconds, frames].map((part) => figures(part, 2)).join('');
  };
  const longest = cues.reduce(
    (most, { words }) => Math.max(most, ...plainLines(words).map((line) => line.length)),
    0,
  );
  const day = date.replace(/-/g, '').slice(2, 8);
  const title = Array.from(name.normalize('NFD').replace(/[^\x20-\x7e]/g, ''))
    .slice(0, 32)
    .join('');
  const first = cues.reduce((least, { startSeconds }) => Math.min(least, startSeconds), Infinity);
  return [
    [0, `850${is25 ? 'STL25.01' : 'STL30.01'}0${table}${languageToStl(language)}`],
    [16, title],
    [80, title],
    [224, `${day}${day}00${figures(blocks, 5)}${figures(cues.length, 5)}001`],
    [251, `${figures(Math.min(99, longest), 2)}${figures(ROWS, 2)}1`],
    [256, label(origin)],
    [264, label(origin + (first === Infinity ? 0 : secondsToNearestFrames(first, labelling.rate)))],
    [272, '11'],
  ];
}

function blocksOf(cue: FileCue, i: number, table: string, times: readonly number[]): Uint8Array[] {
  const said = cue.speaker === '' ? cue.words : `${cue.speaker}: ${cue.words}`;
  const bytes = spansToStl(cueSpans(said), table).slice(0, MOST_BLOCKS * WORDS_BYTES);
  const lines = Math.max(1, plainLines(said).length);
  const row = cue.place === 'top' ? 1 : ROWS - lines;
  const count = Math.max(1, Math.ceil(bytes.length / WORDS_BYTES));
  return Array.from({ length: count }, (_, part) => {
    const block = new Uint8Array(BLOCK_BYTES).fill(0x8f);
    const extension = part === count - 1 ? LAST_BLOCK : part;
    block.set([
      0,
      i % 256,
      Math.floor(i / 256) % 256,
      extension,
      0,
      ...times,
      row,
      ALIGNS.indexOf(cue.align) + 1,
      0,
    ]);
    block.set(bytes.slice(part * WORDS_BYTES, (part + 1) * WORDS_BYTES), WORDS_AT);
    return block;
  });
}

export const stlFormat: CaptionFormat = {
  id: 'stl',
  label: 'EBU STL',
  extension: 'stl',
  mediaType: 'application/octet-stream',
  read: (bytes, { clock }) => readStl(bytes, clock),
  write: writeStl,
  losses(cues, { clock }) {
    const table = tableFor(cues);
    const missing = new Set<string>();
    for (const { words } of cues) {
      const characters = Array.from(plainWords(words).replace(/\n/g, '').normalize('NFC'));
      encodeStl(characters.join(''), table).forEach((one, i) => one === null && missing.add(characters[i]));
    }
    // Signs that stand on a letter mean nothing by themselves.
    const few = [...missing]
      .filter((one) => !/\p{M}/u.test(one))
      .slice(0, 8)
      .join(' ');
    return [
      ...(missing.size > 0
        ? [
            `It has no ${missing.size === 1 ? `letter ${few}` : `letters for ${missing.size} characters, such as ${few}`}; a question mark stands for each.`,
          ]
        : []),
      ...(cues.some(({ speaker }) => speaker !== '') ? ['Speakers are written before their words.'] : []),
      ...(cues.some(({ forced }) => forced) ? ['Which cues are forced is not kept.'] : []),
      ...([25, 50, 30, 60].includes(clock.rate.nominal)
        ? []
        : ['It counts 25 frames a second: times are the nearest of those.']),
      ...(cues.length > 65_535 ? ['It numbers no more than 65 535 cues.'] : []),
    ];
  },
};
