import type { EdgeLine, Reflection, Shadow } from '../model/look';
import type { Layer } from '../model/template';
import type { DisplayItem } from '../display/list';
import { listBounds } from '../display/bounds';
import { invertMap, mapOf, multiplyMaps } from '../display/homography';
import { rectOutline } from '../display/shapes';
import { assertNever } from '../kit/assertNever';
import type { Matrix } from '../kit/matrix';
import { IDENTITY, mapRect, multiply, scaleOf } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';
import { outwardRect } from '../kit/rect';
import type { PictureSize } from '../layers/layerKind';
import { solid } from '../display/unitShape';
import { coverCrop } from '../layers/picture';

/** What a layer shows: what lies behind its words or shapes, and those themselves. */
export interface Painted {
  readonly ground: readonly DisplayItem[];
  readonly face: readonly DisplayItem[];
}

/** What a painted layer's look needs to know. */
export interface Dressing {
  readonly layer: Layer;
  readonly box: Rect;
  readonly matrix: Matrix;
  /** Null for none, or one that is not here. */
  readonly fill: PictureFill | null;
}

/** A picture that fills the shapes of a layer, by what display lists call it. */
export interface PictureFill {
  readonly asset: string;
  readonly size: PictureSize;
}

/**
 * A layer's items with its look put on, furthest back first: what is reflected, what lies behind the words, shadows
 * and glow of the words, and the words filled with a picture and shaded within. A blur takes all of it together.
 */
export function dressItems({ ground, face }: Painted, dressing: Dressing): DisplayItem[] {
  if (ground.length === 0 && face.length === 0) return [];
  const { layer, matrix } = dressing;
  const { look } = layer;
  const filled = pictureFill(face, dressing);
  const shaded = look.shadows
    .filter((shadow) => shadow.kind === 'inner')
    .reduceRight<readonly DisplayItem[]>(
      (done, shadow) => [...done, innerShadow(shadow, face, matrix)],
      filled,
    );
  const drops = look.shadows
    .filter((shadow) => shadow.kind === 'drop')
    .toReversed()
    .map((shadow) => dropShadow(shadow, shaded, matrix));
  const glow =
    look.glow === null || look.glow.opacity <= 0 ? [] : [glowItem(look.glow, shaded, scaleOf(matrix))];
  const whole = blurredItems([...ground, ...drops, ...glow, ...shaded], dressing);
  const reflected =
    look.reflection === null
      ? []
      : reflectionItems(look.reflection, blurredItems([...ground, ...shaded], dressing), dressing);
  return withOpacity([...reflected, ...whole], layer.opacity);
}

/** How far outlines reach beyond the shapes that they are on, in design units. */
export function widestEdge(outlines: readonly EdgeLine[]): number {
  const beyond = ({ side, widthU }: EdgeLine): number =>
    side === 'outside' ? widthU : side === 'centre' ? widthU / 2 : 0;
  return Math.max(0, ...outlines.map(beyond));
}

// Softness is the width over which an edge fades, about four standard deviations of the blur.
const SOFTNESS_PER_DEVIATION = 4;

function withOpacity(items: readonly DisplayItem[], opacity: number): DisplayItem[] {
  if (opacity >= 1) return [...items];
  const [only] = items;
  if (items.length === 1 && 'opacity' in only) {
    return [{ ...only, opacity: only.opacity * opacity }];
  }
  return [{ kind: 'group', opacity, items }];
}

function offsetPx(shadow: Shadow, matrix: Matrix): Point {
  const angle = (shadow.angleDegrees * Math.PI) / 180;
  // Light comes from the same side however a layer is turned, so only the scale counts.
  const scale = scaleOf(matrix);
  return {
    x: Math.round(Math.cos(angle) * shadow.distanceU * scale),
    y: Math.round(Math.sin(angle) * shadow.distanceU * scale),
  };
}

function dropShadow(shadow: Shadow, items: readonly DisplayItem[], matrix: Matrix): DisplayItem {
  const spread = shadow.spreadU > 0 ? spreadItems(items, shadow.spreadU, shadow.colour) : [];
  return {
    kind: 'shadow',
    offsetPx: offsetPx(shadow, matrix),
    blurPx: (shadow.softnessU * scaleOf(matrix)) / SOFTNESS_PER_DEVIATION,
    colour: shadow.colour,
    opacity: shadow.opacity,
    items: [...spread, ...items],
  };
}

/** Every filled shape among the items again, as a line that makes it `spreadU` wider all round. */
function spreadItems(items: readonly DisplayItem[], spreadU: number, colour: string): DisplayItem[] {
  return items.flatMap((item): DisplayItem[] => {
    switch (item.kind) {
      case 'fill': {
        const { outline, matrix, opacity } = item;
        return [{ kind: 'stroke', outline, matrix, opacity, paint: solid(colour), width: spreadU * 2 }];
      }
      case 'clip':
      case 'group':
      case 'moved':
      case 'blur':
      case 'warp':
        return [{ ...item, items: spreadItems(item.items, spreadU, colour) }];
      case 'average':
        return [{ ...item, exposures: item.exposures.map((items) => spreadItems(items, spreadU, colour)) }];
      case 'mask':
        // Not kept to the mask: that would cut off just what is to stand out.
        return spreadItems(item.mode === 'in' ? item.mask : item.items, spreadU, colour);
      case 'image':
      case 'stroke':
      case 'shadow':
      case 'atop':
        return [];
      default:
        return assertNever(item, 'display item');
    }
  });
}

