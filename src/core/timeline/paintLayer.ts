import type { DisplayItem } from '../display/list';
import { pictureAt } from '../display/moving';
import { roundedRectOutline } from '../display/shapes';
import type { Lookup } from '../kit/overlay';
import type { Matrix } from '../kit/matrix';
import { mapRect, multiply, translated } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { containsRect, growRect } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import type { UnitShape } from '../display/unitShape';
import { pathShape, solid } from '../display/unitShape';
import { PLAIN_LOOK } from '../model/look';
import type { Shift } from '../model/project';
import type { Highlight } from '../model/template';
import type { FrameFormat } from '../frame/formats';
import { safeArea } from '../frame/safeAreas';
import { affineOf } from '../display/homography';
import { bentLike } from './bentUnits';
import type { Carried } from './carried';
import { carriedBy } from './carried';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';
import type { PictureFill } from './dressItems';
import { dressItems } from './dressItems';
import type { MappedUnit } from './mapUnit';
import { layerMatrix, mapUnit } from './mapUnit';
import { movedUnit } from './movedUnit';
import { poseUnits } from './poseUnits';
import { clippedTo } from './clippedTo';
import { blurOf, coveredRect, isSeen, paintUnit, warped } from './paintUnit';
import { ownTime } from '../titleTime/retime';
import { shaded } from './atop';
import type { Exposed } from './shutter';
import { openShutter } from './shutter';
import type { Stacking } from './stacking';
import type { TitleTiming } from '../titleTime/stretch';

/** What painting a layer needs to know of the title it is in. */
export interface Stage extends Stacking {
  /** The layers that are there. */
  readonly layers: Lookup<CompiledLayer>;
  /** Those that are there where no keyframe and no span holds. */
  readonly still: Lookup<CompiledLayer>;
  readonly timing: TitleTiming;
  readonly format: FrameFormat;
  /** How far the whole title is moved, in whole pixels; null for not at all. */
  readonly shift: Shift | null;
  /** The title as its keyframes have it at another time, where `timing` says so of a title divided in another way. */
  stageAt(seconds: number, timing?: TitleTiming): Stage;
}

/** The stage for a layer whose own time is that of a title divided in another way. */
function stageFor(stage: Stage, timing: TitleTiming): Stage {
  if (timing === stage.timing) return stage;
  return { ...stage, timing, stageAt: (seconds, other = timing) => stage.stageAt(seconds, other) };
}

/** The display items of a whole title at a time. */
export function paintStage(stage: Stage, seconds: number, toPixels: Matrix): DisplayItem[] {
  const { shift, format, top } = stage;
  if (shift === null) return paintLayers(stage, top, seconds, () => toPixels);
  const shifted = translated(toPixels, shift.dxU, shift.dyU);
  const frame = safeArea(format, 'frame');
  return paintLayers(stage, top, seconds, ({ box }) => (containsRect(box, frame) ? toPixels : shifted));
}

/** The display items of layers given from the furthest back. A light is seen only on what lies below it among them. */
function paintLayers(
  stage: Stage,
  ids: readonly string[],
  seconds: number,
  matrixOf: (layer: CompiledLayer) => Matrix,
): DisplayItem[] {
  const items: DisplayItem[] = [];
  let lit = 0;
  for (const id of ids) {
    const layer = stage.layers.get(id);
    if (layer === undefined) continue;
    const own = paintLayer(stage, layer, seconds, matrixOf(layer));
    if (layer.layer.kind !== 'light') items.push(...own);
    else if (own.length > 0 && items.length > 0) lit = items.push({ kind: 'atop', items: own });
  }
  if (lit === 0) return items;
  // By themselves, or the light would fall on the picture that the title lies over as well.
  return [{ kind: 'group', opacity: 1, items: items.slice(0, lit) }, ...items.slice(lit)];
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
  const exposed = (at: number): Exposed => {
    const there = at === titleSeconds ? stage : stage.stageAt(at);
    const then = there.layers.get(layer.layer.id) ?? layer;
    const own = ownTime(then.layer.motion.retime, at, stage.timing);
    return paintCarried(carriedBy(there, then.layer, at), toPixels, (matrix) =>
      paintMoment(stageFor(there, own.timing), then, own.seconds, matrix),
    );
  };
  const items = openShutter(exposed, layer, titleSeconds, stage.timing);
  return withMatte ? behindMatte(stage, layer, items, titleSeconds, toPixels) : items;
}

