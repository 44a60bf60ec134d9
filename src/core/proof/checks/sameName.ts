import { distance } from 'fastest-levenshtein';
import type { SeenTitle } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import { isCapitalised, wordsOf } from '../speller';

interface Spelling {
  readonly text: string;
  readonly lower: string;
  readonly uses: {
    readonly titleId: string;
    readonly fieldId: string;
    readonly value: string;
    readonly index: number;
  }[];
}

// Shorter words are too often different names.
const SHORTEST = 4;

export const sameNameCheck = defineCheck({
  kind: 'project',
  id: 'names',
  label: 'Names spelt two ways',
  about:
    'Finds names that are spelt nearly alike in two titles; the spelling that is there more often is proposed.',
  run(titles) {
    const spellings = gatherNames(titles);
    const found = new Map<string, Found[]>();
    const speller = titles[0]?.context.speller;
    const known = (word: string): boolean => speller?.correct(word.toLowerCase()) ?? false;
    for (const [rarer, other] of nearlyAlike(spellings)) {
      // Two words of the language that differ by a letter are two words.
      if (known(rarer.text) && known(other.text)) continue;
      for (const use of rarer.uses) tell(found, use, rarer, other);
    }
    return found;
  },
});

function tell(
  found: Map<string, Found[]>,
  use: Spelling['uses'][number],
  rarer: Spelling,
  other: Spelling,
): void {
  const value = use.value.slice(0, use.index) + other.text + use.value.slice(use.index + rarer.text.length);
  const one: Found = {
    tone: 'look',
    subject: `${use.fieldId} ${rarer.lower} ${other.lower}`,
    message: `name also spelt ${other.text}`,
    detail: `“${rarer.text}” is spelt “${other.text}” in ${other.uses.length === 1 ? 'another title' : `${other.uses.length} other titles`}.`,
    mends: [
      { label: `Write “${other.text}”`, change: { kind: 'words', fieldId: use.fieldId, value } },
      { label: 'Both are right', change: { kind: 'ownWord', word: rarer.text } },
    ],
  };
  found.set(use.titleId, [...(found.get(use.titleId) ?? []), one]);
}

/** Every capitalised word that somebody typed and that is none of the project's own, by its spelling. */
function gatherNames(titles: readonly SeenTitle[]): Spelling[] {
  const byWord = new Map<string, Spelling>();
  for (const { context } of titles) {
    for (const { field, text, typed } of context.words) {
      if (!typed) continue;
      for (const word of wordsOf(text)) {
        const lower = word.text.toLowerCase();
        const isName = isCapitalised(word.text) || word.text.toLowerCase() === word.text.toUpperCase();
        if (!isName || Array.from(lower).length < SHORTEST) continue;
        const spelling = byWord.get(lower) ?? { text: word.text, lower, uses: [] };
        spelling.uses.push({ titleId: context.title.id, fieldId: field.id, value: text, index: word.index });
        byWord.set(lower, spelling);
      }
    }
  }
  return [...byWord.values()];
}

/** Pairs of spellings that differ in one letter, or in two where they are long; the rarer first. */
function* nearlyAlike(spellings: readonly Spelling[]): Generator<readonly [Spelling, Spelling]> {
  const buckets = new Map<string, Spelling[]>();
  const pairs = new Set<string>();
  for (const spelling of spellings) {
    // Two words that differ in at most two letters share their start or their end.
    const keys = [`^${spelling.lower.slice(0, 2)}`, `${spelling.lower.slice(-2)}$`];
    for (const key of keys) {
      const bucket = buckets.get(key) ?? [];
      for (const other of bucket) {
        const pair = `${other.lower} ${spelling.lower}`;
        if (pairs.has(pair) || !isNear(spelling.lower, other.lower)) continue;
        pairs.add(pair);
        yield spelling.uses.length <= other.uses.length ? [spelling, other] : [other, spelling];
      }
      bucket.push(spelling);
      buckets.set(key, bucket);
    }
  }
}

/** A slip rarely hits the first letter; names that differ there are two names. */
function isNear(a: string, b: string): boolean {
  if (a[0] !== b[0]) return false;
  const longest = Math.max(a.length, b.length);
  const most = longest >= 8 ? 2 : 1;
  return Math.abs(a.length - b.length) <= most && distance(a, b) <= most;
}
