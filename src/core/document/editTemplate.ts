import { bindLayer, findProperty } from '../layers';
import type { Property } from '../layers/layerKind';
import { FIRST_MOVE, newTextLayer } from './newTemplate';
import type { BoxLayer, Field, FieldValue, Layer, MoveUse, Place, Template, Timing } from './template';

/** The template with one layer changed; unchanged when there is no such layer. */
export function updateLayer(template: Template, layerId: string, change: (layer: Layer) => Layer): Template {
  return {
    ...template,
    layers: template.layers.map((layer) => (layer.id === layerId ? change(layer) : layer)),
  };
}

/** The template with one property of a layer set. */
export function setProperty(template: Template, layerId: string, path: string, value: FieldValue): Template {
  return updateLayer(template, layerId, (layer) => findProperty(layer, path)?.with(value) ?? layer);
}

/** The template with a layer moved by an offset in design units. */
export function nudgeLayer(template: Template, layerId: string, dxU: number, dyU: number): Template {
  return updateLayer(template, layerId, (layer) => ({
    ...layer,
    place: { ...layer.place, dxU: roundU(layer.place.dxU + dxU), dyU: roundU(layer.place.dyU + dyU) },
  }));
}

// A hundredth of a unit is far below a pixel; without rounding, drags leave figures like 12.300000001.
function roundU(value: number): number {
  return Math.round(value * 100) / 100;
}

/** A free id with a prefix, such as `text-3`. */
function freeId(taken: readonly { readonly id: string }[], prefix: string): { id: string; number: number } {
  const ids = new Set(taken.map((item) => item.id));
  let number = 1;
  while (ids.has(`${prefix}-${number}`)) number++;
  return { id: `${prefix}-${number}`, number };
}

/** The template with a new text on top, and the new layer's id. */
export function addText(template: Template): { template: Template; layerId: string } {
  const { id, number } = freeId(template.layers, 'text');
  const layer = { ...newTextLayer(id, `Text ${number}`), place: { ...CENTRED } };
  return { template: { ...template, layers: [layer, ...template.layers] }, layerId: id };
}

const CENTRED: Place = { point: 'centre', target: { kind: 'frame' }, targetPoint: 'centre', dxU: 0, dyU: 0 };

/**
 * The template with a new box, and its id. With layers to enclose it goes right under the lowest of them and
 * fits round them; otherwise it lies at the bottom with a size of its own.
 */
export function addBox(
  template: Template,
  encloses: readonly string[],
): { template: Template; layerId: string } {
  const { id, number } = freeId(template.layers, 'box');
  const fits = encloses.length > 0;
  const layer: BoxLayer = {
    id,
    name: fits ? `Panel ${number}` : `Box ${number}`,
    kind: 'box',
    visible: true,
    opacity: 1,
    shadow: null,
    place: { ...CENTRED },
    motion: { in: { ...FIRST_MOVE }, out: 'mirror' },
    fill: '#10303c',
    fillOpacity: 0.92,
    radiusU: 0,
    outline: null,
    width: fits ? { kind: 'encloses' } : { kind: 'fixed', u: 480 },
    height: fits ? { kind: 'encloses' } : { kind: 'fixed', u: 160 },
    encloses: [...encloses],
    padding: { leftU: 28, topU: 14, rightU: 28, bottomU: 14 },
  };
  const lowest = Math.max(
    -1,
    ...encloses.map((member) => template.layers.findIndex((one) => one.id === member)),
  );
  const at = lowest < 0 ? template.layers.length : lowest + 1;
  return { template: { ...template, layers: template.layers.toSpliced(at, 0, layer) }, layerId: id };
}

/**
 * The template with a layer enclosed by a box, or no longer. A box goes under what it encloses: where it lay
 * nearer the viewer it is moved right under that layer.
 */
export function encloseLayer(
  template: Template,
  boxId: string,
  memberId: string,
  encloses: boolean,
): Template {
  const changed = updateLayer(template, boxId, (layer) => {
    if (layer.kind !== 'box') return layer;
    const others = layer.encloses.filter((id) => id !== memberId);
    return { ...layer, encloses: encloses ? [...others, memberId] : others };
  });
  const indexOf = (id: string): number => changed.layers.findIndex((layer) => layer.id === id);
  const hides = encloses && indexOf(boxId) < indexOf(memberId);
  return hides ? moveLayer(changed, boxId, indexOf(memberId)) : changed;
}

/**
 * The template without a layer. What was attached to it takes its place, boxes no longer enclose it, and
 * fields lose their targets on it (a field with no target left goes too).
 */
export function removeLayer(template: Template, layerId: string): Template {
  const gone = template.layers.find((layer) => layer.id === layerId);
  if (gone === undefined) return template;
  const layers = template.layers.filter((layer) => layer !== gone).map((layer) => detach(layer, gone));
  const fields = template.fields
    .map((field) => ({ ...field, targets: field.targets.filter((target) => target.layerId !== layerId) }))
    .filter((field) => field.targets.length > 0);
  return { ...template, layers, fields };
}

