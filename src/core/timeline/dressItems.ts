import type { EdgeLine, Reflection, Shadow } from '../document/look';
import type { Layer } from '../document/template';
import type { DisplayItem } from '../display/list';
import { invertMap, mapOf, multiplyMaps } from '../display/homography';
import { rectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import { IDENTITY, mapRect, multiply, scaleOf } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';
import { growRect, intersectRects, outwardRect } from '../kit/rect';
import type { PictureSize } from '../layers/layerKind';
import { solid } from '../layers/layerKind';
import { coverCrop } from '../layers/picture';
import type { FrameFormat } from '../layout/formats';

/** A painted layer, with what its look needs to know. */
export interface Dressing {
  readonly layer: Layer;
  readonly box: Rect;
  /** Around the items without outlines, in px. */
  readonly bounds: Rect;
  readonly matrix: Matrix;
  readonly format: FrameFormat;
  /** The size of the picture that fills it, when it has one and that is here. */
  readonly pictureSize: PictureSize | undefined;
}

const picture = ({ widthPx, heightPx }: FrameFormat): Rect => ({
  x: 0,
  y: 0,
  width: widthPx,
  height: heightPx,
});

/** A layer's items with its look put on: filled with a picture, shadows and glow, blur, reflection, and its opacity. */
export function dressItems(items: readonly DisplayItem[], dressing: Dressing): DisplayItem[] {
  const { layer, matrix, format } = dressing;
  const { look } = layer;
  const scale = scaleOf(matrix);
  const edge = (widestEdge(look.outlines) + (look.solid?.depthU ?? 0)) * scale;
  const reach = (Math.max(look.blurAcrossU, look.blurDownU) * scale * 3) / SOFTNESS_PER_DEVIATION;
  const all = growRect(dressing.bounds, Math.ceil(edge));
  // What lies outside the picture counts only as far as a blur could bring it in.
  const bounds = intersectRects(all, growRect(picture(format), Math.ceil(reach) + 1));
  if (bounds.width <= 0 || bounds.height <= 0) return [];
  const filled = pictureFill(items, dressing, bounds);
  const shaded = look.shadows
    .filter((shadow) => shadow.kind === 'inner')
    .reduceRight<readonly DisplayItem[]>(
      (done, shadow) => [...done, innerShadow(shadow, items, bounds, matrix)],
      filled,
    );
  const blurred = blurredItems(shaded, dressing, bounds);
  const drops = look.shadows
    .filter((shadow) => shadow.kind === 'drop')
    .toReversed()
    .map((shadow) => dropShadow(shadow, blurred, bounds, matrix));
  const glow =
    look.glow === null || look.glow.opacity <= 0 ? [] : [glowItem(look.glow, blurred, bounds, scale)];
  const whole = [...drops, ...glow, ...blurred];
  const reflected =
    look.reflection === null ? [] : [reflectionItem(look.reflection, blurred, dressing, bounds)];
  return withOpacity([...reflected, ...whole], layer.opacity, dressing);
}

/** How far outlines reach beyond the shapes that they are on, in design units. */
export function widestEdge(outlines: readonly EdgeLine[]): number {
  const beyond = ({ side, widthU }: EdgeLine): number =>
    side === 'outside' ? widthU : side === 'centre' ? widthU / 2 : 0;
  return Math.max(0, ...outlines.map(beyond));
}

// Softness is the width over which an edge fades, about four standard deviations of the blur.
const SOFTNESS_PER_DEVIATION = 4;

function withOpacity(
  items: readonly DisplayItem[],
  opacity: number,
  { bounds, layer, matrix, format }: Dressing,
): DisplayItem[] {
  if (opacity >= 1) return [...items];
  const [only] = items;
  if (items.length === 1 && 'opacity' in only) {
    return [{ ...only, opacity: only.opacity * opacity }];
  }
  const spread = farthest(layer) * scaleOf(matrix);
  const boundsPx = intersectRects(growRect(bounds, Math.ceil(spread)), picture(format));
  return [{ kind: 'group', boundsPx, opacity, items }];
}

/** How far a layer's look reaches beyond its shapes, in design units. */
export function farthest({ look }: Layer): number {
  const shadows = look.shadows.map((one) => one.distanceU + one.softnessU + one.spreadU);
  const reflected = look.reflection === null ? 0 : 4000;
  return Math.max(
    reflected,
    widestEdge(look.outlines) +
      (look.glow?.sizeU ?? 0) +
      (look.solid?.depthU ?? 0) +
      Math.max(0, ...shadows) +
      3 * Math.max(look.blurAcrossU, look.blurDownU),
  );
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

function dropShadow(
  shadow: Shadow,
  items: readonly DisplayItem[],
  bounds: Rect,
  matrix: Matrix,
): DisplayItem {
  const scale = scaleOf(matrix);
  const spread = shadow.spreadU > 0 ? spreadItems(items, shadow.spreadU, shadow.colour) : [];
  return {
    kind: 'shadow',
    boundsPx: growRect(bounds, Math.ceil(shadow.spreadU * scale)),
    offsetPx: offsetPx(shadow, matrix),
    blurPx: (shadow.softnessU * scale) / SOFTNESS_PER_DEVIATION,
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
        return [{ ...item, items: spreadItems(item.items, spreadU, colour) }];
      default:
        return [];
    }
  });
}

