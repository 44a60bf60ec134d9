import { listBounds } from '../display/bounds';
import type { DisplayItem } from '../display/list';
import { rectOutline } from '../display/shapes';
import { solid } from '../display/unitShape';
import { IDENTITY } from '../kit/matrix';

// Less than this is not seen in 8 bits.
const LEAST = 0.002;

/** Items as dark (0 to 1) as they are in the shade, as far as they are opaque. */
export function shaded(items: DisplayItem[], shade: number): DisplayItem[] {
  const bounds = shade < LEAST ? null : listBounds(items);
  if (bounds === null) return items;
  const dark: DisplayItem = {
    kind: 'fill',
    outline: rectOutline(bounds),
    paint: solid('#000000'),
    matrix: IDENTITY,
    opacity: Math.min(1, shade),
  };
  return [{ kind: 'group', opacity: 1, items: [...items, { kind: 'atop', items: [dark] }] }];
}
