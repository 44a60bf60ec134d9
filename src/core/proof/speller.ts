import { UNDETERMINED } from '../faces/language';

/** Knows which words are spelt right in some languages (BCP 47). */
export interface Speller {
  /** Whether a word is right in a language; of one that it has no dictionary of, every word is. */
  correct(word: string, language: string): boolean;
  /** Spellings that are close to a wrong one, the likeliest first. */
  suggest(word: string, language: string): readonly string[];
  /** The languages that it has a dictionary of, by their first subtag; the first is what `und` counts as. */
  readonly languages: readonly string[];
}

/** Has no dictionary at all. */
export const NO_SPELLER: Speller = { correct: () => true, suggest: () => [], languages: [] };

/** A language's first subtag, which dictionaries are known by: `pt` for `pt-BR`. */
export function primaryLanguage(language: string): string {
  return language.toLowerCase().split('-')[0];
}

/** The dictionary that a language's words are looked up in; null where there is none. One that nobody named counts as the speller's own. */
export function dictionaryOf({ languages }: Pick<Speller, 'languages'>, language: string): string | null {
  const primary = primaryLanguage(language);
  if (primary === UNDETERMINED) return languages[0] ?? null;
  return languages.includes(primary) ? primary : null;
}

const segmenter = new Intl.Segmenter('und', { granularity: 'word' });

/** A word in a text and where it starts. */
export interface Word {
  readonly text: string;
  readonly index: number;
}

/** The words of a text (UAX 29), with hyphens and apostrophes inside them, figures left out. */
export function wordsOf(text: string): Word[] {
  const words: Word[] = [];
  for (const { segment, index, isWordLike } of segmenter.segment(text)) {
    if (isWordLike !== true || !/\p{L}/u.test(segment)) continue;
    const last = words.at(-1);
    const joint = last === undefined ? '' : text.slice(last.index + last.text.length, index);
    if (last !== undefined && /^[-‐’']$/.test(joint))
      words[words.length - 1] = { text: last.text + joint + segment, index: last.index };
    else words.push({ text: segment, index });
  }
  return words;
}

/** Whether a word starts with a capital of a script that has them. */
export function isCapitalised(word: string): boolean {
  const [first] = Array.from(word);
  return first !== undefined && first !== first.toLowerCase();
}
