import { moveOutline } from '../display/outline';
import type { UnitShape } from '../display/unitShape';
import type { Rect } from '../kit/rect';
import type { LayerUnit } from '../layers/layerKind';
import type { PosedUnit } from './columns';

/** Units that have not settled yet, each with the shapes of another in its place: as many changes as their move asks for. */
export function swapUnits(posed: readonly PosedUnit[]): readonly PosedUnit[] {
  const seen = posed.filter(({ unit }) => unit.shapes.length > 0);
  return posed.map((one) => {
    const act = one.acts.find(({ pose, plan }) => pose.settled < 1 && plan.swap !== undefined);
    if (act?.plan.swap === undefined || one.unit.shapes.length === 0) return one;
    const { changes, chance } = act.plan.swap;
    const step = Math.floor(Math.max(0, act.pose.settled) * Math.max(1, changes));
    const other = seen[Math.floor(chance(step) * seen.length)]?.unit ?? one.unit;
    return other === one.unit ? one : { ...one, unit: inPlaceOf(one.unit, other) };
  });
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
  return { ...unit, shapes, ink: moved(other.ink, dx, dy) };
}

const moved = (rect: Rect, dx: number, dy: number): Rect => ({ ...rect, x: rect.x + dx, y: rect.y + dy });
