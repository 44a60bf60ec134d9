import type { DisplayItem } from '../display/list';
import { rectOutline, roundedRectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import { isUpright, mapRect, multiply, translated } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { outwardRect, unionRects } from '../kit/rect';
import type { LayerUnit, UnitShape } from '../layers/layerKind';
import { pathShape, solid } from '../layers/layerKind';
import type { FrameFormat } from '../layout/formats';
import type { Pose } from '../moves/move';
import { REST } from '../moves/move';
import type { CompiledLayer } from './compile';
import { dressItems } from './dressItems';
import { poseAt } from './motion';
import { edgeItems, shapeItem } from './shapeItems';
import type { TitleTiming } from './stretch';

/** What painting a layer needs to know of the title it is in. */
export interface Stage {
  readonly layers: ReadonlyMap<string, CompiledLayer>;
  /** The members of each group, furthest back first. */
  readonly members: ReadonlyMap<string, readonly CompiledLayer[]>;
  readonly timing: TitleTiming;
  readonly format: FrameFormat;
}

interface PosedUnit {
  readonly unit: LayerUnit;
  readonly pose: Pose;
}

/** The display items of layers given from the furthest back. A light is seen only on what lies below it among them. */
export function paintLayers(
  stage: Stage,
  layers: readonly CompiledLayer[],
  seconds: number,
  toPixels: Matrix,
): DisplayItem[] {
  const items: DisplayItem[] = [];
  for (const layer of layers) {
    const own = paintLayer(stage, layer, seconds, toPixels);
    if (layer.layer.kind !== 'light') items.push(...own);
    else if (own.length > 0 && items.length > 0) items.push(lightItem(own, [...items], stage.format));
  }
  return items;
}

function lightItem(
  light: readonly DisplayItem[],
  below: readonly DisplayItem[],
  format: FrameFormat,
): DisplayItem {
  const boundsPx = { x: 0, y: 0, width: format.widthPx, height: format.heightPx };
  return { kind: 'mask', boundsPx, mode: 'in', items: light, mask: below };
}

/** The display items of one layer at a time, furthest back first; none when it is not to be seen. */
function paintLayer(stage: Stage, layer: CompiledLayer, seconds: number, toPixels: Matrix): DisplayItem[] {
  if (layer.layer.opacity <= 0) return [];
  const matrix = layer.own === null ? toPixels : multiply(toPixels, layer.own);
  const posed = poseUnits(layer, seconds, stage.timing).filter(({ unit, pose }) => isSeen(unit, pose));
  if (posed.length === 0) return [];
  const items = contentItems(stage, layer, posed, seconds, matrix);
  if (items.length === 0) return [];
  const bounds = outwardRect(
    unionRects(posed.map(({ unit, pose }) => mapRect(translated(matrix, pose.dxU, pose.dyU), unit.ink))) ??
      layer.box,
  );
  const { box, pictureSize } = layer;
  return dressItems(items, {
    layer: layer.layer,
    box,
    bounds,
    matrix,
    format: stage.format,
    pictureSize,
  });
}

function contentItems(
  stage: Stage,
  layer: CompiledLayer,
  posed: readonly PosedUnit[],
  seconds: number,
  matrix: Matrix,
): DisplayItem[] {
  const { layer: source } = layer;
  const nested = (at: Matrix): DisplayItem[] | null => {
    if (source.kind === 'group') return paintLayers(stage, stage.members.get(source.id) ?? [], seconds, at);
    return source.kind === 'copy' ? copyItems(stage, layer, seconds, at) : null;
  };
  const units = posed.flatMap(({ unit, pose }) => paintUnit(layer, unit, pose, matrix, nested));
  return [...highlightItems(layer, posed, matrix), ...units];
}

/** The original as it was a while ago, moved to where the copy is. */
function copyItems(stage: Stage, layer: CompiledLayer, seconds: number, matrix: Matrix): DisplayItem[] {
  const { layer: source, box } = layer;
  const original = source.kind === 'copy' ? stage.layers.get(source.of) : undefined;
  if (source.kind !== 'copy' || original === undefined || seconds < source.delaySeconds) return [];
  const shifted = translated(matrix, box.x - original.box.x, box.y - original.box.y);
  return paintLayer(stage, original, seconds - source.delaySeconds, shifted);
}

function poseUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): PosedUnit[] {
  if (layer.animate !== null) return animatedUnit(layer, layer.animate(seconds), seconds, timing);
  if (layer.out !== null && seconds >= timing.outStartSeconds) {
    const { move, units } = layer.out;
    const share = (seconds - timing.outStartSeconds) / timing.outSeconds;
    return units.map((unit, i) => ({ unit, pose: poseAt(move, i, share, unit.box) }));
  }
  if (layer.in !== null && seconds < timing.inSeconds) {
    const { move, units } = layer.in;
    const share = seconds / timing.inSeconds;
    const posed = units.map((unit, i) => ({ unit, pose: poseAt(move, i, share, unit.box) }));
    if (posed.some(({ pose }) => pose !== REST)) return posed;
  }
  return layer.resting.map((unit) => ({ unit, pose: REST }));
}

