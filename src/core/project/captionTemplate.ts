import { italicOf } from '../faces/faces';
import type { PointName } from '../frame/points';
import { POINT_NAMES } from '../frame/points';
import type { CaptionUse, WordSpan } from '../model/project';
import type { Override, Place, Template, TextLayer, TextRun } from '../model/template';

const known = new WeakMap<Template, { readonly use: CaptionUse; readonly template: Template }>();

/**
 * A caption's template as one cue has it: italics and colours on its words, to the side that they are aligned to, and
 * above where the template has them below. Asked again for the same it gives the same object.
 */
export function withCaption(template: Template, use: CaptionUse | undefined): Template {
  if (use === undefined || isPlain(use)) return template;
  const before = known.get(template);
  if (before?.use === use) return before.template;
  const layers = template.layers.map((layer) => {
    const placed = { ...layer, place: placeOf(layer.place, use) };
    return placed.kind === 'text' ? alignedText(marked(placed, template, use), use) : placed;
  });
  const overrides = template.overrides.map((one) => overrideOf(one, template, use));
  const own = { ...template, layers, overrides };
  known.set(template, { use, template: own });
  return own;
}

function isPlain({ spans, align, atTop }: CaptionUse): boolean {
  return align === 'centre' && !atTop && Object.values(spans).every((list) => list.every(isPlainSpan));
}

const isPlainSpan = ({ italic, colour }: WordSpan): boolean => !italic && colour === null;

/** A text whose words come from a field, in runs that look as the cue says. */
function marked(layer: TextLayer, { fields }: Template, { spans }: CaptionUse): TextLayer {
  const field = fields.find(({ targets }) =>
    targets.some(({ layerId, path }) => layerId === layer.id && path === 'text'),
  );
  const list = field === undefined ? [] : (spans[field.id] ?? []);
  if (list.every(isPlainSpan)) return layer;
  const italicFace = italicOf(layer.style.face);
  const runs = list.map(({ text, italic, colour }): TextRun => {
    const style = {
      ...(colour !== null && { fill: colour }),
      // A face without italics stands upright; a check tells.
      ...(italic && italicFace !== null && { face: italicFace }),
    };
    return Object.keys(style).length === 0 ? { text } : { text, style };
  });
  return { ...layer, runs };
}

function alignedText(layer: TextLayer, { align }: CaptionUse): TextLayer {
  return align === 'centre' ? layer : { ...layer, align };
}

/** What stands on the frame or an area of it goes above, and to a side; what is attached to a layer goes along. */
function placeOf(place: Place, use: CaptionUse): Place {
  if (place.target.kind === 'layer') return place;
  const goesUp = use.atTop && verticalOf(place.targetPoint) === 'bottom';
  const turn = (point: PointName): PointName => toSide(goesUp ? upper(point) : point, use);
  return {
    ...place,
    point: turn(place.point),
    targetPoint: turn(place.targetPoint),
    dyU: goesUp ? -place.dyU : place.dyU,
  };
}

/** What a format has otherwise of a place that goes elsewhere. */
function overrideOf(one: Override, template: Template, use: CaptionUse): Override {
  const layer = template.layers.find(({ id }) => id === one.layerId);
  if (layer === undefined || layer.place.target.kind === 'layer') return one;
  const goesUp = use.atTop && verticalOf(layer.place.targetPoint) === 'bottom';
  if (one.path === 'place.dyU' && goesUp && typeof one.value === 'number')
    return { ...one, value: -one.value };
  const point = POINT_NAMES.find((name) => name === one.value);
  return point !== undefined && /^place\.(point|targetPoint)$/.test(one.path)
    ? { ...one, value: toSide(goesUp ? upper(point) : point, use) }
    : one;
}

const verticalOf = (point: PointName): 'top' | 'middle' | 'bottom' =>
  point.startsWith('top') ? 'top' : point.startsWith('bottom') ? 'bottom' : 'middle';

const UPPER: Partial<Record<PointName, PointName>> = {
  bottomLeft: 'topLeft',
  bottom: 'top',
  bottomRight: 'topRight',
};
const upper = (point: PointName): PointName => UPPER[point] ?? point;

const LEFT: Partial<Record<PointName, PointName>> = { top: 'topLeft', centre: 'left', bottom: 'bottomLeft' };
const RIGHT: Partial<Record<PointName, PointName>> = {
  top: 'topRight',
  centre: 'right',
  bottom: 'bottomRight',
};

function toSide(point: PointName, { align }: CaptionUse): PointName {
  if (align === 'centre') return point;
  return (align === 'left' ? LEFT : RIGHT)[point] ?? point;
}
