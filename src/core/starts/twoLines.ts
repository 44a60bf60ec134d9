import { addBox } from '../edit/addLayer';
import { addTextLine } from '../edit/addTextLine';
import { newTemplate } from '../model/newTemplate';
import type { Layer, Template } from '../model/template';
import type { Start } from './start';

/** A name and a smaller role below it, both open to editors, on a panel that fits them and stands on the title-safe line. */
export const twoLines: Start = {
  id: 'two-lines',
  label: 'Lower third of two lines',
  begin(asked) {
    const one = newTemplate(asked);
    const [first] = one.layers;
    const { template: both, layerId } = addTextLine(one, first.id);
    const { template, layerId: panel } = addBox(both, [first.id, layerId]);
    return lifted(worded(template, [first.id, layerId]), first.id, layerId, panel);
  },
};

/** Says what the two lines are: a name that is there, and a role that may be missing. */
function worded(template: Template, [name, role]: readonly [string, string]): Template {
  const words = new Map([
    [name, 'Name'],
    [role, 'Role'],
  ]);
  const layers = template.layers.map((layer) => {
    const word = words.get(layer.id);
    return layer.kind === 'text' && word !== undefined
      ? { ...layer, name: word, runs: [{ text: word }] }
      : layer;
  });
  const fields = template.fields.map((field) => {
    const of = field.targets[0]?.layerId;
    return { ...field, label: words.get(of) ?? field.label, required: of === name };
  });
  return { ...template, layers, fields };
}

/** Moves the first line so far in and up that the panel round both stands in the corner of title safe. */
function lifted(template: Template, name: string, role: string, panel: string): Template {
  const found = <K extends Layer['kind']>(id: string, kind: K): Extract<Layer, { kind: K }> => {
    const layer = template.layers.find((one) => one.id === id);
    if (layer?.kind !== kind) throw new Error(`There is no ${kind} "${id}"`);
    return layer as Extract<Layer, { kind: K }>;
  };
  const { padding } = found(panel, 'box');
  const { style, place } = found(role, 'text');
  const below = Math.ceil(style.sizeU * style.leading) + place.dyU + padding.bottomU;
  const layers = template.layers.map((layer) => {
    if (layer.id === panel) return { ...layer, name: 'Panel' };
    if (layer.id !== name) return layer;
    return { ...layer, place: { ...layer.place, dxU: padding.leftU, dyU: -below } };
  });
  return { ...template, layers };
}
