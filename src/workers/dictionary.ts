import nspell from 'nspell';
import type { Speller } from '@/core/proof/speller';

const LETTERS = "abcdefghijklmnopqrstuvwxyz'-";
const MOST_SUGGESTED = 3;

/** The two files of a dictionary. */
interface DictionaryFiles {
  readonly aff: string;
  readonly dic: string;
}

// American and British spelling are both right: productions have guests from everywhere.
const LANGUAGES = ['en-gb', 'en'];

/** Fetches the shipped dictionaries of English. */
export async function fetchSpeller(): Promise<Speller> {
  const read = async (name: string): Promise<string> => {
    const response = await fetch(`/dictionary/${name}`);
    if (!response.ok) throw new Error('The dictionary is missing');
    return response.text();
  };
  const files = LANGUAGES.map(async (language) => ({
    aff: await read(`${language}.aff`),
    dic: await read(`${language}.dic`),
  }));
  return createSpeller(await Promise.all(files));
}

/** A speller that takes for right what any of some dictionaries has. */
export function createSpeller(files: readonly DictionaryFiles[]): Speller {
  const dictionaries = files.map(({ aff, dic }) => nspell(aff, dic));
  const has = (word: string): boolean => dictionaries.some((dictionary) => dictionary.correct(word));
  const known = new Map<string, boolean>();
  const correct = (word: string): boolean => {
    const plain = word.replaceAll('’', "'");
    const before = known.get(plain);
    if (before !== undefined) return before;
    const parts = plain.split(/[-‐]/);
    const right = has(plain) || (parts.length > 1 && parts.every(has));
    known.set(plain, right);
    return right;
  };
  const suggested = new Map<string, readonly string[]>();
  return {
    correct,
    languages: ['en'],
    suggest(word) {
      const before = suggested.get(word);
      if (before !== undefined) return before;
      const found = nearSpellings(word).filter(has);
      const list = [...new Set(found)].slice(0, MOST_SUGGESTED);
      suggested.set(word, list);
      return list;
    },
  };
}

/**
 * Every spelling that one slip of the hand away: letters swapped, left out, doubled or mistaken. The dictionary's own
 * proposals take a hundred times as long, which is too much for a sheet of thousands of words.
 */
function nearSpellings(word: string): string[] {
  const cuts = Array.from({ length: word.length + 1 }, (_, i) => [word.slice(0, i), word.slice(i)] as const);
  const swapped = cuts.map(([a, b]) => (b.length > 1 ? a + b[1] + b[0] + b.slice(2) : ''));
  const without = cuts.map(([a, b]) => (b === '' ? '' : a + b.slice(1)));
  const letters = Array.from(LETTERS);
  const added = cuts.flatMap(([a, b]) => letters.map((letter) => a + letter + b));
  const mistaken = cuts.flatMap(([a, b]) =>
    b === '' ? [] : letters.map((letter) => a + letter + b.slice(1)),
  );
  return [...swapped, ...added, ...without, ...mistaken].filter((one) => one !== '' && one !== word);
}
