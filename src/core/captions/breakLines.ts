import type { CueSpan } from '../formats/captions/cueMarks';
import { cueSpans, mapSpans, plainWords, sliceSpans, spansToWords } from '../formats/captions/cueMarks';
import type { CaptionRules } from '../model/captions';
import { countGraphemes } from '../text/graphemes';
import { lineBreaks } from '../text/lineBreaks';
import { senseWords } from './senseWords';

type LineRules = Pick<CaptionRules, 'mostLines' | 'charactersPerLine'>;

// What a line end costs, against the characters that lines differ in.
const BEHIND_LITTLE_WORD = 30;
const AFTER_SENTENCE = -14;
const AFTER_CLAUSE = -9;
const BEFORE_LITTLE_WORD = -4;
const TOO_LONG = 1000;
// The upper line is no longer than twice the lower (subtitling practice).
const TOP_HEAVY = 20;

/**
 * The words of a cue in as many lines as they need, up to the most: about equally long, broken by the sense of the
 * language (BCP 47) where its rules are known, no line longer than its characters where that can be. Marks stay on the
 * words they were on. Words that fit one line are put into one.
 */
export function breakLines(words: string, rules: LineRules, language: string): string {
  const text = plainWords(words);
  const flat = tidy(cueSpans(words));
  const said = flat.map((span) => span.text).join('');
  const needed = Math.max(1, Math.ceil(countGraphemes(said) / rules.charactersPerLine));
  if (text.trim() === '') return words;
  const breaks = lineEnds(said, language);
  const most = Math.max(1, Math.min(rules.mostLines, breaks.length + 1));
  let best: { readonly ends: readonly number[]; readonly cost: number } | null = null;
  for (let lines = Math.min(needed, most); lines <= most; lines++) {
    const found = bestEnds(said, breaks, lines, rules);
    if (best === null || found.cost < best.cost) best = found;
    if (found.cost < TOO_LONG) break;
  }
  return putEnds(flat, best?.ends ?? []);
}

/** Stretches with one space wherever white space was. */
function tidy(spans: readonly CueSpan[]): CueSpan[] {
  let spaced = true;
  const single = spans.map((span) => ({
    ...span,
    text: Array.from(span.text, (one) => {
      if (!/\s/.test(one)) {
        spaced = false;
        return one;
      }
      if (spaced) return '';
      spaced = true;
      return ' ';
    }).join(''),
  }));
  const kept = single.filter(({ text }) => text !== '');
  const last = kept.at(-1);
  if (last?.text.endsWith(' ') === true) kept[kept.length - 1] = { ...last, text: last.text.trimEnd() };
  return kept.filter(({ text }) => text !== '');
}

interface LineEnd {
  /** Where the next line begins. */
  readonly at: number;
  readonly cost: number;
}

/** Where a line may end (UAX 14), and what each costs by the sense. */
function lineEnds(text: string, language: string): LineEnd[] {
  const { leading, trailing } = senseWords(language);
  const ends: LineEnd[] = [];
  for (const at of lineBreaks(text)) {
    if (at <= 0 || at >= text.length) continue;
    const before = wordAt(text.slice(0, at).match(/(\S+)\s*$/)?.[1] ?? '');
    const after = wordAt(text.slice(at).match(/^\s*(\S+)/)?.[1] ?? '');
    ends.push({ at, cost: costOf(text.slice(0, at).trimEnd(), before, after, { leading, trailing }) });
  }
  return ends;
}

const wordAt = (word: string): string =>
  word.toLowerCase().replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{M}\p{N}’']+$/gu, '');

function costOf(
  head: string,
  before: string,
  after: string,
  { leading, trailing }: ReturnType<typeof senseWords>,
): number {
  if (/[.!?…।。؟！？]["'”’»)]*$/u.test(head)) return AFTER_SENTENCE;
  if (/[,;:–—،、，؛]["'”’»)]*$/u.test(head)) return AFTER_CLAUSE;
  const bad = (leading.has(before) ? BEHIND_LITTLE_WORD : 0) + (trailing.has(after) ? BEHIND_LITTLE_WORD : 0);
  return bad > 0 ? bad : leading.has(after) || trailing.has(before) ? BEFORE_LITTLE_WORD : 0;
}

function bestEnds(
  text: string,
  breaks: readonly LineEnd[],
  lines: number,
  { charactersPerLine }: LineRules,
): { readonly ends: readonly number[]; readonly cost: number } {
  const ideal = countGraphemes(text) / lines;
  const lineCost = (from: number, to: number): number => {
    const length = countGraphemes(text.slice(from, to).trim());
    return Math.abs(length - ideal) + (length > charactersPerLine ? TOO_LONG + 10 * length : 0);
  };
  // By the number of lines so far and the break that the last of them ends at.
  let rows = new Map<number, { readonly ends: readonly number[]; readonly cost: number }>([
    [0, { ends: [], cost: 0 }],
  ]);
  for (let line = 1; line < lines; line++) {
    const next: typeof rows = new Map();
    for (const [from, so] of rows) {
      for (const { at, cost } of breaks) {
        if (at <= from) continue;
        const total = so.cost + lineCost(from, at) + cost;
        if (total < (next.get(at)?.cost ?? Infinity)) next.set(at, { ends: [...so.ends, at], cost: total });
      }
    }
    rows = next;
  }
  let best: { readonly ends: readonly number[]; readonly cost: number } = { ends: [], cost: Infinity };
  for (const [from, so] of rows) {
    const [first, second] = [so.ends[0] ?? text.length, text.length - from];
    const heavy = lines === 2 && first > 2 * second ? TOP_HEAVY : 0;
    const cost = so.cost + lineCost(from, text.length) + heavy;
    if (cost < best.cost) best = { ends: so.ends, cost };
  }
  return best;
}

/** Line ends put before places; the space before each gives way to it. */
function putEnds(spans: readonly CueSpan[], ends: readonly number[]): string {
  const said = spans.map(({ text }) => text).join('');
  const inPlace = new Set(ends.filter((at) => said[at - 1] === ' ').map((at) => at - 1));
  const between = ends.filter((at) => said[at - 1] !== ' ');
  const broken = mapSpans(spans, (at, own) => (inPlace.has(at) ? '\n' : own));
  if (between.length === 0) return spansToWords(broken);
  // Scripts without spaces: the line end comes between two letters.
  const parts = [0, ...between].map((from, i) => sliceSpans(broken, from, between[i] ?? Infinity));
  return parts.map(spansToWords).join('\n');
}
