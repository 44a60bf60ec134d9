import { addBox } from '../edit/addLayer';
import { addTextLine } from '../edit/addTextLine';
import { newTemplate } from '../model/newTemplate';
import type { BoxLayer, Layer, Template, TextLayer } from '../model/template';
import type { Start } from './start';

/** A name and a smaller role below it, both open to editors, on a panel that fits them and stands on the title-safe line. */
export const twoLines: Start = {
  id: 'two-lines',
  label: 'Lower third of two lines',
  begin(asked) {
    const { template, layerId } = addTextLine(newTemplate(asked), null);
    const nameId = template.layers.find(({ id }) => id !== layerId)?.id ?? layerId;
    return worded(addBox(template, [nameId, layerId]).template, nameId);
  },
};

/** Says what the two lines are: a name that is there, and a role that may be missing. */
function worded(template: Template, nameId: string): Template {
  const wordOf = (layerId: string | undefined): string => (layerId === nameId ? 'Name' : 'Role');
  const layers = template.layers.map((layer): Layer => {
    if (layer.kind !== 'text') return { ...layer, name: 'Panel' };
    const named = { ...layer, name: wordOf(layer.id), runs: [{ text: wordOf(layer.id) }] };
    return layer.id === nameId ? { ...named, place: { ...layer.place, ...cornerOffset(template) } } : named;
  });
  const fields = template.fields.map((field) => {
    const of = field.targets[0]?.layerId;
    return { ...field, label: wordOf(of), required: of === nameId };
  });
  return { ...template, layers, fields };
}

/** How far in and up the first line stands, so that the panel round both is in the corner. */
function cornerOffset({ layers }: Template): { readonly dxU: number; readonly dyU: number } {
  const panel = layers.find((layer): layer is BoxLayer => layer.kind === 'box');
  const role = layers.find(
    (layer): layer is TextLayer => layer.kind === 'text' && layer.place.target.kind === 'layer',
  );
  if (panel === undefined || role === undefined) throw new Error('There are no two lines on a panel');
  const { leftU, bottomU } = panel.padding;
  return { dxU: leftU, dyU: -(Math.ceil(role.style.sizeU * role.style.leading) + role.place.dyU + bottomU) };
}
