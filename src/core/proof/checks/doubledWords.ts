import { defineCheck } from '../check';
import { wordsOf } from '../speller';

export const doubledWordsCheck = defineCheck({
  kind: 'title',
  id: 'doubled',
  label: 'Doubled words',
  about: 'Finds a word that is there twice in a row.',
  run({ words }) {
    return words.flatMap(({ field, text }) => {
      const all = wordsOf(text);
      const second = all.find(
        (word, i) =>
          i > 0 &&
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
