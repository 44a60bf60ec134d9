import { defineCheck } from '../check';
import { standInIn } from '../standIns';

export const placeholderCheck = defineCheck({
  kind: 'title',
  id: 'placeholder',
  label: 'Placeholder text',
  about: 'Finds words that stand in for others, such as TBC, xx or “name surname”.',
  run({ words, rules }) {
    return words.flatMap(({ field, text }) => {
      const found = standInIn(text, rules.standIns ?? []);
      if (found === null) return [];
      return [
        {
          tone: 'stop' as const,
          subject: field.id,
          message: `${field.label} still says “${found}”`,
          detail: `“${found}” stands in for other words. Type those, or take it off the House’s list.`,
        },
      ];
    });
  },
});