function glowItem(
  glow: { readonly sizeU: number; readonly colour: string; readonly opacity: number },
  items: readonly DisplayItem[],
  bounds: Rect,
  scale: number,
): DisplayItem {
  return {
    kind: 'shadow',
    boundsPx: bounds,
    offsetPx: { x: 0, y: 0 },
    blurPx: (glow.sizeU * scale) / 3,
    colour: glow.colour,
    opacity: glow.opacity,
    items: [...items, ...items],
  };
}

/** The shadow that a shape's edge throws into it: everything outside the shape, softened and moved, kept to the shape. */
export function innerShadow(
  shadow: Shadow,
  items: readonly DisplayItem[],
  bounds: Rect,
  matrix: Matrix,
): DisplayItem {
  const scale = scaleOf(matrix);
  const cast: DisplayItem = {
    kind: 'shadow',
    boundsPx: bounds,
    offsetPx: offsetPx(shadow, matrix),
    blurPx: (shadow.softnessU * scale) / SOFTNESS_PER_DEVIATION,
    colour: '#000000',
    opacity: 1,
    items,
  };
  const veil: DisplayItem = {
    kind: 'fill',
    outline: rectOutline(bounds),
    paint: solid(shadow.colour),
    matrix: IDENTITY,
    opacity: shadow.opacity,
  };
  const outside: DisplayItem = { kind: 'mask', boundsPx: bounds, mode: 'out', items: [veil], mask: [cast] };
  return { kind: 'mask', boundsPx: bounds, mode: 'in', items: [outside], mask: items };
}

function blurredItems(
  items: readonly DisplayItem[],
  { layer, matrix }: Dressing,
  bounds: Rect,
): readonly DisplayItem[] {
  const { blurAcrossU, blurDownU } = layer.look;
  if (blurAcrossU <= 0 && blurDownU <= 0) return items;
  const scale = scaleOf(matrix) / SOFTNESS_PER_DEVIATION;
  return [
    { kind: 'blur', boundsPx: bounds, acrossPx: blurAcrossU * scale, downPx: blurDownU * scale, items },
  ];
}

/** The picture that fills the layer's shapes, cut to cover its box; the plain items while it is not here. */
function pictureFill(
  items: readonly DisplayItem[],
  dressing: Dressing,
  bounds: Rect,
): readonly DisplayItem[] {
  const { box, layer, matrix, pictureSize } = dressing;
  const asset = layer.look.picture;
  if (asset === null || pictureSize === undefined) return items;
  const sourcePx = coverCrop(pictureSize, box);
  const image: DisplayItem = { kind: 'image', asset, sourcePx, rect: box, matrix, opacity: 1 };
  return [{ kind: 'mask', boundsPx: bounds, mode: 'in', items: [image], mask: items }];
}

/** The items upside down below the layer's box, fading with the distance from it. */
function reflectionItem(
  reflection: Reflection,
  items: readonly DisplayItem[],
  { box, matrix, format }: Dressing,
  bounds: Rect,
): DisplayItem {
  const axis = mapRect(matrix, box);
  const foot = axis.y + axis.height;
  const gap = reflection.distanceU * scaleOf(matrix);
  const flip: Matrix = [1, 0, 0, -1, 0, 2 * foot + gap];
  const mirrored = { ...bounds, y: 2 * foot + gap - bounds.y - bounds.height };
  const boundsPx = intersectRects(outwardRect(mirrored), picture(format));
  const fadeTo = foot + gap + axis.height * reflection.fade;
  const fade: DisplayItem = {
    kind: 'fill',
    outline: rectOutline(boundsPx),
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
  return {
    kind: 'mask',
    boundsPx,
    mode: 'in',
    items: items.map((item) => mapItem(item, flip)),
    mask: [fade],
  };
}

/** An item after a map of the pixels; rectangles become their bounds. */
function mapItem(item: DisplayItem, map: Matrix): DisplayItem {
  const inner = (list: readonly DisplayItem[]): DisplayItem[] => list.map((one) => mapItem(one, map));
  const rect = (one: Rect): Rect => outwardRect(mapRect(map, one));
  switch (item.kind) {
    case 'fill':
    case 'stroke':
    case 'image':
      return { ...item, matrix: multiply(map, item.matrix) };
    case 'clip':
      return { ...item, rectPx: rect(item.rectPx), items: inner(item.items) };
    case 'mask':
      return { ...item, boundsPx: rect(item.boundsPx), items: inner(item.items), mask: inner(item.mask) };
    case 'warp': {
      const back = invertMap(mapOf(map));
      return {
        ...item,
        boundsPx: rect(item.boundsPx),
        toFlat: back === null ? item.toFlat : multiplyMaps(item.toFlat, back),
      };
    }
    case 'average':
      return { ...item, boundsPx: rect(item.boundsPx), exposures: item.exposures.map(inner) };
    case 'shadow':
      return {
        ...item,
        boundsPx: rect(item.boundsPx),
        offsetPx: { x: item.offsetPx.x, y: item.offsetPx.y * map[3] },
        items: inner(item.items),
      };
    default:
      return { ...item, boundsPx: rect(item.boundsPx), items: inner(item.items) };
  }
}
