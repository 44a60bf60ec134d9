import { distance } from 'fastest-levenshtein';
import type { SeenTitle } from '../check';
import { defineCheck } from '../check';
import type { Found, MendChange } from '../finding';
import { soundOf } from '../nameSound';
import { dictionaryOf, isCapitalised, wordsOf } from '../speller';

/** One place where a name stands. */
interface Use {
  readonly titleId: string;
  readonly fieldId: string;
  readonly value: string;
  readonly index: number;
  /** How the other words of its field sound, and what else the title says: whose name it is. */
  readonly beside: readonly string[];
  readonly elsewhere: readonly string[];
}

/** A word as it is spelt, and where. */
interface Spelling {
  readonly text: string;
  readonly lower: string;
  readonly sound: string;
  /** Whether its language's dictionary has it. */
  readonly isWord: boolean;
  readonly uses: Use[];
}

// Shorter words are too often different names.
const SHORTEST = 3;
// So often, a spelling is no slip.
const OFTEN = 2;

export const sameNameCheck = defineCheck({
  kind: 'project',
  id: 'names',
  label: 'Names spelt two ways',
  about:
    'Finds one person’s name spelt in two ways, in any delivery; the spelling that is there more often is proposed.',
  run(titles) {
    const found = new Map<string, Found[]>();
    for (const [rarer, other] of pairs(gatherNames(titles))) {
      // Two words of the language that differ by a letter are two words.
      if (rarer.isWord && other.isWord) continue;
      if (isOnePerson(rarer, other)) for (const use of rarer.uses) tell(found, use, rarer, other);
    }
    return found;
  },
});

function tell(found: Map<string, Found[]>, use: Use, rarer: Spelling, other: Spelling): void {
  const value = use.value.slice(0, use.index) + other.text + use.value.slice(use.index + rarer.text.length);
  const one: Found = {
    tone: 'look',
    subject: `${use.fieldId} ${rarer.lower} ${other.lower}`,
    message: `name also spelt ${other.text}`,
    detail: `“${rarer.text}” is spelt “${other.text}” in ${other.uses.length === 1 ? 'another title' : `${other.uses.length} other titles`}.`,
    mends: [
      { label: `Write “${other.text}”`, change: written(use, value) },
      { label: 'Both are right', change: { kind: 'ownWord', word: rarer.text } },
    ],
  };
  found.set(use.titleId, [...(found.get(use.titleId) ?? []), one]);
}

// Rows of credits stand for fields under this and their own id.
const CREDIT = 'credit ';

/** The names that credits say. */
function creditTexts({
  title,
  words,
}: SeenTitle['context']): { fieldId: string; value: string; language: string }[] {
  const language = words[0]?.language ?? 'und';
  return (title.credits?.rows ?? []).flatMap((row) =>
    row.kind === 'role' || row.kind === 'name'
      ? [{ fieldId: CREDIT + row.id, value: row.name, language }]
      : [],
  );
}

function written({ fieldId }: Use, value: string): MendChange {
  if (!fieldId.startsWith(CREDIT)) return { kind: 'words', fieldId, value };
  return { kind: 'credit', rowId: fieldId.slice(CREDIT.length), cell: 'name', value };
}

/** Every word that may be a name and that somebody typed, in all deliveries, by its spelling. */
function gatherNames(titles: readonly SeenTitle[]): Spelling[] {
  const byWord = new Map<string, Spelling>();
  for (const { context } of titles) {
    const { title, words, speller } = context;
    const typed = words.filter((one) => one.typed);
    const texts = typed.flatMap(({ field, text, language }) => {
      const own = Object.values(title.perDelivery).map(({ values }) => values[field.id]);
      const all = [text, ...own.flatMap((value) => (typeof value === 'string' ? [value] : []))];
      return [...new Set(all)].map((value) => ({ fieldId: field.id, value, language }));
    });
    for (const { fieldId, value, language } of [...texts, ...creditTexts(context)]) {
      const inField = wordsOf(value);
      const elsewhere = typed.filter(({ field }) => field.id !== fieldId).map(({ text }) => soundsOf(text));
      for (const word of inField) {
        const lower = word.text.toLocaleLowerCase('und');
        // Without capitals a word of a sentence is not known to be a name; one of a title's field may be.
        const caseless = lower === word.text.toLocaleUpperCase('und');
        const isName = isCapitalised(word.text) || (caseless && title.caption === undefined);
        if (!isName || Array.from(lower).length < SHORTEST) continue;
        const isWord = dictionaryOf(speller, language) !== null && speller.correct(lower, language);
        const known = { text: word.text, lower, sound: soundOf(lower), isWord, uses: [] };
        const spelling: Spelling = byWord.get(lower) ?? known;
        const beside = inField.filter((one) => one !== word).map(({ text }) => soundOf(text));
        spelling.uses.push({ titleId: title.id, fieldId, value, index: word.index, beside, elsewhere });
        byWord.set(lower, spelling);
      }
    }
  }
  return [...byWord.values()];
}

const soundsOf = (text: string): string =>
  wordsOf(text)
    .map((word) => soundOf(word.text))
    .join(' ');

/** Pairs of spellings that may be one name, the rarer first: those that sound alike, and long ones that look alike. */
function* pairs(spellings: readonly Spelling[]): Generator<readonly [Spelling, Spelling]> {
  const buckets = new Map<string, Spelling[]>();
  const seen = new Set<string>();
  for (const spelling of spellings) {
    // Words that differ in at most two letters share their start or their end.
    const { lower, sound } = spelling;
    for (const key of [`~${sound}`, `^${lower.slice(0, 3)}`, `${lower.slice(-3)}$`]) {
      const bucket = buckets.get(key) ?? [];
      for (const other of bucket) {
        const pair = `${other.lower} ${lower}`;
        if (seen.has(pair) || !isNear(spelling, other)) continue;
        seen.add(pair);
        yield spelling.uses.length <= other.uses.length ? [spelling, other] : [other, spelling];
      }
      bucket.push(spelling);
      buckets.set(key, bucket);
    }
  }
}

/** Whether two words sound alike, or differ in so few letters that one may be a slip of the other. */
function isNear(a: Spelling, b: Spelling): boolean {
  const longest = Math.max(a.lower.length, b.lower.length);
  if (a.sound === b.sound) return distance(a.lower, b.lower) <= Math.max(1, Math.floor(longest / 3));
  // A slip rarely hits the first letter, and short names that sound different are two.
  if (longest < 6 || a.lower[0] !== b.lower[0]) return false;
  return distance(a.lower, b.lower) <= (longest >= 8 ? 2 : 1);
}

/**
 * Whether two spellings stand for one person: they stand beside the same other name, or, where a name stands alone,
 * with the same words about it. Two spellings that are both there often are two people unless they share those words.
 */
function isOnePerson(rarer: Spelling, other: Spelling): boolean {
  const often = rarer.uses.length >= OFTEN && other.uses.length >= OFTEN;
  return rarer.uses.some((a) =>
    other.uses.some((b) => {
      const sameWords = a.elsewhere.some((sound) => sound !== '' && b.elsewhere.includes(sound));
      if (a.beside.length === 0 || b.beside.length === 0) return sameWords && rarer.sound === other.sound;
      const sameName = a.beside.some((sound) => b.beside.includes(sound));
      return sameName && (!often || sameWords);
    }),
  );
}
