import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import { nudgeLayer } from './editTemplate';
import type { Template } from './template';

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
    return start === 'x' ? nudgeLayer(moved, id, by, 0) : nudgeLayer(moved, id, 0, by);
  }, template);
}

/**
 * The template with the gaps between layers made equal, along x or y. Without an area the first and last stay where
 * they are; with one they go to its edges. Fewer than three layers (two in an area) are left as they are.
 */
export function spaceLayers(
  template: Template,
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
    moved = axis === 'x' ? nudgeLayer(moved, id, by, 0) : nudgeLayer(moved, id, 0, by);
    at += box[side] + gap;
  }
  return moved;
}

/** The template with `count` further copies of a layer, each a gap below (or beside) the one before it. */
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
  const copies = [];
  let onto = layerId;
  for (let i = 0, n = 2; i < count; n++) {
    const id = `${layerId}-${n}`.slice(-64);
    if (taken.has(id)) continue;
    copies.push({
      ...original,
      id,
      name: `${original.name} ${n}`.slice(0, 80),
      place: {
        ...original.place,
        point: 'topLeft' as const,
        target: { kind: 'layer' as const, layerId: onto },
        targetPoint: axis === 'y' ? ('bottomLeft' as const) : ('topRight' as const),
        dxU: axis === 'x' ? gapU : 0,
        dyU: axis === 'y' ? gapU : 0,
      },
    });
    onto = id;
    i++;
  }
  return { ...template, layers: template.layers.toSpliced(index + 1, 0, ...copies) };
}
