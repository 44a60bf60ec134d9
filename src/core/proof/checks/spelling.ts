import type { FieldWords } from '../check';
import { defineCheck } from '../check';
import type { Found } from '../finding';
import type { Speller, Word } from '../speller';
import { isCapitalised, speaks, wordsOf } from '../speller';

export const spellingCheck = defineCheck({
  kind: 'title',
  id: 'spelling',
  label: 'Spelling',
  about:
    'Looks words up in the dictionary of their language and in the project’s own words. Names are not looked up.',
  run({ words, speller, language }): readonly Found[] {
    const typed = words.filter((one) => one.typed && !isForNames(one));
    const latin = speaks(speller, language);
    const unread = typed.some((one) => (!latin && doubtful(one).length > 0) || hasOtherScript(one));
    const found = unread ? [notLookedAt(speller, latin ? 'its script' : `“${language}”`)] : [];
    if (!latin) return found;
    for (const one of typed)
      for (const word of doubtful(one))
        if (!speller.correct(word.text)) found.push(misspelt(one, word, speller));
    return found;
  },
});

function misspelt({ field, text }: FieldWords, word: Word, speller: Speller): Found {
  const choices = speller.suggest(word.text).slice(0, 3);
  const [best] = choices;
  const replaced = (by: string): string =>
    text.slice(0, word.index) + by + text.slice(word.index + word.text.length);
  return {
    tone: 'look',
    subject: `${field.id} ${word.text}`,
    message: best === undefined ? `“${word.text}”?` : `“${word.text}”, perhaps “${best}”`,
    detail: `${field.label}: “${word.text}” is in no dictionary here.`,
    mends: [
      ...choices.map((choice) => ({
        label: `Write “${choice}”`,
        change: { kind: 'words' as const, fieldId: field.id, value: replaced(choice) },
      })),
      { label: 'It is right', change: { kind: 'ownWord' as const, word: word.text } },
    ],
  };
}

function notLookedAt({ languages }: Pick<Speller, 'languages'>, language: string): Found {
  const why =
    languages.length === 0
      ? 'The dictionary could not be loaded. Reload the page'
      : `There is no dictionary of ${language} here. Have the words read, and set this aside`;
  return { tone: 'unseen', message: 'spelling not looked at', detail: `${why}.` };
}

const NAME_LIKE = /name|who|place|where|person|speaker|production|title/i;
const LATIN = /^[\p{Script=Latin}\p{M}’'‐-]+$/u;

const isForNames = ({ field }: FieldWords): boolean =>
  NAME_LIKE.test(field.label) || NAME_LIKE.test(field.id);

/** Whether it has words in a script that the dictionaries here are not in. */
const hasOtherScript = ({ text }: FieldWords): boolean =>
  wordsOf(text).some((word) => !LATIN.test(word.text));

/**
 * The words of a field that a dictionary should know: Latin ones that are no names. Within a line a word with a capital
 * counts as a name; where every word has a capital, so do all.
 */
function doubtful({ text }: FieldWords): Word[] {
  const all = wordsOf(text).filter((word) => LATIN.test(word.text) && word.text.length > 1);
  if (all.length > 1 && all.every((word) => isCapitalised(word.text))) return [];
  return all.filter((word) => {
    if (word.text === word.text.toUpperCase()) return false;
    const startsLine = /(^|\n)\s*$/.test(text.slice(0, word.index));
    return !isCapitalised(word.text) || startsLine;
  });
}
