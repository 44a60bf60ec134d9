import { pointWithin } from '../frame/points';
import type { PlacedBox } from '../frame/points';
import type { Point } from '../kit/rect';
import { findProperty } from '../layers';
import { liesWhereItsContentLies } from '../layout/resolveLayout';
import type { BoxLayer, Layer, Template, TextLayer } from '../model/template';
import { resolve } from '../resolve/resolve';
import type { EditPlace } from './editInFormat';
import { nudgeIn, setPropertyIn } from './editInFormat';
import { updateLayer } from './editTemplate';

/** Which side or corner is dragged: −1 left or top, 1 right or bottom, 0 neither. */
export interface Grip {
  readonly across: -1 | 0 | 1;
  readonly down: -1 | 0 | 1;
}

/** A layer's side or corner that is dragged. */
export interface Resize extends Grip {
  readonly layerId: string;
  /** Where the layer lay when it was taken hold of, neither turned nor scaled. */
  readonly box: PlacedBox;
  /** How far the pointer went since then, in design units of the picture. */
  readonly by: Point;
  /** Whether width and height keep their proportion; what has no width and height of its own always keeps it. */
  readonly keepsShape: boolean;
  /** Whether the middle stays where it is, and not the side across. */
  readonly fromMiddle: boolean;
}

const LEAST_U = 4;

/** The grips that a layer can be sized by; none for what covers the frame. */
export function gripsOf(layer: Layer): readonly Grip[] {
  const sides: readonly Grip[] = [
    { across: -1, down: 0 },
    { across: 1, down: 0 },
    { across: 0, down: -1 },
    { across: 0, down: 1 },
  ];
  const corners: readonly Grip[] = ([-1, 1] as const).flatMap((across) =>
    ([-1, 1] as const).map((down) => ({ across, down })),
  );
  switch (layer.kind) {
    case 'backdrop':
      return [];
    case 'box': {
      const free = { across: isFree(layer.width), down: isFree(layer.height) };
      return [...sides, ...corners].filter(
        ({ across, down }) => (across === 0 || free.across) && (down === 0 || free.down),
      );
    }
    case 'text':
      return [...sides.slice(0, 2), ...corners];
    case 'picture':
    case 'particles':
      return [...sides, ...corners];
    default:
      return corners;
  }
}

/** Whether an extent is its own and not another layer's. */
const isFree = ({ kind }: BoxLayer['width']): boolean => kind === 'fixed' || kind === 'encloses';

/**
 * The template with a layer sized by a drag of one of its grips, where the change is made; the side across stays where it
 * is. Boxes and pictures take other widths and heights, panels other padding, a text another column at its sides and
 * another size of type at its corners; all else is scaled.
 */