/** A layer whose content moves by itself: one unit, with the shapes that it has now. */
function animatedUnit(
  layer: CompiledLayer,
  shapes: readonly UnitShape[],
  seconds: number,
  timing: TitleTiming,
): PosedUnit[] {
  const still: CompiledLayer = { ...layer, animate: null };
  return poseUnits(still, seconds, timing).map(({ unit, pose }) => ({ unit: { ...unit, shapes }, pose }));
}

function isSeen(unit: LayerUnit, pose: Pose): boolean {
  if (pose.opacity <= 0) return false;
  return !pose.masked || (Math.abs(pose.dxU) < unit.box.width && Math.abs(pose.dyU) < unit.box.height);
}

function paintUnit(
  layer: CompiledLayer,
  unit: LayerUnit,
  pose: Pose,
  toPixels: Matrix,
  nested: (matrix: Matrix) => DisplayItem[] | null,
): DisplayItem[] {
  const matrix = translated(toPixels, pose.dxU, pose.dyU);
  const inner = nested(matrix);
  const { outlines } = layer.layer.look;
  const simple = inner === null && unit.shapes.length === 1 && outlines.length === 0;
  const grouped = pose.opacity < 1 && !simple;
  const alone = grouped ? 1 : pose.opacity;
  const shapes =
    inner ??
    unit.shapes.flatMap((shape) =>
      edgeItems(shape, outlines, matrix, (part) => shapeItem(part, matrix, alone)),
    );
  const bounds = (): Rect => outwardRect(mapRect(matrix, unit.ink));
  const items: DisplayItem[] = grouped
    ? [{ kind: 'group', boundsPx: bounds(), opacity: pose.opacity, items: shapes }]
    : shapes;
  return pose.masked ? [maskItem(unit.box, items, toPixels)] : items;
}

/** What lies in a rectangle of the layer only; a turned layer's rectangle is turned with it. */
function maskItem(box: Rect, items: readonly DisplayItem[], toPixels: Matrix): DisplayItem {
  const rectPx = outwardRect(mapRect(toPixels, box));
  if (isUpright(toPixels)) return { kind: 'clip', rectPx, items };
  const shape = pathShape(rectOutline(box), solid('#000000'));
  return { kind: 'mask', boundsPx: rectPx, mode: 'in', items, mask: [shapeItem(shape, toPixels, 1)] };
}

/** The highlight behind each line, as long as what is seen of that line. */
function highlightItems(layer: CompiledLayer, posed: readonly PosedUnit[], matrix: Matrix): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind !== 'text' || source.highlight === null) return [];
  const { colour, opacity, padAcrossU, padDownU, radiusU } = source.highlight;
  return layer.lines.flatMap((line): DisplayItem[] => {
    const seen = posed.filter(({ unit, pose }) => overlaps(unit.box, line) && pose.opacity > 0);
    if (seen.length === 0) return [];
    const left = Math.min(...seen.map(({ unit }) => Math.max(line.x, unit.box.x)));
    const right = Math.max(
      ...seen.map(({ unit }) => Math.min(line.x + line.width, unit.box.x + unit.box.width)),
    );
    const strength = Math.max(...seen.map(({ pose }) => pose.opacity));
    const rect = {
      x: left - padAcrossU,
      y: line.y - padDownU,
      width: Math.max(1, right - left + 2 * padAcrossU),
      height: Math.max(1, line.height + 2 * padDownU),
    };
    const outline = roundedRectOutline(rect, radiusU);
    return [{ kind: 'fill', outline, paint: solid(colour), matrix, opacity: opacity * strength }];
  });
}

function overlaps(a: Rect, b: Rect): boolean {
  const middle =
    (a.y + a.height / 2 >= b.y && a.y + a.height / 2 < b.y + b.height) || a.height > b.height * 1.5;
  return middle && a.x < b.x + b.width && a.x + a.width > b.x;
}
