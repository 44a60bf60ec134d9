import type { DropShadow } from '../document/template';
import type { DisplayItem } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { mapRect, translated } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { outwardRect, unionRects } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import type { FrameFormat } from '../layout/formats';
import type { Pose } from '../moves/move';
import { REST } from '../moves/move';
import type { CompiledLayer } from './compile';
import { poseAt } from './motion';
import type { TitleTiming } from './stretch';

interface PosedUnit {
  readonly unit: LayerUnit;
  readonly pose: Pose;
}

/** The display items of one layer at a time, furthest back first; none when it is not to be seen. */
export function paintLayer(
  layer: CompiledLayer,
  seconds: number,
  timing: TitleTiming,
  toPixels: Matrix,
  format: FrameFormat,
): DisplayItem[] {
  const posed = poseUnits(layer, seconds, timing).filter(({ unit, pose }) => isSeen(unit, pose));
  const { shadow, opacity } = layer.layer;
  if (posed.length === 0 || opacity <= 0) return [];
  const items = posed.flatMap(({ unit, pose }) => paintUnit(unit, pose, toPixels, opacity));
  if (shadow === null) return items;
  const bounds = boundsPx(posed, toPixels);
  return [shadowItem(shadow, items, bounds, toPixels, format), ...items];
}

function poseUnits(layer: CompiledLayer, seconds: number, timing: TitleTiming): PosedUnit[] {
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

function isSeen(unit: LayerUnit, pose: Pose): boolean {
  if (pose.opacity <= 0) return false;
  return !pose.masked || (Math.abs(pose.dxU) < unit.box.width && Math.abs(pose.dyU) < unit.box.height);
}

function paintUnit(unit: LayerUnit, pose: Pose, toPixels: Matrix, layerOpacity: number): DisplayItem[] {
  const matrix = translated(toPixels, pose.dxU, pose.dyU);
  const opacity = layerOpacity * pose.opacity;
  const grouped = opacity < 1 && unit.shapes.length > 1;
  const shapes = unit.shapes.map((shape): DisplayItem => {
    const common = {
      outline: shape.outline,
      paint: shape.paint,
      matrix,
      opacity: shape.opacity * (grouped ? 1 : opacity),
    };
    return shape.strokeU === null
      ? { kind: 'fill', ...common }
      : { kind: 'stroke', width: shape.strokeU, ...common };
  });
  const items: DisplayItem[] = grouped
    ? [{ kind: 'group', boundsPx: outwardRect(mapRect(matrix, unit.ink)), opacity, items: shapes }]
    : shapes;
  return pose.masked ? [{ kind: 'clip', rectPx: outwardRect(mapRect(toPixels, unit.box)), items }] : items;
}

function boundsPx(posed: readonly PosedUnit[], toPixels: Matrix): Rect {
  const rects = posed.map(({ unit, pose }) => mapRect(translated(toPixels, pose.dxU, pose.dyU), unit.ink));
  return outwardRect(unionRects(rects) ?? { x: 0, y: 0, width: 0, height: 0 });
}

function shadowItem(
  shadow: DropShadow,
  items: readonly DisplayItem[],
  bounds: Rect,
  toPixels: Matrix,
  format: FrameFormat,
): DisplayItem {
  const angle = (shadow.angleDegrees * Math.PI) / 180;
  const picture = { x: 0, y: 0, width: format.widthPx, height: format.heightPx };
  return {
    kind: 'shadow',
    boundsPx: intersect(bounds, picture),
    offsetPx: {
      x: Math.round(Math.cos(angle) * shadow.distanceU * toPixels[0]),
      y: Math.round(Math.sin(angle) * shadow.distanceU * toPixels[3]),
    },
    // Softness is the width over which the edge fades, about four standard deviations.
    blurPx: (shadow.softnessU * toPixels[3]) / 4,
    colour: shadow.colour,
    opacity: shadow.opacity,
    items,
  };
}

function intersect(a: Rect, b: Rect): Rect {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  const right = Math.min(a.x + a.width, b.x + b.width);
  const bottom = Math.min(a.y + a.height, b.y + b.height);
  return { x, y, width: Math.max(0, right - x), height: Math.max(0, bottom - y) };
}
