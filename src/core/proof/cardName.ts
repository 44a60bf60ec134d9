import type { Template } from '../model/template';

/**
 * What an editor knows a layer by: the name of the field on the card whose words it shows, else its own name in the
 * design. Findings are about what editors see.
 */
export function cardName(template: Pick<Template, 'fields' | 'layers'>, layerId: string): string {
  const field = template.fields.find(
    ({ kind, targets }) =>
      (kind === 'text' || kind === 'rows' || kind === 'date') &&
      targets.some((target) => target.layerId === layerId),
  );
  return field?.label ?? template.layers.find(({ id }) => id === layerId)?.name ?? 'A layer';
}
