import type { PartMeaning, TextRun, TextStyle } from '../model/template';
import { assertNever } from '../kit/assertNever';
import { sameValue } from '../kit/sameValue';
import { graphemesOf } from './graphemes';

/** The words of runs as one string. */
function runsText(runs: readonly TextRun[]): string {
  return runs.map((run) => run.text).join('');
}

/**
 * Runs after typing in them: what stays at the beginning and end keeps its style, what is new between takes the
 * style of what stood there (at a border, of what stands before it). Whole letters are compared, so none is torn.
 */
export function retypeRuns(runs: readonly TextRun[], text: string): TextRun[] {
  if (runs.length < 2) return [{ ...runs[0], text }];
  const old = graphemesOf(runsText(runs));
  const now = graphemesOf(text);
  let start = 0;
  while (start < old.length && start < now.length && old[start] === now[start]) start++;
  let end = 0;
  const most = Math.min(old.length, now.length) - start;
  while (end < most && old[old.length - 1 - end] === now[now.length - 1 - end]) end++;
  const units = (letters: readonly string[], count: number): number =>
    letters.slice(0, count).join('').length;
  const from = units(old, start);
  const to = units(old, old.length - end);
  const styles = characterStyles(runs);
  const added = styles[from === 0 ? 0 : from - 1];
  const fresh = units(now, now.length - end) - units(now, start);
  const next = [...styles.slice(0, from), ...new Array<Apart>(fresh).fill(added), ...styles.slice(to)];
  return joinRuns(text, next);
}

/**
 * Runs with other words in them: each part that is styled apart is where its meaning is in the new words. What has no
 * place there is not styled.
 */
export function rewordRuns(runs: readonly TextRun[], text: string): TextRun[] {
  if (text === runsText(runs)) return [...runs];
  if (runs.length < 2) return [{ ...runs[0], text }];
  const styles = new Array<Apart>(text.length).fill({});
  runs.forEach((run, i) => {
    if (run.style === undefined) return;
    const apart = { style: run.style, means: meaningOf(runs, i) };
    for (const [start, end] of placesOf(apart.means, text, run.text)) styles.fill(apart, start, end);
  });
  return joinRuns(text, styles);
}

/** What a run stands for: what its designer said, else what it plainly is. */
export function meaningOf(runs: readonly TextRun[], index: number): PartMeaning {
  return runs[index].means ?? naturalMeaning(runs, index);
}

const SIGNS = [
  ['(', ')'],
  ['[', ']'],
  ['«', '»'],
  ['“', '”'],
  ['"', '"'],
  ['*', '*'],
] as const;

/**
 * What a run plainly is: the whole text, a whole line, the first or the last word, what stands between two signs. For
 * anything else, such as letters within a word, its own words: those cannot be carried over to other words.
 */
export function naturalMeaning(runs: readonly TextRun[], index: number): PartMeaning {
  const all = runsText(runs);
  const start = runs.slice(0, index).reduce((sum, run) => sum + run.text.length, 0);
  const [from, to] = trimmed(all, start, start + runs[index].text.length);
  const is = (meaning: PartMeaning): boolean => {
    const [place] = placesOf(meaning, all, runs[index].text);
    return place !== undefined && place[0] === from && place[1] === to;
  };
  const lines = all.split('\n').map((_, i): PartMeaning => ({ kind: 'line', number: i + 1 }));
  const between = SIGNS.map(([open, close]): PartMeaning => ({ kind: 'between', open, close }));
  const on = lines.map((_, i): PartMeaning => ({ kind: 'linesFrom', number: i + 1 }));
  const offered: PartMeaning[] = [
    { kind: 'whole' },
    ...(lines.length > 1 ? [...lines, ...on] : []),
    { kind: 'firstWord' },
    { kind: 'lastWord' },
    ...between,
  ];
  return offered.find(is) ?? { kind: 'words' };
}

/** Where in a text a meaning is: stretches [start, end); none where it has no place. */
function placesOf(meaning: PartMeaning, text: string, own: string): (readonly [number, number])[] {
  switch (meaning.kind) {
    case 'whole':
      return [trimmed(text, 0, text.length)];
    case 'line':
    case 'linesFrom': {
      const lines = text.split('\n');
      const at = meaning.number < 0 ? lines.length + meaning.number : meaning.number - 1;
      if (lines[at] === undefined) return [];
      const start = lines.slice(0, at).reduce((sum, line) => sum + line.length + 1, 0);
      return [trimmed(text, start, meaning.kind === 'line' ? start + lines[at].length : text.length)];
    }
    case 'firstWord':
    case 'lastWord': {
      const words = [...text.matchAll(/\S+/g)];
      const word = words[meaning.kind === 'firstWord' ? 0 : words.length - 1];
      return word === undefined ? [] : [[word.index, word.index + word[0].length]];
    }
    case 'between': {
      const start = text.indexOf(meaning.open);
      const end = start < 0 ? -1 : text.indexOf(meaning.close, start + meaning.open.length);
      return end < 0 ? [] : [[start + meaning.open.length, end]];
    }
    case 'words': {
      const words = own.trim();
      const start = words === '' ? -1 : text.indexOf(words);
      return start < 0 ? [] : [[start, start + words.length]];
    }
    default:
      return assertNever(meaning, 'meaning of a part');
  }
}

/** A stretch without the white space at its ends. */
function trimmed(text: string, start: number, end: number): readonly [number, number] {
  let [from, to] = [start, end];
  while (from < to && /\s/.test(text[from])) from++;
  while (to > from && /\s/.test(text[to - 1])) to--;
  return [from, to];
}

/** Runs with a stretch [start, end) (UTF-16 positions) set apart: what is given is added to its style; null takes all of it away. */
export function styleRange(
  runs: readonly TextRun[],
  start: number,
  end: number,
  change: Partial<TextStyle> | null,
): TextRun[] {
  const styles = characterStyles(runs).map((apart, i): Apart => {
    if (i < start || i >= end) return apart;
    return change === null ? {} : { style: { ...apart.style, ...change } };
  });
  return joinRuns(runsText(runs), styles);
}

/** What sets a run apart from the rest of its text. */
type Apart = Omit<TextRun, 'text'>;

function characterStyles(runs: readonly TextRun[]): Apart[] {
  return runs.flatMap(({ text, ...apart }) => new Array<Apart>(text.length).fill(apart));
}

function joinRuns(text: string, styles: readonly Apart[]): TextRun[] {
  const runs: TextRun[] = [];
  let start = 0;
  for (let i = 1; i <= text.length; i++) {
    if (i < text.length && sameValue(styles[i], styles[start])) continue;
    runs.push({ text: text.slice(start, i), ...styles[start] });
    start = i;
  }
  return runs.length === 0 ? [{ text: '' }] : runs;
}
