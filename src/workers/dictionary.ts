import nspell from 'nspell';
import type { Speller } from '@/core/proof/speller';
import { dictionaryOf, primaryLanguage } from '@/core/proof/speller';

const MOST_SUGGESTED = 3;

/** The two files of a dictionary. */
interface DictionaryFiles {
  readonly aff: string;
  readonly dic: string;
}

// What is shipped, by the first subtag of its language. American and British spelling are both right: productions have
// guests from everywhere.
const SHIPPED: Readonly<Record<string, readonly string[]>> = {
  en: ['en-gb', 'en'],
  el: ['el'],
  es: ['es'],
  fr: ['fr'],
  nl: ['nl'],
  ru: ['ru'],
  tr: ['tr'],
};

/** The dictionaries that are here, fetched as their languages are met. */
export class Dictionaries implements Speller {
  private readonly spellers = new Map<string, OneLanguage>();
  private readonly fetched = new Map<string, Promise<void>>();

  constructor(private readonly read: (name: string) => Promise<string>) {}

  /** English first: it is what words count as whose language nobody named. */
  get languages(): readonly string[] {
    return [...this.spellers.keys()];
  }

  /** Fetches what is shipped for some languages (BCP 47). One that cannot be fetched is as one that is not shipped. */
  async load(languages: Iterable<string>): Promise<void> {
    await this.fetch('en');
    // Or another language would count as that of words whose language nobody named.
    if (!this.spellers.has('en')) return;
    await Promise.all([...languages].map((language) => this.fetch(primaryLanguage(language))));
  }

  correct(word: string, language: string): boolean {
    return this.of(language)?.correct(word) ?? true;
  }

  suggest(word: string, language: string): readonly string[] {
    return this.of(language)?.suggest(word) ?? [];
  }

  private of(language: string): OneLanguage | undefined {
    return this.spellers.get(dictionaryOf(this, language) ?? '');
  }

  private fetch(language: string): Promise<void> {
    const shipped = SHIPPED[language] ?? [];
    if (shipped.length === 0) return Promise.resolve();
    const known = this.fetched.get(language);
    if (known !== undefined) return known;
    const loading = this.fetchFiles(language, shipped).catch(() => {
      // The next message tries again.
      this.fetched.delete(language);
    });
    this.fetched.set(language, loading);
    return loading;
  }

  private async fetchFiles(language: string, names: readonly string[]): Promise<void> {
    const files = names.map(async (name) => ({
      aff: await this.read(`${name}.aff`),
      dic: await this.read(`${name}.dic`),
    }));
    this.spellers.set(language, createLanguage(await Promise.all(files)));
  }
}

/** Reads a file of the shipped dictionaries. */
export async function fetchDictionary(name: string): Promise<string> {
  const response = await fetch(`/dictionary/${name}`);
  if (!response.ok) throw new Error('The dictionary is missing');
  return response.text();
}

interface OneLanguage {
  correct(word: string): boolean;
  suggest(word: string): readonly string[];
}

/** Takes for right what any of some dictionaries has. */
function createLanguage(files: readonly DictionaryFiles[]): OneLanguage {
  const dictionaries = files.map(({ aff, dic }) => nspell(aff, dic));
  const letters = lettersOf(files);
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
    suggest(word) {
      const before = suggested.get(word);
      if (before !== undefined) return before;
      const found = nearSpellings(word, letters).filter(has);
      const list = [...new Set(found)].slice(0, MOST_SUGGESTED);
      suggested.set(word, list);
      return list;
    },
  };
}

/** The letters of a language, as its dictionaries say (TRY), the small ones. */
function lettersOf(files: readonly DictionaryFiles[]): readonly string[] {
  const said = files.map(({ aff }) => /^TRY[ \t]+(.+)$/m.exec(aff)?.[1] ?? '').join('');
  return [...new Set(said.toLowerCase())].filter((letter) => /[\p{L}'-]/u.test(letter));
}

/**
 * Every spelling that one slip of the hand away: letters swapped, left out, doubled or mistaken. The dictionary's own
 * proposals take a hundred times as long, which is too much for a sheet of thousands of words.
 */
function nearSpellings(word: string, letters: readonly string[]): string[] {
  const cuts = Array.from({ length: word.length + 1 }, (_, i) => [word.slice(0, i), word.slice(i)] as const);
  const swapped = cuts.map(([a, b]) => (b.length > 1 ? a + b[1] + b[0] + b.slice(2) : ''));
  const without = cuts.map(([a, b]) => (b === '' ? '' : a + b.slice(1)));
  const added = cuts.flatMap(([a, b]) => letters.map((letter) => a + letter + b));
  const mistaken = cuts.flatMap(([a, b]) =>
    b === '' ? [] : letters.map((letter) => a + letter + b.slice(1)),
  );
  return [...swapped, ...added, ...without, ...mistaken].filter((one) => one !== '' && one !== word);
}
