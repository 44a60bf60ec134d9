import { moveOutline } from '../display/outline';
import type { UnitShape } from '../display/unitShape';
import type { Rect } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import type { PosedUnit } from './columns';
import { leafBefore } from './leafOrder';

// At the moment of a change all slices of a unit change.
const ROUNDING = 1e-6;

/** Units that have not settled yet, each with the shapes of another in its place: as many changes as their move asks for. */
export function swapUnits(posed: readonly PosedUnit[]): readonly PosedUnit[] {
  const seen = posed.filter(({ unit }) => unit.shapes.length > 0);
  return posed.map((one) => {
    const act = one.acts.find(({ pose, plan }) => pose.settled < 1 && plan.swap !== undefined);
    if (act?.plan.swap === undefined || one.unit.shapes.length === 0) return one;
    const { changes, chance, inOrder = false } = act.plan.swap;
    const step = Math.floor(Math.max(0, act.pose.settled) * Math.max(1, changes) + ROUNDING);
    if (inOrder) return earlierOf(one, Math.max(1, changes) - step);
    const other = seen[Math.floor(chance(step) * seen.length)]?.unit ?? one.unit;
    return other === one.unit ? one : { ...one, unit: inPlaceOf(one.unit, other) };
  });
}

/** A unit that shows what stands so many before it in its order; as it is where there is none. */
function earlierOf(one: PosedUnit, back: number): PosedUnit {
  const { unit } = one;
  const earlier = unit.reads === undefined ? null : leafBefore(unit.reads, back);
  const respelt = earlier === null ? undefined : unit.respelt?.(earlier);
  return respelt === undefined ? one : { ...one, unit: inPlaceOf(unit, respelt) };
}

const baseline = ({ box, baselineU = box.y + box.height }: LayerUnit): number => baselineU;

/** A unit that shows another one's shapes, middle on middle and line on line. */
function inPlaceOf(unit: LayerUnit, other: LayerUnit): LayerUnit {
  const dx = unit.box.x + unit.box.width / 2 - other.box.x - other.box.width / 2;
  const dy = baseline(unit) - baseline(other);
  const shapes = other.shapes.map((shape): UnitShape =>
    shape.kind === 'path'
      ? { ...shape, outline: moveOutline(shape.outline, dx, dy) }
      : { ...shape, rect: moved(shape.rect, dx, dy) },
  );
  const ink = moved(other.ink, dx, dy);
  return { ...unit, shapes, ink, ...(unit.cut !== undefined && { cut: asWide(unit.cut, ink) }) };
}

/** A slice with room on either side for what is as wide as `ink`. */
function asWide(cut: Rect, ink: Rect): Rect {
  const x = Math.min(cut.x, ink.x);
  return { ...cut, x, width: Math.max(cut.x + cut.width, ink.x + ink.width) - x };
}

const moved = (rect: Rect, dx: number, dy: number): Rect => ({ ...rect, x: rect.x + dx, y: rect.y + dy });
