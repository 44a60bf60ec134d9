import { findProperty } from '../layers';
import { retypeRuns } from '../text/runs';
import type { FieldValue, Layer, Motion, MoveUse, Template, Timing } from '../model/template';

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

/** The template with other words typed into a text layer: parts that are styled apart keep to the letters they are on. */
export function typeWords(template: Template, layerId: string, text: string): Template {
  return updateLayer(template, layerId, (layer) =>
    layer.kind === 'text' ? { ...layer, runs: retypeRuns(layer.runs, text) } : layer,
  );
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

/** The template with other column lengths; moves that would no longer fit in their column are cut to it. */
export function setTiming(template: Template, timing: Timing): Template {
  const layers = template.layers.map((layer) => ({ ...layer, motion: fitMotion(layer.motion, timing) }));
  return { ...template, timing, layers };
}

/** Motion with each move kept within its column. */
export function fitMotion(
  motion: Motion,
  { inSeconds, outSeconds }: Pick<Timing, 'inSeconds' | 'outSeconds'>,
): Motion {
  const leave = motion.out;
  return {
    ...motion,
    in: motion.in.map((use) => fitMove(use, inSeconds)),
    out: leave === 'mirror' ? leave : leave.map((use) => fitMove(use, outSeconds)),
  };
}

/** A move kept within its column: at its wanted length when that fits, else shorter, and never starting too late. */
export function fitMove(use: MoveUse, columnSeconds: number): MoveUse {
  const lengthSeconds = Math.max(0, Math.min(use.lengthSeconds, columnSeconds));
  const startSeconds = Math.max(0, Math.min(use.startSeconds, columnSeconds - lengthSeconds));
  const { unitSeconds } = use;
  const within =
    unitSeconds == null ? {} : { unitSeconds: Math.min(unitSeconds, Math.max(0.01, lengthSeconds)) };
  return { ...use, startSeconds, lengthSeconds, ...within };
}

/**
 * The layers that a drag of one layer really moves: for a box that encloses others and for a group, those others'
 * roots; for a member of a stack, the stack.
 */
export function dragRoots(template: Template, layerId: string): string[] {
  const byId = new Map(template.layers.map((layer) => [layer.id, layer]));
  const stackOf = (id: string): string | undefined =>
    template.layers.find((layer) => layer.kind === 'stack' && layer.members.includes(id))?.id;
  const expand = (id: string, seen: ReadonlySet<string>): string[] => {
    const layer = byId.get(id);
    if (layer === undefined || seen.has(id)) return [];
    const inner = contentsOf(layer);
    if (inner !== null) return inner.flatMap((member) => expand(member, new Set([...seen, id])));
    const stack = stackOf(id);
    return stack === undefined ? [id] : expand(stack, new Set([...seen, id]));
  };
  const moved = new Set(expand(layerId, new Set()));
  return [...moved].filter((id) => {
    const target = byId.get(id)?.place.target;
    return target === undefined || target.kind !== 'layer' || !moved.has(target.layerId);
  });
}

/** The same without those that are locked. */
export function freeRoots(template: Template, layerId: string): string[] {
  const locked = new Set(template.layers.filter((layer) => layer.locked === true).map(({ id }) => id));
  return locked.has(layerId) ? [] : dragRoots(template, layerId).filter((id) => !locked.has(id));
}

/** What a layer goes round, when its place follows from that alone; null for one that has a place of its own. */
function contentsOf(layer: Layer): readonly string[] | null {
  if (layer.kind === 'group') return layer.members;
  const fits = layer.kind === 'box' && layer.width.kind === 'encloses' && layer.height.kind === 'encloses';
  return fits ? layer.encloses : null;
}
