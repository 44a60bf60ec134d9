import { defineCheck } from '../check';

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
        String(values[field.id] ?? ' x').trim() === '',
    );
    return missing.map((field) => ({
      tone: 'stop' as const,
      subject: field.id,
      message: `${field.label} is empty`,
      detail: `The designer says that ${field.label} must be filled.`,
    }));
  },
});
