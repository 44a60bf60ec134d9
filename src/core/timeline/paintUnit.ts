import type { Homography } from '../display/homography';
import { affineOf, invertMap, mapOf, multiplyMaps, projectOutline, projectRect } from '../display/homography';
import type { DisplayItem } from '../display/list';
import { rectOutline } from '../display/shapes';
import { trimOutline } from '../display/trim';
import type { Matrix } from '../kit/matrix';
import { mapRect, multiply, scaleOf } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, unionRects } from '../kit/rect';
import type { UnitShape } from '../display/unitShape';
import { pathShape, solid } from '../display/unitShape';
import { bentArea } from './bentUnits';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import { coloursOver, dimmedAround, laidOver, lightPaint, tinted } from './actColours';
import { innerShadow, widestEdge } from './dressItems';
import { fringed } from './fringes';
import type { MappedUnit } from './mapUnit';
import { STILL } from './mapUnit';
import { maskPaint } from './maskPaint';
import type { Act } from './motion';
import { edgeItems, shapeItem } from './shapeItems';
import { clippedTo } from './clippedTo';
import { withBlocks } from './moveBlocks';
import { shaded } from './atop';
import { bevelEdges, solidItems } from './solidItems';

// A blur's standard deviation is a quarter of the width over which an edge fades.
const SOFTNESS_PER_DEVIATION = 4;

/** The rectangle (design units) that a unit covers where it is; null when it is behind the eye. */
export function coveredRect({ unit, map, flat }: MappedUnit): Rect | null {
  return flat === null ? projectRect(map, unit.ink) : mapRect(flat, unit.ink);
}

/** Whether anything of a unit can be seen. */
export function isSeen({ acts }: PosedUnit): boolean {
  return acts.every(({ pose, plan, unit }) => {
    if (pose.opacity <= 0 || pose.scaleX === 0 || pose.scaleY === 0) return false;
    const masked = plan.mask?.kind === 'wipe' || plan.mask?.kind === 'iris';
    if (masked && pose.shown <= 0) return false;
    if (plan.mask?.kind !== 'box') return true;
    const { width, height } = unit.box;
    return Math.abs(pose.xU) < width && Math.abs(pose.yU) < height;
  });
}

/** The display items of one unit. `nested` gives those of a group's or a copy's content instead of its own shapes. */
export function paintUnit(
  layer: CompiledLayer,
  posed: MappedUnit,
  toPixels: Matrix,
  nested: ((matrix: Matrix) => DisplayItem[]) | null,
): DisplayItem[] {
  const { acts, unit, flat } = posed;
  const opacity = acts.reduce((product, { pose }) => product * Math.min(1, pose.opacity), 1);
  const { outlines, solid: depth } = layer.layer.look;
  const drawn = Math.min(...acts.map(({ pose }) => pose.drawn), 1);
  const single = nested === null && unit.shapes.length === 1;
  const simple = single && outlines.length === 0 && depth === null && drawn >= 1;
  const grouped = opacity < 1 && !simple;
  const alone = grouped ? 1 : opacity;
  const own = layer.repaint === null ? unit.shapes : unit.shapes.map((shape) => repainted(layer, shape));
  const shapes = acts.length === 0 ? own : changedShapes(layer, own, acts, drawn);
  const sides = (matrix: Matrix, map: Homography | null): DisplayItem[] =>
    depth === null
      ? []
      : solidItems(map === null ? shapes : shapes.map((one) => bent(one, map)), depth, matrix, alone);
  const faces = (matrix: Matrix, map: Homography | null): DisplayItem[] =>
    shapes.flatMap((shape) => {
      if (map !== null && shape.kind === 'image')
        return warped([shapeItem(shape, matrix, 1)], map, matrix, alone);
      const placed = map === null ? shape : bent(shape, map);
      return edgeItems(placed, drawn < 1 ? [] : outlines, matrix, (part) => shapeItem(part, matrix, alone));
    });
  const paintShapes = (matrix: Matrix, map: Homography | null): DisplayItem[] => {
    const front = faces(matrix, map);
    if (depth === null || drawn < 1) return front;
    const lit = bevelEdges(depth).map((edge) => innerShadow(edge, front, matrix));
    return [...sides(matrix, map), ...front, ...lit];
  };
  // What has no paint of its own to change is coloured and lit from above.
  const isOpaque = nested !== null || unit.shapes.some(({ kind }) => kind === 'image');
  const colours = isOpaque ? coloursOver(layer, posed) : [];
  let items: DisplayItem[];
  if (flat !== null) {
    const matrix = posed.map === STILL ? toPixels : multiply(toPixels, flat);
    items = laidOver(nested === null ? paintShapes(matrix, null) : nested(matrix), colours, matrix);
    if (unit.cut !== undefined) items = [clippedTo(unit.cut, items, matrix)];
  } else if (nested === null && unit.cut === undefined && colours.length === 0) {
    items = paintShapes(toPixels, posed.map);
  } else {
    // What is cut or made of other layers is painted flat, then seen in perspective.
    const inner = laidOver(
      nested === null ? paintShapes(toPixels, null) : nested(toPixels),
      colours,
      toPixels,
    );
    const kept = unit.cut === undefined ? inner : [clippedTo(unit.cut, inner, toPixels)];
    items = warped(kept, posed.map, toPixels, 1);
  }
  if (items.length === 0) return items;
  if (grouped) items = [{ kind: 'group', opacity, items }];
  const edgeU = widestEdge(outlines) + (depth?.depthU ?? 0);
  const light = acts.reduce((product, { pose }) => product * (1 - Math.min(1, pose.shade)), 1);
  const dark = fringed(posed, shaded(items, 1 - light), toPixels);
  return withBlocks(posed, masked(layer, posed, blurred(posed, dark, toPixels), edgeU, toPixels), toPixels);
}