/** What is painted of a layer that follows the moves of another one. */
function paintCarried(
  carried: Carried | null,
  toPixels: Matrix,
  paint: (matrix: Matrix) => Exposed,
): Exposed {
  if (carried === null) return paint(toPixels);
  const flat = affineOf(carried.map);
  const exposed = paint(flat === null ? toPixels : multiply(toPixels, flat));
  const { items } = exposed;
  if (items.length === 0 || carried.opacity <= 0) return { ...exposed, items: [] };
  const seen = flat === null ? warped(items, carried.map, toPixels, 1) : items;
  return {
    ...exposed,
    items: carried.opacity < 1 ? [{ kind: 'group', opacity: carried.opacity, items: seen }] : seen,
  };
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
  return [
    {
      kind: 'mask',
      mode: layer.matte.inverted ? 'out' : 'in',
      by: layer.matte.by,
      items,
      mask: matte === undefined ? [] : paintLayer(stage, matte, seconds, toPixels, false),
    },
  ];
}

/** A layer at one moment: its display items, and what its units cover. */
function paintMoment(stage: Stage, layer: CompiledLayer, seconds: number, toPixels: Matrix): Exposed {
  const matrix = layerMatrix(layer, toPixels);
  const all = poseUnits(layer, seconds, stage.timing);
  const units = all.map((unit) => (isSeen(unit) ? mapUnit(layer, unit) : null));
  const posed = units.filter((unit) => unit !== null);
  const covered = (): (Rect | null)[] =>
    units.map((unit) => {
      const rect = unit && coveredRect(unit);
      return rect && mapRect(matrix, rect);
    });
  const blurPx = (): number => Math.min(...posed.map((unit) => blurOf(unit, matrix)));
  if (posed.length === 0) return { items: [], covered, blurPx };
  const { box, window } = layer;
  const keptTo = (items: DisplayItem[]): DisplayItem[] =>
    window === null || items.length === 0 ? items : [clippedTo(window, items, matrix)];
  const ground = keptTo(highlightItems(layer, posed, matrix));
  const face = keptTo(contentItems(stage, layer, posed, seconds, matrix));
  const fill = fillOf(layer, seconds, stage.timing);
  const dressed = dressItems({ ground, face }, { layer: layer.layer, box, matrix, fill });
  return { items: shaded(dressed, foldShade(layer)), covered, blurPx };
}

/** The picture that fills a layer, of a video the frame that is there now. */
function fillOf(layer: CompiledLayer, seconds: number, title: TitleTiming): PictureFill | null {
  const { picture } = layer.layer.look;
  const { pictureSize: size } = layer;
  if (picture === null || size === undefined) return null;
  const { fromSeconds, timing } = layer.spanAt?.(title) ?? { fromSeconds: 0, timing: title };
  return { asset: pictureAt(picture, seconds - fromSeconds, timing.frameSeconds), size };
}

/** How dark a layer is that is folded: fully where it is seen from the side. */
function foldShade({ layer: { motion } }: CompiledLayer): number {
  const { fold = null } = motion;
  return fold === null ? 0 : fold.shade * Math.abs(Math.sin((fold.degrees * Math.PI) / 180));
}

function contentItems(
  stage: Stage,
  layer: CompiledLayer,
  posed: readonly MappedUnit[],
  seconds: number,
  matrix: Matrix,
): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind === 'copy')
    return posed.flatMap((unit) =>
      paintUnit(layer, unit, matrix, (at) => copyItems(stage, layer, seconds, at)),
    );
  if (source.kind !== 'group')
    return posed.flatMap((unit) => movedUnit(layer, unit, matrix) ?? paintUnit(layer, unit, matrix, null));
  // A group's own time is that of its members too.
  const then = stage.stageAt(seconds);
  const members = then.members.get(source.id) ?? [];
  // However members follow one another, they lie over one another as they do at rest.
  const depth = ({ unit }: MappedUnit): number => members.indexOf(unit.memberId ?? '');
  return posed
    .toSorted((a, b) => depth(a) - depth(b))
    .flatMap((unit) => {
      const { memberId } = unit.unit;
      const own = memberId === undefined ? members : members.filter((id) => id === memberId);
      return paintUnit(layer, unit, matrix, (at) => paintLayers(then, own, seconds, () => at));
    });
}

