import type { FieldWords } from '../check';
import { defineCheck } from '../check';
import type { Word } from '../speller';
import { primaryLanguage, wordsOf } from '../speller';

// English says these twice on purpose.
const SAID_TWICE = new Set(['had', 'that']);

// Where a word said twice is grammar ("slowly slowly"), only words that join others are never doubled.
const DOUBLING_SCRIPT = /^[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Devanagari}\p{M}\p{Cf}]+$/u;
const DOUBLING_LANGUAGES = new Set(['tr', 'id', 'ms', 'hi', 'mr', 'ur', 'fa', 'ar', 'he']);
const JOINING = new Set(
  [
    'من في على إلى الى عن و أو هو هي ما لا',
    'של את על עם אל או כי לא',
    'का के की को से में ने पर है हैं और भी या',
    've ile bir bu için da de',
    'dan yang di ke dari',
  ].flatMap((words) => words.split(' ')),
);

/** Whether a word that stands twice in a row is a slip, not grammar. */
function isSlip({ language }: FieldWords, word: Word): boolean {
  const lower = word.text.toLowerCase();
  if (JOINING.has(lower)) return true;
  if (DOUBLING_SCRIPT.test(word.text) || DOUBLING_LANGUAGES.has(primaryLanguage(language))) return false;
  return !SAID_TWICE.has(lower);
}

export const doubledWordsCheck = defineCheck({
  kind: 'title',
  id: 'doubled',
  label: 'Doubled words',
  about: 'Finds a word that is there twice in a row.',
  run({ words }) {
    return words.flatMap((one) => {
      const { field, text } = one;
      const all = wordsOf(text);
      const second = all.find(
        (word, i) =>
          i > 0 &&
          isSlip(one, word) &&
          word.text.toLowerCase() === all[i - 1].text.toLowerCase() &&
          /^\s+$/.test(text.slice(all[i - 1].index + all[i - 1].text.length, word.index)),
      );
      if (second === undefined) return [];
      const before = text.slice(0, second.index).trimEnd();
      const value = before + text.slice(second.index + second.text.length);
      return [
        {
          tone: 'look' as const,
          subject: `${field.id} ${second.text.toLowerCase()}`,
          message: `“${second.text}” twice`,
          detail: `${field.label} says “${second.text}” twice in a row.`,
          mends: [{ label: 'Take one out', change: { kind: 'words' as const, fieldId: field.id, value } }],
        },
      ];
    });
  },
});
