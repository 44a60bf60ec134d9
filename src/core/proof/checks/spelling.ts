import type { FieldWords } from '../check';
import { defineCheck } from '../check';
import type { Word } from '../speller';
import { isCapitalised, wordsOf } from '../speller';

export const spellingCheck = defineCheck({
  kind: 'title',
  id: 'spelling',
  label: 'Spelling',
  about: 'Looks words up in a dictionary of English and in the project’s own words. Names are not looked up.',
  run({ words, speller }) {
    return words
      .filter(({ typed }) => typed)
      .flatMap(({ field, text }) =>
        doubtful({ field, text, typed: true })
          .filter((word) => !speller.correct(word.text))
          .map((word) => {
            const [best, ...others] = speller.suggest(word.text).slice(0, 3);
            const choices = [best, ...others].filter((one) => one !== undefined);
            const replaced = (by: string): string =>
              text.slice(0, word.index) + by + text.slice(word.index + word.text.length);
            return {
              tone: 'look' as const,
              subject: `${field.id} ${word.text}`,
              message: best === undefined ? `“${word.text}”?` : `“${word.text}”, perhaps “${best}”`,
              detail: `${field.label}: “${word.text}” is in no dictionary here.`,
              mends: [
                ...choices.map((choice) => ({
                  label: `Write “${choice}”`,
                  change: { kind: 'words' as const, fieldId: field.id, value: replaced(choice) },
                })),
                {
                  label: 'It is right',
                  change: { kind: 'ownWord' as const, word: word.text },
                },
              ],
            };
          }),
      );
  },
});

const NAME_LIKE = /name|who|place|where|person|speaker|production|title/i;
const LATIN = /^[\p{Script=Latin}\p{M}’'‐-]+$/u;

/**
 * The words of a field that a dictionary should know: Latin ones that are no names. Within a line a word with a capital
 * counts as a name; in a field for names, or where every word has a capital, so do all.
 */
function doubtful({ field, text }: FieldWords): Word[] {
  const all = wordsOf(text).filter((word) => LATIN.test(word.text) && word.text.length > 1);
  const names = all.length > 1 && all.every((word) => isCapitalised(word.text));
  if (names || NAME_LIKE.test(field.label) || NAME_LIKE.test(field.id)) return [];
  return all.filter((word) => {
    if (word.text === word.text.toUpperCase()) return false;
    const startsLine = /(^|\n)\s*$/.test(text.slice(0, word.index));
    return !isCapitalised(word.text) || startsLine;
  });
}