export function resizeIn(template: Template, place: EditPlace, resize: Resize): Template {
  const layer = resolve(template, place).template.layers.find(({ id }) => id === resize.layerId);
  if (layer === undefined) return template;
  const wanted = wantedSize(layer, resize);
  const { width, height } = resize.box;
  switch (layer.kind) {
    case 'box':
      return sizeBox(template, place, layer, resize, wanted);
    case 'picture':
    case 'particles':
      return anchored(sizePicture(template, place, layer, resize, wanted), place, layer, resize, wanted);
    case 'programme':
      return anchored(
        setPropertyIn(template, place, layer.id, 'widthU', roundU(wanted.width)),
        place,
        layer,
        resize,
        wanted,
      );
    case 'text':
      if (resize.down === 0)
        return anchored(sizeColumn(template, place, layer, wanted), place, layer, resize, wanted);
      return sizeType(template, place, layer, resize, wanted);
    default:
      return scale(template, place, layer, Math.max(wanted.width / width, wanted.height / height), resize);
  }
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** How large a box is to be for its grip to follow the pointer, before it is scaled. */
function wantedSize({ kind, place }: Layer, { box, by, across, down, keepsShape, fromMiddle }: Resize): Size {
  const angle = (-place.rotateDegrees * Math.PI) / 180;
  const along = by.x * Math.cos(angle) - by.y * Math.sin(angle);
  const athwart = by.x * Math.sin(angle) + by.y * Math.cos(angle);
  const share = fromMiddle ? 2 : 1;
  const grown = (side: number, sign: number, moved: number, scaled: number): number =>
    Math.max(LEAST_U, side + (sign * share * moved) / Math.max(0.01, Math.abs(scaled)));
  const width = grown(box.width, across, along, place.scaleX);
  const height = grown(box.height, down, athwart, place.scaleY);
  const isCorner = across !== 0 && down !== 0;
  const proportional = keepsShape || !(kind === 'box' || kind === 'particles');
  if (!isCorner || !proportional) return { width, height };
  // What the pointer went further along leads.
  const [byWidth, byHeight] = [width / box.width, height / box.height];
  const factor = Math.abs(byWidth - 1) > Math.abs(byHeight - 1) ? byWidth : byHeight;
  const least = Math.max(LEAST_U / box.width, LEAST_U / box.height);
  const kept = Math.max(least, factor);
  return { width: box.width * kept, height: box.height * kept };
}

const roundU = (value: number): number => Math.round(value * 10) / 10;

function sizeBox(
  template: Template,
  place: EditPlace,
  layer: BoxLayer,
  resize: Resize,
  wanted: Size,
): Template {
  const { box } = resize;
  let sized = template;
  for (const [side, sign] of [
    ['width', resize.across],
    ['height', resize.down],
  ] as const) {
    if (sign === 0) continue;
    if (layer[side].kind === 'fixed')
      sized = setPropertyIn(sized, place, layer.id, `${side}.u`, roundU(wanted[side]));
    else if (layer[side].kind === 'encloses') sized = pad(sized, place, layer, side, sign, resize, wanted);
  }
  const own = (side: 'width' | 'height'): number => (layer[side].kind === 'fixed' ? wanted[side] : box[side]);
  return liesWhereItsContentLies(layer)
    ? sized
    : anchored(sized, place, layer, resize, { width: own('width'), height: own('height') });
}

/** A panel is as large as what it encloses and its padding, so that is what a drag of its sides changes. */
function pad(
  template: Template,
  place: EditPlace,
  layer: BoxLayer,
  side: 'width' | 'height',
  sign: -1 | 1,
  { box, fromMiddle }: Resize,
  wanted: Size,
): Template {
  const grown = (wanted[side] - box[side]) / (fromMiddle ? 2 : 1);
  const [near, far] = side === 'width' ? (['leftU', 'rightU'] as const) : (['topU', 'bottomU'] as const);
  const ends = fromMiddle ? [near, far] : [sign < 0 ? near : far];
  return ends.reduce(
    (now, end) =>
      setPropertyIn(
        now,
        place,
        layer.id,
        `padding.${end}`,
        roundU(Math.max(Math.min(0, layer.padding[end]), layer.padding[end] + grown)),
      ),
    template,
  );
}

function sizePicture(
  template: Template,
  place: EditPlace,
  layer: Layer,
  { box, across, down }: Resize,
  { width, height }: Size,
): Template {
  const isOwn = findProperty(layer, 'widthU') !== undefined;
  // From now on it has a size of its own.
  const started = isOwn
    ? template
    : updateLayer(template, layer.id, (one) =>
        one.kind === 'picture'
          ? { ...one, sizing: 'fixed', widthU: roundU(box.width), heightU: roundU(box.height) }
          : one,
      );
  const wide = across === 0 ? started : setPropertyIn(started, place, layer.id, 'widthU', roundU(width));
  return down === 0 ? wide : setPropertyIn(wide, place, layer.id, 'heightU', roundU(height));
}

function sizeColumn(template: Template, place: EditPlace, layer: Layer, { width }: Size): Template {
  const started = updateLayer(template, layer.id, (one) =>
    one.kind === 'text' && one.columnU === null ? { ...one, columnU: roundU(width) } : one,
  );
  return setPropertyIn(started, place, layer.id, 'columnU', roundU(width));
}

/** Type has whole sizes, so that it is as large as its figure says. */
function sizeType(
  template: Template,
  place: EditPlace,
  layer: TextLayer,
  resize: Resize,
  wanted: Size,
): Template {
  const { width, height } = resize.box;
  const size = Math.max(1, Math.round((layer.style.sizeU * wanted.width) / width));
  const factor = size / layer.style.sizeU;
  const typed = setPropertyIn(template, place, layer.id, 'style.sizeU', size);
  const sized =
    layer.columnU === null
      ? typed
      : setPropertyIn(typed, place, layer.id, 'columnU', roundU(layer.columnU * factor));
  return anchored(sized, place, layer, resize, { width: width * factor, height: height * factor });
}

/** Scaled about its own point, which stays. */
function scale(template: Template, place: EditPlace, layer: Layer, factor: number, resize: Resize): Template {
  const { scaleX, scaleY } = layer.place;
  const percent = (value: number): number => Math.round(value * 100);
  const across = setPropertyIn(template, place, layer.id, 'place.scaleX', percent(scaleX * factor));
  const scaled = setPropertyIn(across, place, layer.id, 'place.scaleY', percent(scaleY * factor));
  if (liesWhereItsContentLies(layer)) return scaled;
  const { width, height } = resize.box;
  return anchored(scaled, place, layer, resize, { width: width * factor, height: height * factor });
}

/** Moves a layer that grew about its own point so that the side across, or its middle, stays where it was. */
function anchored(
  template: Template,
  place: EditPlace,
  layer: Layer,
  { box, across, down, fromMiddle }: Resize,
  wanted: Size,
): Template {
  const own = pointWithin(box, layer.place.point);
  const [shareX, shareY] = [own.x / box.width, own.y / box.height];
  const still = (sign: number): number => (fromMiddle || sign === 0 ? 0.5 : sign < 0 ? 1 : 0);
  const { rotateDegrees, scaleX, scaleY } = layer.place;
  const along = across === 0 ? 0 : (shareX - still(across)) * (wanted.width - box.width) * Math.abs(scaleX);
  const athwart = down === 0 ? 0 : (shareY - still(down)) * (wanted.height - box.height) * Math.abs(scaleY);
  const angle = (rotateDegrees * Math.PI) / 180;
  return nudgeIn(
    template,
    place,
    layer.id,
    along * Math.cos(angle) - athwart * Math.sin(angle),
    along * Math.sin(angle) + athwart * Math.cos(angle),
  );
}
