import { rectOutline } from '../display/shapes';
import type { Rect } from '../kit/rect';
import type { UnitShape } from '../display/unitShape';
import { pathShape, solid } from '../display/unitShape';
import { colourAt, definePattern } from './pattern';

/** One colour over the whole rectangle. */
export function ground(rect: Rect, colour: string): UnitShape {
  return pathShape(rectOutline(rect), solid(colour));
}

export const plain = definePattern({
  id: 'plain',
  label: 'Plain',
  colours: ['#10303c'],
  still: true,
  draw: ({ rect, colours }) => [ground(rect, colourAt(colours, 0))],
});
