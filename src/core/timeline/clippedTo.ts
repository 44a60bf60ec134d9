import type { DisplayItem } from '../display/list';
import { rectOutline } from '../display/shapes';
import { pathShape, solid } from '../display/unitShape';
import type { Matrix } from '../kit/matrix';
import { isUpright, mapRect } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { outwardRect } from '../kit/rect';
import { shapeItem } from './shapeItems';

/** What lies in a rectangle of the layer only; a turned layer's rectangle is turned with it. */
export function clippedTo(rect: Rect, items: readonly DisplayItem[], toPixels: Matrix): DisplayItem {
  if (isUpright(toPixels)) return { kind: 'clip', rectPx: outwardRect(mapRect(toPixels, rect)), items };
  const shape = pathShape(rectOutline(rect), solid('#000000'));
  return { kind: 'mask', mode: 'in', items, mask: [shapeItem(shape, toPixels, 1)] };
}
