import { defineCheck } from '../check';

// Spaces of every kind, and marks that direct or join others and show nothing themselves.
const NOTHING_SEEN = /^[\s\p{Cf}\u115f\u1160\u3164]*$/u;

export const emptyFieldCheck = defineCheck({
  kind: 'title',
  id: 'empty',
  label: 'Needed words',
  about: 'Finds fields that must be filled and are empty.',
  run({ template, values }) {
    const missing = template.fields.filter(
      (field) =>
        field.required &&
        ['text', 'rows', 'date', 'picture'].includes(field.kind) &&
        NOTHING_SEEN.test(String(values[field.id] ?? 'x')),
    );
    return missing.map((field) => ({
      tone: 'stop' as const,
      subject: field.id,
      message: `${field.label} is empty`,
      detail: `The designer says that ${field.label} must be filled.`,
    }));
  },
});
