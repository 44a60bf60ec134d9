import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import { liesWhereItsContentLies } from '../layout/resolveLayout';
import type { EditPlace } from './editInFormat';
import { nudgeIn } from './editInFormat';
import { newCopyLayer } from '../model/newLayers';
import type { Layer, Template } from '../model/template';

export type AlignEdge = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

const SHARES: Readonly<Record<AlignEdge, number>> = {
  left: 0,
  centre: 0.5,
  right: 1,
  top: 0,
  middle: 0.5,
  bottom: 1,
};

/** A layer with the box that it has in the format that is looked at. */
export interface Arranged {
  readonly id: string;
  readonly box: Rect;
}

const isAcross = (edge: AlignEdge): boolean => edge === 'left' || edge === 'centre' || edge === 'right';

/** The template with layers moved so that an edge or middle of each lies on that of an area, or of all of them together. */
export function alignLayers(
  template: Template,
  place: EditPlace,
  layers: readonly Arranged[],
  edge: AlignEdge,
  area: Rect | null,
): Template {
  const target = area ?? unionRects(layers.map((one) => one.box));
  if (target === null) return template;
  const [start, side] = isAcross(edge) ? (['x', 'width'] as const) : (['y', 'height'] as const);
  const line = target[start] + target[side] * SHARES[edge];
  return layers.reduce((moved, { id, box }) => {
    const by = line - (box[start] + box[side] * SHARES[edge]);
    return start === 'x' ? nudgeIn(moved, place, id, by, 0) : nudgeIn(moved, place, id, 0, by);
  }, template);
}

/**
 * The template with the gaps between layers made equal, along x or y. Without an area the first and last stay where
 * they are; with one they go to its edges. Fewer than three layers (two in an area) are left as they are.
 */
export function spaceLayers(
  template: Template,
  place: EditPlace,
  layers: readonly Arranged[],
  axis: 'x' | 'y',
  area: Rect | null,
): Template {
  if (layers.length < (area === null ? 3 : 2)) return template;
  const side = axis === 'x' ? 'width' : 'height';
  const ordered = layers.toSorted((a, b) => a.box[axis] - b.box[axis]);
  const around = area ?? unionRects(layers.map((one) => one.box));
  if (around === null) return template;
  const filled = ordered.reduce((sum, { box }) => sum + box[side], 0);
  const gap = (around[side] - filled) / (ordered.length - 1);
  let at = around[axis];
  let moved = template;
  for (const { id, box } of ordered) {
    const by = at - box[axis];
    moved = axis === 'x' ? nudgeIn(moved, place, id, by, 0) : nudgeIn(moved, place, id, 0, by);
    at += box[side] + gap;
  }
  return moved;
}

/**
 * The template with `count` further copies of a layer, each a gap below (or beside) the one before it. What holds
 * other layers is repeated as linked copies, since its members can only be in one place.
 */
export function repeatLayer(
  template: Template,
  layerId: string,
  count: number,
  axis: 'x' | 'y',
  gapU: number,
): Template {
  const index = template.layers.findIndex((layer) => layer.id === layerId);
  if (index < 0) return template;
  const original = template.layers[index];
  const taken = new Set(template.layers.map((layer) => layer.id));
  const copies: Layer[] = [];
  for (let n = 2; copies.length < count; n++) {
    const id = `${layerId.slice(0, 58)}-${n}`;
    if (!taken.has(id)) copies.push(repeated(original, id, n, copies.at(-1)?.id ?? layerId, axis, gapU));
  }
  return { ...template, layers: template.layers.toSpliced(index + 1, 0, ...copies) };
}

function repeated(
  original: Layer,
  id: string,
  n: number,
  onto: string,
  axis: 'x' | 'y',
  gapU: number,
): Layer {
  const name = `${original.name} ${n}`.slice(0, 80);
  const holds = original.kind === 'stack' || liesWhereItsContentLies(original);
  const copy = holds ? newCopyLayer(id, name, original.id) : { ...original, id, name };
  return {
    ...copy,
    place: {
      ...copy.place,
      point: 'topLeft',
      target: { kind: 'layer', layerId: onto },
      targetPoint: axis === 'y' ? 'bottomLeft' : 'topRight',
      dxU: axis === 'x' ? gapU : 0,
      dyU: axis === 'y' ? gapU : 0,
    },
  };
}
