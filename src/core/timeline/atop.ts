import { listBounds } from '../display/bounds';
import type { DisplayItem } from '../display/list';
import { rectOutline } from '../display/shapes';
import { solid } from '../display/unitShape';
import { IDENTITY } from '../kit/matrix';
import type { Rect } from '../kit/rect';

/** A rectangle of pixels in one colour. */
export function flatFill(areaPx: Rect, colour: string, opacity: number): DisplayItem {
  return { kind: 'fill', outline: rectOutline(areaPx), paint: solid(colour), matrix: IDENTITY, opacity };
}

/** Items with others over them, which are seen as far as the items are opaque. */
export function laidAtop(items: DisplayItem[], over: readonly DisplayItem[]): DisplayItem[] {
  if (items.length === 0 || over.length === 0) return items;
  return [{ kind: 'group', opacity: 1, items: [...items, { kind: 'atop', items: over }] }];
}

// Less than this is not seen in 8 bits.
const LEAST = 0.002;

/** Items as dark (0 to 1) as they are in the shade, as far as they are opaque. */
export function shaded(items: DisplayItem[], shade: number): DisplayItem[] {
  const bounds = shade < LEAST ? null : listBounds(items);
  return bounds === null ? items : laidAtop(items, [flatFill(bounds, '#000000', Math.min(1, shade))]);
}
