import { newTextLayer, placeAt } from '../model/newLayers';
import type { PointName } from '../frame/points';
import type { Layer, Template, TextLayer } from '../model/template';
import type { Added } from './addLayer';
import { addText, freeId } from './addLayer';
import { toggleField } from './editFields';
import { placeAbove } from './layerOrder';

// As much smaller as a role is set under a name.
const SIZE_SHARE = 0.6;
const GAP_U = 8;

/** Where a line hangs below another: by the edge that both are set to. */
const HANGS: Readonly<Record<TextLayer['align'], readonly [PointName, PointName]>> = {
  left: ['topLeft', 'bottomLeft'],
  justify: ['topLeft', 'bottomLeft'],
  centre: ['top', 'bottom'],
  right: ['topRight', 'bottomRight'],
};

/** The first line of those that a line hangs below; what is no text holds them and stays where it is. */
function firstLine(template: Template, line: TextLayer): TextLayer {
  const texts = template.layers.filter((layer) => layer.kind === 'text');
  const above = ({ place: { target } }: TextLayer): TextLayer | undefined =>
    target.kind === 'layer' ? texts.find(({ id }) => id === target.layerId) : undefined;
  let first = line;
  // A chain has no more links than there are texts, and no circle.
  for (const _ of texts) first = above(first) ?? first;
  return first;
}

/** A layer that stands on the lower edge of what it is attached to, so much further up; any other as it is. */
function raised(layer: Layer, byU: number): Layer {
  const { point, targetPoint, dyU } = layer.place;
  const stands = point.startsWith('bottom') && targetPoint.startsWith('bottom');
  return stands ? { ...layer, place: { ...layer.place, dyU: dyU - byU } } : layer;
}

/**
 * Adds a text that editors can change. Where there is one already it comes below that one (the chosen text, or the one
 * that nothing hangs below yet), attached to it, smaller and otherwise of its style; panels round that one go round both. Lines that stand on a lower edge
 * go up by as much, so that the new one stands there.
 */
export function addTextLine(template: Template, chosen: string | null): Added {
  const above = lineAbove(template, chosen);
  const { template: added, layerId } = above === null ? addText(template) : hung(template, above);
  return { template: toggleField(added, layerId, 'text'), layerId };
}

/** The text that a new one comes below; null for none. */
function lineAbove({ layers }: Template, chosen: string | null): TextLayer | null {
  const texts = layers.filter((layer) => layer.kind === 'text');
  const taken = new Set(
    texts.flatMap(({ place: { target } }) => (target.kind === 'layer' ? [target.layerId] : [])),
  );
  const named = texts.find(({ id }) => id === chosen);
  return named ?? texts.findLast(({ id }) => !taken.has(id)) ?? null;
}

function hung(template: Template, above: TextLayer): Added {
  const { id, number } = freeId(template.layers, 'text');
  const [point, targetPoint] = HANGS[above.align];
  const { style, align, maxWidthShare, motion } = above;
  // A line under a line that is small already is as large as that one.
  const share = above.place.target.kind === 'layer' ? 1 : SIZE_SHARE;
  const layer: TextLayer = {
    ...newTextLayer(id, `Text ${number}`),
    style: { ...style, sizeU: Math.max(1, Math.round(style.sizeU * share)) },
    align,
    maxWidthShare,
    motion,
    place: placeAt({ point, target: { kind: 'layer', layerId: above.id }, targetPoint, dyU: GAP_U }),
  };
  const at = placeAbove(template, above.id);
  const first = firstLine(template, above);
  const heightU = Math.ceil(layer.style.sizeU * layer.style.leading) + GAP_U;
  const layers = template.layers.map((one) => {
    if (one.id === first.id) return raised(one, heightU);
    return one.kind === 'box' && one.encloses.includes(above.id)
      ? { ...one, encloses: [...one.encloses, id] }
      : one;
  });
  return { template: { ...template, layers: layers.toSpliced(at, 0, layer) }, layerId: id };
}