function detach(layer: Layer, gone: Layer): Layer {
  const { target } = layer.place;
  const attached = target.kind === 'layer' && target.layerId === gone.id;
  const freed = attached ? { ...layer, place: gone.place } : layer;
  if (freed.kind !== 'box') return freed;
  const free = (extent: BoxLayer['width']): BoxLayer['width'] =>
    extent.kind === 'matches' && extent.layerId === gone.id ? { kind: 'fixed', u: 120 } : extent;
  return {
    ...freed,
    encloses: freed.encloses.filter((id) => id !== gone.id),
    width: free(freed.width),
    height: free(freed.height),
  };
}

/** The template with a layer moved to another position in the list (0 is nearest the viewer). */
export function moveLayer(template: Template, layerId: string, to: number): Template {
  const from = template.layers.findIndex((layer) => layer.id === layerId);
  if (from < 0) return template;
  const without = template.layers.toSpliced(from, 1);
  return {
    ...template,
    layers: without.toSpliced(Math.max(0, Math.min(without.length, to)), 0, template.layers[from]),
  };
}

/** The field that opens a property of a layer, if it is open. */
export function fieldOf(template: Template, layerId: string, path: string): Field | undefined {
  return template.fields.find((field) => field.targets.some((t) => t.layerId === layerId && t.path === path));
}

/** The template with a property opened to editors under a name of its own, or closed again. */
export function toggleField(template: Template, layerId: string, path: string): Template {
  const open = fieldOf(template, layerId, path);
  if (open !== undefined) return { ...template, fields: template.fields.filter((field) => field !== open) };
  const layer = template.layers.find((one) => one.id === layerId);
  const property = layer && findProperty(layer, path);
  if (layer === undefined || property === undefined) return template;
  return { ...template, fields: [...template.fields, newField(template, layer, property)] };
}

function newField(template: Template, layer: Layer, property: Property): Field {
  const { control } = property;
  const isText = property.fieldKind === 'text';
  return {
    id: freeId(template.fields, 'field').id,
    label: isText ? layer.name : `${layer.name}, ${property.label.toLowerCase()}`,
    kind: property.fieldKind,
    help: '',
    required: isText,
    targets: [{ layerId: layer.id, path: property.path }],
    limits: {
      ...(isText ? { maxLength: 60 } : {}),
      ...(control.kind === 'number' ? { min: control.min, max: control.max } : {}),
      ...(control.kind === 'choice' ? { choices: control.choices } : {}),
    },
  };
}

/** The template with one field changed. */
export function updateField(template: Template, fieldId: string, change: Partial<Field>): Template {
  const fields = template.fields.map((field) => (field.id === fieldId ? { ...field, ...change } : field));
  return { ...template, fields };
}

/** The template with its fields in another order, given by id; ids left out keep their order behind. */
export function orderFields(template: Template, ids: readonly string[]): Template {
  const rank = (field: Field): number => {
    const at = ids.indexOf(field.id);
    return at < 0 ? ids.length : at;
  };
  return { ...template, fields: template.fields.toSorted((a, b) => rank(a) - rank(b)) };
}

/** The properties of a layer that are open to editors. */
export function openProperties(template: Template, layer: Layer): Property[] {
  return bindLayer(layer).properties.filter(
    (property) => fieldOf(template, layer.id, property.path) !== undefined,
  );
}

/** The template with other column lengths; moves that would no longer fit in their column are cut to it. */
export function setTiming(template: Template, timing: Timing): Template {
  const layers = template.layers.map((layer) => {
    const { in: arrive, out: leave } = layer.motion;
    return {
      ...layer,
      motion: {
        in: arrive && fitMove(arrive, timing.inSeconds),
        out: leave === null || leave === 'mirror' ? leave : fitMove(leave, timing.outSeconds),
      },
    };
  });
  return { ...template, timing, layers };
}

/** A move kept within its column: at its wanted length when that fits, else shorter, and never starting too late. */
export function fitMove(use: MoveUse, columnSeconds: number): MoveUse {
  const lengthSeconds = Math.max(0, Math.min(use.lengthSeconds, columnSeconds));
  const startSeconds = Math.max(0, Math.min(use.startSeconds, columnSeconds - lengthSeconds));
  return { ...use, startSeconds, lengthSeconds };
}

/** The layers that a drag of one layer really moves: for a box that encloses others, those others' roots. */
export function dragRoots(template: Template, layerId: string): string[] {
  const byId = new Map(template.layers.map((layer) => [layer.id, layer]));
  const expand = (id: string, seen: ReadonlySet<string>): string[] => {
    const layer = byId.get(id);
    if (layer === undefined || seen.has(id)) return [];
    const fits = layer.kind === 'box' && layer.width.kind === 'encloses' && layer.height.kind === 'encloses';
    return fits ? layer.encloses.flatMap((member) => expand(member, new Set([...seen, id]))) : [id];
  };
  const moved = new Set(expand(layerId, new Set()));
  return [...moved].filter((id) => {
    const target = byId.get(id)?.place.target;
    return target === undefined || target.kind !== 'layer' || !moved.has(target.layerId);
  });
}
