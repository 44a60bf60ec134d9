import { designValue } from '../../resolve/fieldValue';
import { defineCheck } from '../check';

export const placeholderCheck = defineCheck({
  kind: 'title',
  id: 'placeholder',
  label: 'Placeholder text',
  about: 'Finds fields that still say what the template says.',
  run({ words, template, values }) {
    const nothing = words.every(({ typed }) => !typed);
    return words
      .filter(({ field, text, typed }) => {
        // A title of which nothing was typed says what it says on purpose only where it has a single field.
        const automatic = field.automatic !== null && values[field.id] !== undefined;
        return !typed && !automatic && text.trim() !== '' && (field.required || nothing);
      })
      .map(({ field }) => ({
        tone: 'stop' as const,
        subject: field.id,
        message: `still says “${shortened(String(designValue(template, field)))}”`,
        detail: `${field.label} was not typed: it shows the template’s own words.`,
      }));
  },
});

function shortened(text: string): string {
  return text.length > 24 ? `${text.slice(0, 22)}…` : text;
}
