import type { FieldValues, Template } from './template';

/** The ids of all pictures that a template shows with given values. */
export function picturesOf(template: Template, values: FieldValues): string[] {
  const drawn = template.layers.flatMap((layer) => [
    layer.look.picture,
    layer.kind === 'picture' ? layer.asset : null,
  ]);
  const chosen = template.fields.map((field) => (field.kind === 'picture' ? values[field.id] : null));
  const ids = [...drawn, ...chosen].filter((id): id is string => typeof id === 'string' && id !== '');
  return [...new Set(ids)];
}
