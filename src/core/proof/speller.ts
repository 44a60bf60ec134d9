import { UNDETERMINED } from '../faces/language';

/** Knows which words are spelt right. */
export interface Speller {
  correct(word: string): boolean;
  /** Spellings that are close to a wrong one, the likeliest first. */
  suggest(word: string): readonly string[];
  /** The languages that it has a dictionary of, by their first subtag (BCP 47); the first is what `und` counts as. */
  readonly languages: readonly string[];
}

/** Has no dictionary at all. */
export const NO_SPELLER: Speller = { correct: () => true, suggest: () => [], languages: [] };

/** Whether words of a language can be looked up. A language that nobody named counts as the speller's own. */
export function speaks({ languages }: Pick<Speller, 'languages'>, language: string): boolean {
  const [primary] = language.toLowerCase().split('-');
  return primary === UNDETERMINED ? languages.length > 0 : languages.includes(primary);
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