function glowItem(
  glow: { readonly sizeU: number; readonly colour: string; readonly opacity: number },
  items: readonly DisplayItem[],
  scale: number,
): DisplayItem {
  return {
    kind: 'shadow',
    offsetPx: { x: 0, y: 0 },
    blurPx: (glow.sizeU * scale) / 3,
    colour: glow.colour,
    opacity: glow.opacity,
    items: [...items, ...items],
  };
}

/** The shadow that a shape's edge throws into it: everything outside the shape, softened and moved, kept to the shape. */
export function innerShadow(shadow: Shadow, items: readonly DisplayItem[], matrix: Matrix): DisplayItem {
  const cast: DisplayItem = {
    kind: 'shadow',
    offsetPx: offsetPx(shadow, matrix),
    blurPx: (shadow.softnessU * scaleOf(matrix)) / SOFTNESS_PER_DEVIATION,
    colour: '#000000',
    opacity: 1,
    items,
  };
  const veil: DisplayItem = {
    kind: 'fill',
    outline: rectOutline(listBounds(items) ?? NOWHERE),
    paint: solid(shadow.colour),
    matrix: IDENTITY,
    opacity: shadow.opacity,
  };
  const outside: DisplayItem = { kind: 'mask', mode: 'out', items: [veil], mask: [cast] };
  return { kind: 'mask', mode: 'in', items: [outside], mask: items };
}

const NOWHERE: Rect = { x: 0, y: 0, width: 0, height: 0 };

function blurredItems(items: readonly DisplayItem[], { layer, matrix }: Dressing): readonly DisplayItem[] {
  const { blurAcrossU, blurDownU } = layer.look;
  if ((blurAcrossU <= 0 && blurDownU <= 0) || items.length === 0) return items;
  const scale = scaleOf(matrix) / SOFTNESS_PER_DEVIATION;
  return [{ kind: 'blur', acrossPx: blurAcrossU * scale, downPx: blurDownU * scale, items }];
}

/** The picture that fills the layer's shapes, cut to cover its box; the plain items while it is not here. */
function pictureFill(items: readonly DisplayItem[], dressing: Dressing): readonly DisplayItem[] {
  const { box, matrix, fill } = dressing;
  if (fill === null || items.length === 0) return items;
  const { asset } = fill;
  const sourcePx = coverCrop(fill.size, box);
  const image: DisplayItem = { kind: 'image', asset, sourcePx, rect: box, matrix, opacity: 1 };
  return [{ kind: 'mask', mode: 'in', items: [image], mask: items }];
}

/** The items upside down below the layer's box, fading with the distance from it. */
function reflectionItems(
  reflection: Reflection,
  items: readonly DisplayItem[],
  { box, matrix }: Dressing,
): DisplayItem[] {
  const axis = mapRect(matrix, box);
  const foot = axis.y + axis.height;
  const gap = reflection.distanceU * scaleOf(matrix);
  const flip: Matrix = [1, 0, 0, -1, 0, 2 * foot + gap];
  const mirrored = items.map((item) => mapItem(item, flip));
  const bounds = listBounds(mirrored);
  if (bounds === null) return [];
  const fadeTo = foot + gap + axis.height * reflection.fade;
  const fade: DisplayItem = {
    kind: 'fill',
    outline: rectOutline(bounds),
    paint: {
      kind: 'linear',
      from: { x: 0, y: foot + gap },
      to: { x: 0, y: fadeTo },
      stops: [
        { at: 0, colour: '#000000', opacity: reflection.opacity },
        { at: 1, colour: '#000000', opacity: 0 },
      ],
    },
    matrix: IDENTITY,
    opacity: 1,
  };
  return [{ kind: 'mask', mode: 'in', items: mirrored, mask: [fade] }];
}

/** An item after a map of the pixels; a clip becomes its bounds. */
export function mapItem(item: DisplayItem, map: Matrix): DisplayItem {
  const inner = (list: readonly DisplayItem[]): DisplayItem[] => list.map((one) => mapItem(one, map));
  switch (item.kind) {
    case 'fill':
    case 'stroke':
    case 'image':
      return { ...item, matrix: multiply(map, item.matrix) };
    case 'clip':
      return { ...item, rectPx: outwardRect(mapRect(map, item.rectPx)), items: inner(item.items) };
    case 'mask':
      return { ...item, items: inner(item.items), mask: inner(item.mask) };
    case 'warp': {
      const [pixels, back] = [mapOf(map), invertMap(mapOf(map))];
      // What is inside is mapped too, so the perspective goes from mapped pixels to mapped pixels.
      const along = back === null ? item.map : multiplyMaps(pixels, multiplyMaps(item.map, back));
      return { ...item, map: along, items: inner(item.items) };
    }
    case 'average':
      return { ...item, exposures: item.exposures.map(inner) };
    case 'shadow':
      return {
        ...item,
        offsetPx: { x: item.offsetPx.x, y: item.offsetPx.y * map[3] },
        items: inner(item.items),
      };
    case 'moved': {
      // However it is mapped, it is not whole pixels any more.
      const { x, y } = item.byPx;
      const further = multiply(map, [1, 0, 0, 1, x, y]);
      return { kind: 'group', opacity: 1, items: item.items.map((one) => mapItem(one, further)) };
    }
    case 'group':
    case 'atop':
    case 'blur':
      return { ...item, items: inner(item.items) };
    default:
      return assertNever(item, 'display item');
  }
}
