import { InputError } from '../../kit/inputError';
import type { CueAlign, CuePlace } from '../../model/captions';
import type { CaptionFile, CaptionFormat, FileCue } from './captionFile';
import { fewProblems, newFileCue } from './captionFile';
import { readClockTime, writeClockTime } from './clockTimes';
import { cueSpans, CUE_COLOURS } from './cueMarks';
import { readEntities, writeEntities } from './cueTags';
import { decodeText } from './decodeText';

interface Told {
  readonly dropped: Set<string>;
  readonly problems: string[];
}

/** WebVTT (W3C): blocks between empty lines; notes are passed over, styles and regions told. */
function readVtt(bytes: Uint8Array, encoding: string | null): CaptionFile {
  const { text, notes } = decodeText(bytes, encoding);
  const lines = text.split('\n');
  const told: Told = { dropped: new Set(), problems: [] };
  if (!/^WEBVTT(?:[ \t]|$)/.test(lines[0] ?? ''))
    told.problems.push(`Line 1: needs WEBVTT, found "${(lines[0] ?? '').slice(0, 40)}".`);
  const cues: FileCue[] = [];
  let block: { readonly line: number; readonly lines: string[] } | null = null;
  [...lines, ''].forEach((line, i) => {
    if (line.trim() !== '') {
      block ??= { line: i + 1, lines: [] };
      block.lines.push(line);
      return;
    }
    if (block !== null && !(block.line === 1 && !block.lines.some((one) => one.includes('-->'))))
      cues.push(...readBlock(block.lines, block.line, told));
    block = null;
  });
  if (cues.length === 0)
    throw InputError.of('WebVTT file', 'cues such as 00:01.000 --> 00:03.500', told.problems[0] ?? lines[0]);
  const left =
    told.dropped.size === 0
      ? []
      : [`What captions do not have was left out: ${[...told.dropped].join(', ')}.`];
  const language = /^(?:Language|Lang):\s*([\w-]+)/im.exec(lines.slice(1, 10).join('\n'))?.[1] ?? '';
  return { cues, language, notes: [...notes, ...left], problems: fewProblems(told.problems) };
}

function readBlock(lines: readonly string[], first: number, told: Told): FileCue[] {
  const at = lines.findIndex((line) => line.includes('-->'));
  if (at < 0) {
    const [kind] = /^(NOTE|STYLE|REGION)\b/.exec(lines[0]) ?? [];
    if (kind === 'STYLE') told.dropped.add('styles');
    else if (kind === 'REGION') told.dropped.add('regions');
    else if (kind === undefined)
      told.problems.push(`Line ${first}: needs a cue, found "${lines[0].slice(0, 40)}".`);
    return [];
  }
  const where = `Line ${first + at}`;
  const [, from = '', to = '', settings = ''] = /^\s*(\S+)\s*-->\s*(\S+)(.*)$/.exec(lines[at]) ?? [];
  const [startSeconds, endSeconds] = [readClockTime(from), readClockTime(to)];
  if (startSeconds === null || endSeconds === null) {
    told.problems.push(
      `${where}: needs times such as 00:01.000 --> 00:03.500, found "${lines[at].trim().slice(0, 60)}".`,
    );
    return [];
  }
  if (endSeconds < startSeconds)
    told.problems.push(`${where}: it ends before it starts; taken with its times exchanged.`);
  const { words, speaker } = readCueText(lines.slice(at + 1).join('\n'), told.dropped);
  if (words.trim() === '') {
    told.problems.push(`${where}: a cue without words, left out.`);
    return [];
  }
  const times = {
    startSeconds: Math.min(startSeconds, endSeconds),
    endSeconds: Math.max(startSeconds, endSeconds),
  };
  return [newFileCue({ ...times, words, speaker, ...placeOf(settings) })];
}

function placeOf(settings: string): { readonly place: CuePlace; readonly align: CueAlign } {
  const line = /\bline:(-?\d+(?:\.\d+)?)(%?)/.exec(settings);
  const align = /\balign:(start|left|end|right|center|middle)/.exec(settings)?.[1] ?? 'center';
  // Lines count from above, negative ones from below.
  const isTop =
    line !== null &&
    Number(line[1]) >= 0 &&
    !line[1].startsWith('-') &&
    Number(line[1]) < (line[2] === '%' ? 50 : 7);
  const sides: Readonly<Record<string, CueAlign>> = {
    start: 'left',
    left: 'left',
    end: 'right',
    right: 'right',
  };
  return { place: isTop ? 'top' : line === null ? 'auto' : 'bottom', align: sides[align] ?? 'centre' };
}

/** Cue text: italics, colour classes and the voice are kept, other tags left out and told. */
function readCueText(
  text: string,
  dropped: Set<string>,
): { readonly words: string; readonly speaker: string } {
  let speaker = '';
  const words = text.replace(/<(\/?)([^>\s.]*)([^>]*)>/g, (_, closes: string, tag: string, rest: string) => {
    if (tag === 'i') return `<${closes}i>`;
    if (tag === 'c') {
      const colour = rest.split('.').find((one) => CUE_COLOURS.find(one) !== undefined);
      return closes === '' ? `<c.${colour ?? 'own'}>` : '</c>';
    }
    if (tag === 'v' && closes === '') {
      const name = readEntities(rest.replace(/^(\.\S+)?\s+/, '')).trim();
      if (speaker !== '' && name !== speaker) dropped.add('several voices in one cue');
      speaker = speaker === '' ? name.slice(0, 80) : speaker;
    } else if (tag !== 'v' && tag !== '') dropped.add(/^\d/.test(tag) ? 'times inside cues' : `<${tag}>`);
    return '';
  });
  return { words: readEntities(words), speaker };
}

function writeVtt(cues: readonly FileCue[], language: string): Uint8Array<ArrayBuffer> {
  const blocks = cues.map((cue, i) => {
    const times = `${writeClockTime(cue.startSeconds, '.')} --> ${writeClockTime(cue.endSeconds, '.')}`;
    return `${i + 1}\n${times}${settingsOf(cue)}\n${wordsOf(cue)}\n`;
  });
  return new TextEncoder().encode(
    `WEBVTT\n${language === '' ? '' : `Language: ${language}\n`}\n${blocks.join('\n')}`,
  );
}

function settingsOf({ place, align }: FileCue): string {
  const side = {
    centre: '',
    left: ' align:start position:10%,line-left',
    right: ' align:end position:90%,line-right',
  };
  return `${place === 'top' ? ' line:8%' : ''}${side[align]}`;
}

function wordsOf({ words, speaker }: FileCue): string {
  const said = cueSpans(words)
    .map(({ text, italic, colour }) => {
      const inner = italic ? `<i>${writeEntities(text)}</i>` : writeEntities(text);
      return colour === null ? inner : `<c.${colour}>${inner}</c>`;
    })
    .join('')
    // An empty line would end the cue.
    .replace(/\n(?=\n|$)/g, '');
  return speaker === '' ? said : `<v ${writeEntities(speaker)}>${said}`;
}

export const vttFormat: CaptionFormat = {
  id: 'vtt',
  label: 'WebVTT',
  extension: 'vtt',
  mediaType: 'text/vtt',
  read: (bytes, { encoding }) => readVtt(bytes, encoding),
  write: (cues, { language }) => writeVtt(cues, language),
  losses: (cues) => (cues.some(({ forced }) => forced) ? ['Which cues are forced is not kept.'] : []),
};
