import type { DisplayItem } from '../display/list';
import { roundedRectOutline } from '../display/shapes';
import type { Matrix } from '../kit/matrix';
import { mapRect, multiply, translated } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { containsRect, outwardRect, unionRects } from '../kit/rect';
import { solid } from '../layers/layerKind';
import type { Shift } from '../document/project';
import type { FrameFormat } from '../layout/formats';
import { safeArea } from '../layout/safeAreas';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compile';
import { dressItems } from './dressItems';
import type { Act } from './motion';
import type { MappedUnit } from './paintUnit';
import { blurOf, clippedTo, coveredRect, isSeen, mapUnit, paintUnit } from './paintUnit';
import { retimed } from './retime';
import type { Moment } from './shutter';
import { openShutter } from './shutter';
import type { TitleTiming } from './stretch';

/** What painting a layer needs to know of the title it is in. */
export interface Stage {
  readonly layers: ReadonlyMap<string, CompiledLayer>;
  /** The members of each group, furthest back first. */
  readonly members: ReadonlyMap<string, readonly CompiledLayer[]>;
  /** What is painted by itself, furthest back first: neither a member of a group nor a matte. */
  readonly top: readonly CompiledLayer[];
  readonly timing: TitleTiming;
  readonly format: FrameFormat;
  /** How far the whole title is moved, in whole pixels; null for not at all. */
  readonly shift: Shift | null;
  /** The title as its keyframes have it at another time. */
  stageAt(seconds: number): Stage;
}

/** The display items of a whole title at a time. */
export function paintStage(stage: Stage, seconds: number, toPixels: Matrix): DisplayItem[] {
  const { shift, format } = stage;
  if (shift === null) return paintLayers(stage, stage.top, seconds, () => toPixels);
  const shifted = translated(toPixels, shift.dxU, shift.dyU);
  const frame = safeArea(format, 'frame');
  return paintLayers(stage, stage.top, seconds, ({ box }) => (containsRect(box, frame) ? toPixels : shifted));
}

/** The display items of layers given from the furthest back. A light is seen only on what lies below it among them. */
function paintLayers(
  stage: Stage,
  layers: readonly CompiledLayer[],
  seconds: number,
  matrixOf: (layer: CompiledLayer) => Matrix,
): DisplayItem[] {
  const items: DisplayItem[] = [];
  for (const layer of layers) {
    const own = paintLayer(stage, layer, seconds, matrixOf(layer));
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
function paintLayer(
  stage: Stage,
  layer: CompiledLayer,
  titleSeconds: number,
  toPixels: Matrix,
  withMatte = true,
): DisplayItem[] {
  if (layer.layer.opacity <= 0) return [];
  const moment = (at: number): Moment => {
    const there = at === titleSeconds ? stage : stage.stageAt(at);
    const then = there.layers.get(layer.layer.id) ?? layer;
    const own = retimed(then.layer.motion.retime, at, stage.timing.totalSeconds);
    return paintMoment(there, then, own, toPixels);
  };
  const items = openShutter(moment, layer, titleSeconds, stage);
  return withMatte ? behindMatte(stage, layer, items, titleSeconds, toPixels) : items;
}

/** The items kept to where the layer's matte is; a matte's own matte does not count. */
function behindMatte(
  stage: Stage,
  { layer }: CompiledLayer,
  items: DisplayItem[],
  seconds: number,
  toPixels: Matrix,
): DisplayItem[] {
  if (layer.matte === null || items.length === 0) return items;
  const matte = stage.layers.get(layer.matte.layerId);
  const { widthPx, heightPx } = stage.format;
  return [
    {
      kind: 'mask',
      boundsPx: { x: 0, y: 0, width: widthPx, height: heightPx },
      mode: layer.matte.inverted ? 'out' : 'in',
      by: layer.matte.by,
      items,
      mask: matte === undefined ? [] : paintLayer(stage, matte, seconds, toPixels, false),
    },
  ];
}

/** The display items of a layer at one moment, and what it covers, in px. */
function paintMoment(stage: Stage, layer: CompiledLayer, seconds: number, toPixels: Matrix): Moment {
  const matrix = layer.own === null ? toPixels : multiply(toPixels, layer.own);
  const posed = poseUnits(layer, seconds, stage.timing)
    .filter(isSeen)
    .map((unit) => mapUnit(layer, unit));
  const covered = posed.map((unit) => mapRect(matrix, coveredRect(unit)));
  const bounds = unionRects(covered);
  if (bounds === null) return { items: [], covered, bounds: null, blurPx: () => 0 };
  const items = contentItems(stage, layer, posed, seconds, matrix);
  const { box, pictureSize, window } = layer;
  const seen = window === null || items.length === 0 ? items : [clippedTo(window, items, matrix)];
  const dressed =
    seen.length === 0
      ? []
      : dressItems(seen, {
          layer: layer.layer,
          box,
          bounds: outwardRect(bounds),
          matrix,
          format: stage.format,
          pictureSize,
        });
  const blurPx = (): number => Math.min(...posed.map((unit) => blurOf(unit, matrix)));
  return { items: dressed, covered, bounds, blurPx };
}

function contentItems(
  stage: Stage,
  layer: CompiledLayer,
  posed: readonly MappedUnit[],
  seconds: number,
  matrix: Matrix,
): DisplayItem[] {
  const { layer: source } = layer;
  const nestedOf = ({ unit }: MappedUnit): ((at: Matrix) => DisplayItem[]) | null => {
    if (source.kind === 'copy') return (at) => copyItems(stage, layer, seconds, at);
    if (source.kind !== 'group') return null;
    // A group's own time is that of its members too.
    const then = stage.stageAt(seconds);
    const members = then.members.get(source.id) ?? [];
    const { memberId } = unit;
    const own = memberId === undefined ? members : members.filter((one) => one.layer.id === memberId);
    return (at) => paintLayers(then, own, seconds, () => at);
  };
  const units = posed.flatMap((unit) => paintUnit(layer, unit, matrix, nestedOf(unit)));
  return [...highlightItems(layer, posed, matrix), ...units];
}

/** The original as it was a while ago, moved to where the copy was then: one that hangs on it trails behind it. */
function copyItems(stage: Stage, layer: CompiledLayer, seconds: number, matrix: Matrix): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind !== 'copy' || seconds < source.delaySeconds) return [];
  const before = seconds - source.delaySeconds;
  const then = stage.stageAt(before);
  const original = then.layers.get(source.of);
  if (original === undefined) return [];
  const { box } = then.layers.get(source.id) ?? layer;
  const shifted = translated(matrix, box.x - original.box.x, box.y - original.box.y);
  return paintLayer(then, original, before, shifted);
}

function poseUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): readonly PosedUnit[] {
  const { stands } = layer;
  const moved = columnUnits(layer, seconds, timing);
  const posed = stands === null ? moved : moved.map(({ unit, acts }) => ({ unit, acts: [stands, ...acts] }));
  const { animate, counted } = layer;
  if (animate !== null) {
    // A layer whose content moves by itself has one unit, with the shapes that it has now.
    const shapes = animate(seconds);
    return posed.map(({ unit, acts }) => ({ unit: { ...unit, shapes }, acts }));
  }
  if (counted === null) return posed;
  const share = Math.min(1, ...posed.flatMap(({ acts }) => acts.map(({ pose }) => pose.counted)));
  if (share >= 1) return posed;
  return posed.slice(0, 1).map(({ acts }) => ({ unit: counted(share), acts }));
}

function columnUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): readonly PosedUnit[] {
  if (seconds >= timing.outStartSeconds) {
    const share = (seconds - timing.outStartSeconds) / timing.outSeconds;
    return layer.out?.at(share, timing.outSeconds) ?? layer.resting;
  }
  if (seconds < timing.inSeconds)
    return layer.in?.at(seconds / timing.inSeconds, timing.inSeconds) ?? layer.resting;
  const held = timing.outStartSeconds - timing.inSeconds;
  return layer.hold?.at(seconds - timing.inSeconds, held) ?? layer.resting;
}

/** The highlight behind each line, as long as what is seen of that line. */
function highlightItems(layer: CompiledLayer, posed: readonly MappedUnit[], matrix: Matrix): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind !== 'text' || source.highlight === null) return [];
  const { colour, opacity, padAcrossU, padDownU, radiusU } = source.highlight;
  return layer.lines.flatMap((line): DisplayItem[] => {
    const seen = posed.filter(({ unit }) => overlaps(unit.box, line));
    if (seen.length === 0) return [];
    const left = Math.min(...seen.map(({ unit }) => Math.max(line.x, unit.box.x)));
    const right = Math.max(
      ...seen.map(({ unit }) => Math.min(line.x + line.width, unit.box.x + unit.box.width)),
    );
    const strength = Math.max(...seen.map(({ acts }) => opacityOf(acts)));
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

const opacityOf = (acts: readonly Act[]): number =>
  acts.reduce((product, { pose }) => product * Math.min(1, pose.opacity), 1);
