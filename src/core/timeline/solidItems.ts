import { mixColours } from '../colour/mixStops';
import type { Shadow, Solid } from '../model/look';
import type { DisplayItem } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { scaleOf, translated } from '../kit/matrix';
import type { UnitShape } from '../display/unitShape';
import { solid as plain } from '../display/unitShape';
import { shapeItem } from './shapeItems';

// Slices so far apart run into one another; more than so many would cost and not be seen.
const PX_PER_SLICE = 1;
const MOST_SLICES = 90;
// The far end lies this much more in the dark than the near one.
const DARKER = 0.45;

/** The sides of a unit's shapes, the farthest slice first: what is seen of their depth behind them. */
export function solidItems(
  shapes: readonly UnitShape[],
  solid: Solid,
  matrix: Matrix,
  opacity: number,
): DisplayItem[] {
  const slices = Math.min(MOST_SLICES, Math.ceil((solid.depthU * scaleOf(matrix)) / PX_PER_SLICE));
  const angle = (solid.angleDegrees * Math.PI) / 180;
  const paths = shapes.filter((shape) => shape.kind === 'path' && shape.opacity > 0);
  return Array.from({ length: slices }, (_, i) => (slices - i) / slices).flatMap((depth) => {
    const reach = solid.depthU * depth;
    const behind = translated(matrix, Math.cos(angle) * reach, Math.sin(angle) * reach);
    const paint = plain(mixColours(solid.colour, '#000000', DARKER * depth));
    return paths.map((shape) =>
      shapeItem(shape.kind === 'path' ? { ...shape, paint, opacity: 1 } : shape, behind, opacity),
    );
  });
}

/** The edges that a bevel lights and shades, as shadows into the shape; light comes from where the depth does not go. */
export function bevelEdges({ angleDegrees, bevelU }: Solid): Shadow[] {
  if (bevelU <= 0) return [];
  const edge = { kind: 'inner', distanceU: bevelU, softnessU: bevelU, spreadU: 0 } as const;
  return [
    { ...edge, angleDegrees, colour: '#ffffff', opacity: 0.55 },
    { ...edge, angleDegrees: angleDegrees + 180, colour: '#000000', opacity: 0.45 },
  ];
}
