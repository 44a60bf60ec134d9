import type { UnitShape } from '../display/unitShape';
import { outlineBounds } from '../display/outline';
import type { Outline } from '../display/outline';
import { rectOutline } from '../display/shapes';
import { sampleOutline } from '../display/sampleOutline';
import { sameValue } from '../kit/sameValue';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import type { Bend } from '../model/bend';
import type { Bending } from './bend';
import { bendingOf } from './bend';
import type { PosedUnit } from './columns';
import type { CompiledLayer } from './compileLayer';

/** The units of a layer with their shapes bent as the layer is, whatever moves do to them then. Pictures stay as they are. */
export function bentUnits(layer: CompiledLayer, posed: readonly PosedUnit[]): readonly PosedUnit[] {
  const bent = bentBy(layer);
  return bent === null ? posed : posed.map(({ unit, acts }) => ({ unit: bentUnit(unit, bent), acts }));
}

/** A unit of a layer with its shapes bent as that is. */
export function bentLike(layer: CompiledLayer, unit: LayerUnit): LayerUnit {
  const bent = bentBy(layer);
  return bent === null ? unit : bentUnit(unit, bent);
}

/** What a rectangle (design units) of a layer is bent to; null for a layer that is straight. */
export function bentArea(layer: CompiledLayer, rect: Rect): Outline | null {
  const bent = bentBy(layer);
  return bent && sampleOutline(rectOutline(rect), bent.bending.pieceU, bent.bending.map);
}

interface Bent {
  readonly bend: Bend;
  readonly box: Rect;
  readonly bending: Bending;
}

function bentBy({ layer, box }: CompiledLayer): Bent | null {
  const { bend = null } = layer.motion;
  const bending = bend && bendingOf(bend, box);
  return bend && bending && { bend, box, bending };
}

function bentUnit(unit: LayerUnit, by: Bent): LayerUnit {
  const shapes = unit.shapes.map((shape): UnitShape =>
    shape.kind === 'path' ? { ...shape, outline: bentOutline(shape.outline, by) } : shape,
  );
  const inked = unionRects(
    shapes.flatMap((shape) => (shape.kind === 'path' ? (outlineBounds(shape.outline) ?? []) : [])),
  );
  const ink = inked ?? unit.ink;
  return { ...unit, shapes, ink, ...(unit.cut !== undefined && { cut: widened(unit.cut, unit, ink) }) };
}

/** A slice of a unit as wide as what that is bent to; the outermost ones reach as far as that does. */
function widened(cut: Rect, unit: LayerUnit, ink: Rect): Rect {
  const whole = unionRects([unit.box, unit.ink]) ?? unit.box;
  const [foot, wholeFoot, inkFoot] = [cut, whole, ink].map(({ y, height }) => y + height);
  const top = cut.y <= whole.y ? Math.min(cut.y, ink.y) : cut.y;
  const bottom = foot >= wholeFoot - 1e-6 ? Math.max(foot, inkFoot) : foot;
  const across = unionRects([cut, ink]) ?? cut;
  return { x: across.x, y: top, width: across.width, height: bottom - top };
}

// Outlines are never changed, so a bent one serves as long as the bend is the same; a keyed bend is kept for a frame.
const kept = new WeakMap<Outline, { readonly bend: Bend; readonly box: Rect; readonly outline: Outline }>();

function bentOutline(outline: Outline, { bend, box, bending }: Bent): Outline {
  const known = kept.get(outline);
  if (known !== undefined && known.bend === bend && sameValue(known.box, box)) return known.outline;
  const made = sampleOutline(outline, bending.pieceU, bending.map);
  kept.set(outline, { bend, box, outline: made });
  return made;
}
