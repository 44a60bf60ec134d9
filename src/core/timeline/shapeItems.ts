import type { EdgeLine } from '../model/look';
import type { DisplayItem } from '../display/list';
import type { Matrix } from '../kit/matrix';
import { multiply, turnedAbout } from '../kit/matrix';
import { middleOf } from '../kit/rect';
import type { UnitShape } from '../display/unitShape';
import { solid } from '../display/unitShape';

/** A unit's shape as a display item. */
export function shapeItem(shape: UnitShape, matrix: Matrix, opacity: number): DisplayItem {
  if (shape.kind === 'image') {
    const { asset, sourcePx, rect, turnRadians = 0 } = shape;
    const turned = turnRadians === 0 ? matrix : multiply(matrix, turnedAbout(middleOf(rect), turnRadians));
    return { kind: 'image', asset, sourcePx, rect, matrix: turned, opacity: shape.opacity * opacity };
  }
  const { outline, paint, lineU } = shape;
  if (lineU !== undefined)
    return { kind: 'stroke', outline, paint, width: lineU, matrix, opacity: shape.opacity * opacity };
  return { kind: 'fill', outline, paint, matrix, opacity: shape.opacity * opacity };
}

/**
 * A shape with its outlines, the first of the list nearest the viewer. A centred line lies over the fill. One
 * outside lies under it at twice its width, and is cut out where the fill is not opaque; one inside is kept to the
 * shape.
 */
export function edgeItems(
  shape: UnitShape,
  outlines: readonly EdgeLine[],
  matrix: Matrix,
  paint: (shape: UnitShape) => DisplayItem,
): DisplayItem[] {
  if (outlines.length === 0 || shape.kind !== 'path') return [paint(shape)];
  const back: DisplayItem[] = [];
  const front: DisplayItem[] = [];
  for (const line of outlines.toReversed()) {
    if (line.widthU <= 0 || line.opacity <= 0) continue;
    const stroke: DisplayItem = {
      kind: 'stroke',
      outline: shape.outline,
      paint: solid(line.colour),
      width: line.side === 'centre' ? line.widthU : line.widthU * 2,
      matrix,
      opacity: line.opacity,
    };
    if (line.side === 'centre') front.push(stroke);
    else if (line.side === 'outside' && isOpaque(shape)) back.push(stroke);
    else if (line.side === 'outside') back.push(keptTo(shape, stroke, matrix, 'out'));
    else front.push(keptTo(shape, stroke, matrix, 'in'));
  }
  return [...back, paint(shape), ...front];
}

function isOpaque(shape: Extract<UnitShape, { kind: 'path' }>): boolean {
  const { paint } = shape;
  return shape.opacity >= 1 && (paint.kind === 'solid' || paint.stops.every((stop) => stop.opacity >= 1));
}

function keptTo(
  shape: Extract<UnitShape, { kind: 'path' }>,
  stroke: DisplayItem,
  matrix: Matrix,
  mode: 'in' | 'out',
): DisplayItem {
  const { outline } = shape;
  const mask: DisplayItem = { kind: 'fill', outline, paint: solid('#000000'), matrix, opacity: 1 };
  return { kind: 'mask', mode, items: [stroke], mask: [mask] };
}