/** The original as it was a while ago, moved to where the copy was then: one that hangs on it trails behind it. */
function copyItems(stage: Stage, layer: CompiledLayer, seconds: number, matrix: Matrix): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind !== 'copy') return [];
  const before = delayed(seconds, source.delaySeconds, stage.timing);
  if (before < 0) return [];
  const then = stage.stageAt(before);
  const original = then.layers.get(source.of);
  if (original === undefined) return [];
  const copy = then.layers.get(source.id) ?? layer;
  // The copy's own way is in the matrix; between the two it is where they were laid out that counts.
  const across = copy.box.x + copy.shift.dxU - original.box.x - original.shift.dxU - layer.shift.dxU;
  const down = copy.box.y + copy.shift.dyU - original.box.y - original.shift.dyU - layer.shift.dyU;
  return paintLayer(then, original, before, translated(matrix, across, down));
}

/** The time that a copy shows: later by its delay, but gone when the title is; while the title goes, the copy catches up. */
function delayed(seconds: number, delaySeconds: number, timing: TitleTiming): number {
  const { outStartSeconds: outStart, totalSeconds: total } = timing;
  if (seconds <= outStart || total <= outStart) return seconds - delaySeconds;
  return total - ((total - seconds) * (total - outStart + delaySeconds)) / (total - outStart);
}

/**
 * The highlight behind each line, as much of it as units of that line are seen. What moves the line or more than it
 * (also pins it, tips it, masks it) acts on the highlight as well.
 */
function highlightItems(layer: CompiledLayer, posed: readonly MappedUnit[], matrix: Matrix): DisplayItem[] {
  const { layer: source } = layer;
  if (source.kind !== 'text' || source.highlight === null) return [];
  const { highlight } = source;
  const plain = { ...layer, layer: { ...source, look: PLAIN_LOOK } };
  return layer.lines.flatMap((line) => {
    const seen = posed.filter(({ unit }) => overlaps(unit.box, line));
    if (seen.length === 0) return [];
    const acts = seen[0].acts.filter(({ unit }) => holdsLine(unit.box, line));
    // What only moves parts of the line lets the highlight grow with them.
    const parts = seen.map(({ acts: all }) => all.filter(({ unit }) => !holdsLine(unit.box, line)));
    const strength = Math.max(
      ...parts.map((own) => own.reduce((product, { pose }) => product * Math.min(1, pose.opacity), 1)),
    );
    const unit = bentLike(layer, highlightUnit(line, seen, highlight, strength));
    const slices = seen.filter(({ unit: { cut } }) => cut !== undefined);
    if (slices.length === 0) return paintUnit(plain, mapUnit(plain, { unit, acts }), matrix, null);
    // A text that is cut apart takes its highlight along in the same pieces.
    return slices.flatMap((slice) => {
      const cut = slice.unit.cut && { ...slice.unit.cut, x: unit.box.x, width: unit.box.width };
      return paintUnit(plain, mapUnit(plain, { unit: { ...unit, cut }, acts: slice.acts }), matrix, null);
    });
  });
}

function highlightUnit(
  line: Rect,
  seen: readonly PosedUnit[],
  { colour, opacity, padAcrossU, padDownU, radiusU }: Highlight,
  strength: number,
): LayerUnit {
  const left = Math.min(...seen.map(({ unit }) => Math.max(line.x, unit.box.x)));
  const right = Math.max(
    ...seen.map(({ unit }) => Math.min(line.x + line.width, unit.box.x + unit.box.width)),
  );
  const rect = {
    x: left - padAcrossU,
    y: line.y - padDownU,
    width: Math.max(1, right - left + 2 * padAcrossU),
    height: Math.max(1, line.height + 2 * padDownU),
  };
  const shape: UnitShape = pathShape(roundedRectOutline(rect, radiusU), solid(colour), opacity * strength);
  return { box: rect, ink: rect, shapes: [shape] };
}

/** Whether a unit is the line, or more than it. */
const holdsLine = (unit: Rect, line: Rect): boolean => containsRect(growRect(unit, 0.01), line);

function overlaps(a: Rect, b: Rect): boolean {
  const middle =
    (a.y + a.height / 2 >= b.y && a.y + a.height / 2 < b.y + b.height) || a.height > b.height * 1.5;
  return middle && a.x < b.x + b.width && a.x + a.width > b.x;
}
