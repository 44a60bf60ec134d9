import { InputError } from '../../kit/inputError';
import type { CueAlign } from '../../model/captions';
import type { CaptionFile, CaptionFormat, FileCue } from './captionFile';
import { fewProblems, newFileCue } from './captionFile';
import { readClockTime, writeClockTime } from './clockTimes';
import { CUE_COLOURS, cueSpans } from './cueMarks';
import { readColour, readEntities } from './cueTags';
import { decodeText } from './decodeText';

const ARROW = /^\s*(-?[\d:.,]+)\s*-{1,2}>\s*(-?[\d:.,]+)(.*)$/;

// The format has no way to write a lone `<`: readers take it for a tag, so it is parted from what follows.
const LIKE_A_TAG = /<(?=\s*[/a-z])/gi;
const ZERO_WIDTH = '\u200b';

interface Block {
  readonly line: number;
  readonly startSeconds: number;
  readonly endSeconds: number;
  readonly lines: string[];
}

/**
 * SubRip, which has no standard: numbers may be missing or wrong, fractions come after a comma or a point, empty lines
 * may stand inside a cue. A cue goes from its line of times to the next; a number directly before that is not of it.
 */
function readSrt(bytes: Uint8Array, encoding: string | null): CaptionFile {
  const { text, notes } = decodeText(bytes, encoding);
  const problems: string[] = [];
  const blocks = blocksOf(text.split('\n'), problems);
  if (blocks.length === 0)
    throw InputError.of(
      'SubRip file',
      'lines such as 00:00:01,000 --> 00:00:03,500',
      problems[0] ?? text.slice(0, 40),
    );
  const dropped = new Set<string>();
  const cues = blocks.flatMap((block) => cueOf(block, problems, dropped) ?? []);
  const told =
    dropped.size === 0 ? [] : [`Marks that captions do not have were left out: ${[...dropped].join(', ')}.`];
  return { cues, language: '', notes: [...notes, ...told], problems: fewProblems(problems) };
}

function blocksOf(lines: readonly string[], problems: string[]): Block[] {
  const blocks: Block[] = [];
  let open: Block | null = null;
  lines.forEach((line, i) => {
    if (!line.includes('-->') && !ARROW.test(line)) {
      open?.lines.push(line);
      return;
    }
    if (open !== null) dropNumber(open.lines);
    const [, from = '', to = ''] = ARROW.exec(line) ?? [];
    const [startSeconds, endSeconds] = [srtTime(from), srtTime(to)];
    open = null;
    if (startSeconds === null || endSeconds === null) {
      problems.push(
        `Line ${i + 1}: needs times such as 00:00:01,000 --> 00:00:03,500, found "${line.trim().slice(0, 60)}".`,
      );
      return;
    }
    open = { line: i + 1, startSeconds, endSeconds, lines: [] };
    blocks.push(open);
  });
  return blocks;
}

/** A time with its hours, or with a fraction: what breaks off after the minutes is none. */
function srtTime(text: string): number | null {
  return /:\d+:|[.,]\d/.test(text) ? readClockTime(text) : null;
}

/** Takes the number of the next cue away from the lines before its times. */
function dropNumber(lines: string[]): void {
  while (lines.at(-1)?.trim() === '') lines.pop();
  const before = lines.at(-2);
  if (/^\s*\d+\s*$/.test(lines.at(-1) ?? '') && (before === undefined || before.trim() === '')) lines.pop();
}

function cueOf(block: Block, problems: string[], dropped: Set<string>): FileCue | null {
  const lines = block.lines.map((line) => line.trim()).filter((line) => line !== '');
  const { words, align, isTop } = readTags(lines.join('\n'), dropped);
  const reversed = block.endSeconds < block.startSeconds;
  if (reversed)
    problems.push(`Line ${block.line}: it ends before it starts; taken with its times exchanged.`);
  if (words.trim() === '') {
    problems.push(`Line ${block.line}: a cue without words, left out.`);
    return null;
  }
  return newFileCue({
    startSeconds: Math.min(block.startSeconds, block.endSeconds),
    endSeconds: Math.max(block.startSeconds, block.endSeconds),
    words,
    align,
    place: isTop ? 'top' : 'auto',
  });
}

const ALIGNS: readonly CueAlign[] = ['left', 'centre', 'right'];

/** Tags as files have them: italics and colours are kept, the numeric place as well, others left out and told. */
function readTags(
  text: string,
  dropped: Set<string>,
): { readonly words: string; readonly align: CueAlign; readonly isTop: boolean } {
  // 1 to 9 as on a keypad: 7 to 9 are above.
  const place = Number(/\{\\an([1-9])\}/.exec(text)?.[1] ?? 2);
  const words = text
    .replace(/\{\\[^}]*\}/g, '')
    .replace(/<(\/?)([a-z]+)([^<>]*)>/gi, (_, closes: string, name: string, rest: string) => {
      const tag = name.toLowerCase();
      if (tag === 'i' || tag === 'em') return `<${closes}i>`;
      if (tag !== 'font') {
        dropped.add(`<${tag}>`);
        return '';
      }
      const colour = readColour(/color\s*=\s*["']?([^"'\s>]+)/i.exec(rest)?.[1] ?? '');
      // An unknown colour is the template's; its mark stays, so that the one that closes it finds it.
      return closes === '' ? `<c.${colour ?? 'own'}>` : '</c>';
    });
  return {
    words: readEntities(words).replaceAll(`<${ZERO_WIDTH}`, '<'),
    align: ALIGNS[(place - 1) % 3],
    isTop: place >= 7,
  };
}

function writeSrt(cues: readonly FileCue[]): Uint8Array<ArrayBuffer> {
  const blocks = cues.map((cue, i) => {
    const keypad = (cue.place === 'top' ? 7 : 1) + ALIGNS.indexOf(cue.align);
    const place = keypad === 2 ? '' : `{\\an${keypad}}`;
    const times = `${writeClockTime(cue.startSeconds, ',')} --> ${writeClockTime(cue.endSeconds, ',')}`;
    return `${i + 1}\r\n${times}\r\n${place}${wordsOf(cue).replace(/\n/g, '\r\n')}\r\n`;
  });
  return new TextEncoder().encode(blocks.join('\r\n'));
}

function wordsOf(cue: FileCue): string {
  const said = cueSpans(cue.words)
    .map(({ text, italic, colour }) => {
      const safe = text.replace(LIKE_A_TAG, `<${ZERO_WIDTH}`);
      const inner = italic ? `<i>${safe}</i>` : safe;
      return colour === null ? inner : `<font color="${CUE_COLOURS.get(colour).colour}">${inner}</font>`;
    })
    .join('')
    // An empty line would end the cue for most readers.
    .replace(/\n(?=\n|$)/g, '');
  return cue.speaker === '' ? said : `${cue.speaker}: ${said}`;
}

export const srtFormat: CaptionFormat = {
  id: 'srt',
  label: 'SubRip',
  extension: 'srt',
  mediaType: 'application/x-subrip',
  read: (bytes, { encoding }) => readSrt(bytes, encoding),
  write: writeSrt,
  losses: (cues) => [
    ...(cues.some(({ speaker }) => speaker !== '') ? ['Speakers are written before their words.'] : []),
    ...(cues.some(({ forced }) => forced) ? ['Which cues are forced is not kept.'] : []),
    ...(cues.some(({ place, align }) => place === 'top' || align !== 'centre')
      ? ['Places are written as a mark that not every player knows.']
      : []),
  ],
};