/** A shape in the paint that its layer has now. */
function repainted({ repaint }: CompiledLayer, shape: UnitShape): UnitShape {
  if (shape.kind !== 'path' || shape.own === undefined || repaint === null) return shape;
  return { ...shape, ...repaint(shape.own) };
}

function bent(shape: UnitShape, map: Homography): UnitShape {
  return shape.kind === 'path' ? { ...shape, outline: projectOutline(map, shape.outline) } : shape;
}

/** Items painted flat, seen through a map of the design units. */
export function warped(
  items: readonly DisplayItem[],
  map: Homography,
  toPixels: Matrix,
  opacity: number,
): DisplayItem[] {
  const pixels = mapOf(toPixels);
  const back = invertMap(pixels);
  if (back === null || items.length === 0) return [];
  return [{ kind: 'warp', map: multiplyMaps(pixels, multiplyMaps(map, back)), opacity, items }];
}

/** A unit's shapes in the colours of its acts, with a light over them, and drawn as far as they are. */
function changedShapes(
  layer: CompiledLayer,
  shapes: readonly UnitShape[],
  acts: readonly Act[],
  drawn: number,
): UnitShape[] {
  const tints = acts.flatMap(({ pose, plan }) =>
    pose.tint > 0 && plan.colour !== undefined
      ? [{ colour: plan.colour, share: Math.min(1, pose.tint) }]
      : [],
  );
  const lights = acts.flatMap(({ pose, plan }) => {
    const inside = pose.light > 0 && pose.light < 1 && plan.light !== undefined;
    if (!inside || plan.light === undefined) return [];
    const { colour } = plan.light;
    return [{ paint: lightPaint(plan.light, pose.light, layer.box), colour, through: pose.light }];
  });
  const lineU = acts.find(({ pose }) => pose.drawn < 1)?.plan.lineU ?? 2;
  return shapes.flatMap((shape): UnitShape[] => {
    if (shape.kind === 'image') return [shape];
    const paint = tints.reduce((mixed, { colour, share }) => tinted(mixed, colour, share), shape.paint);
    const around = lights.reduce(dimmedAround, paint);
    const own: UnitShape = { ...shape, paint: around };
    const lit = lights.map((light) => pathShape(shape.outline, light.paint, shape.opacity));
    if (drawn >= 1) return [own, ...lit];
    // The line is drawn in the first part of the way; then the shape fills and the line goes into it.
    const line: UnitShape = {
      kind: 'path',
      outline: trimOutline(shape.outline, Math.min(1, drawn / FILLS_FROM)),
      paint,
      opacity: shape.opacity,
      lineU,
    };
    const fill = Math.max(0, (drawn - FILLS_FROM) / (1 - FILLS_FROM));
    return fill > 0 ? [{ ...own, opacity: shape.opacity * fill }, line] : [line];
  });
}

const FILLS_FROM = 0.72;

/** How far a unit is blurred along its less blurred axis: a standard deviation in px. */
export function blurOf({ acts }: PosedUnit, toPixels: Matrix): number {
  const across = acts.reduce((sum, { pose }) => sum + pose.blurXU, 0);
  const down = acts.reduce((sum, { pose }) => sum + pose.blurYU, 0);
  return (Math.min(across, down) * scaleOf(toPixels)) / SOFTNESS_PER_DEVIATION;
}

function blurred({ acts }: MappedUnit, items: DisplayItem[], toPixels: Matrix): DisplayItem[] {
  const across = acts.reduce((sum, { pose }) => sum + pose.blurXU, 0);
  const down = acts.reduce((sum, { pose }) => sum + pose.blurYU, 0);
  const perUnit = scaleOf(toPixels) / SOFTNESS_PER_DEVIATION;
  const [acrossPx, downPx] = [across * perUnit, down * perUnit];
  // Less than this is not seen.
  if (Math.max(acrossPx, downPx) < 0.15) return items;
  return [{ kind: 'blur', acrossPx, downPx, items }];
}

/**
 * The items kept to what the masks of the acts show; a mask lies where its unit would be without the act, and covers
 * all that is painted of it, edges of `edgeU` included.
 */
function masked(
  layer: CompiledLayer,
  { acts, before, unit: painted }: MappedUnit,
  items: DisplayItem[],
  edgeU: number,
  toPixels: Matrix,
): DisplayItem[] {
  return acts.reduceRight((inner, { unit, pose, plan }, i) => {
    const { mask } = plan;
    if (mask === undefined || mask.kind === 'window') return inner;
    const flat = affineOf(before[i]);
    const matrix = flat === null ? toPixels : multiply(toPixels, flat);
    if (mask.kind === 'box') return [boxedIn(layer, unit.box, inner, matrix)];
    if (pose.shown >= 1) return inner;
    const area = growRect(unionRects([unit.box, unit.ink, painted.ink]) ?? unit.box, edgeU);
    const veil: DisplayItem = {
      kind: 'fill',
      outline: rectOutline(area),
      paint: maskPaint(mask, pose.shown, area),
      matrix,
      opacity: 1,
    };
    return [{ kind: 'mask', mode: 'in', items: inner, mask: [veil] }];
  }, items);
}

/** Items kept to a box; of a layer that is bent to what the box is bent to. */
function boxedIn(layer: CompiledLayer, box: Rect, items: DisplayItem[], matrix: Matrix): DisplayItem {
  const outline = bentArea(layer, box);
  if (outline === null) return clippedTo(box, items, matrix);
  const area: DisplayItem = { kind: 'fill', outline, paint: solid('#000000'), matrix, opacity: 1 };
  return { kind: 'mask', mode: 'in', items, mask: [area] };
}
