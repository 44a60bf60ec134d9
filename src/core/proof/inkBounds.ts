import type { DisplayItem } from '../display/list';
import { outlineBounds } from '../display/outline';
import { mapRect } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { unionRects } from '../kit/rect';

/** What the fills of some items cover, in px; null for nothing. */
export function inkBounds(items: readonly DisplayItem[]): Rect | null {
  return unionRects(
    items.flatMap((item) => {
      const bounds = item.kind === 'fill' ? outlineBounds(item.outline) : null;
      return bounds === null || item.kind !== 'fill' ? [] : [mapRect(item.matrix, bounds)];
    }),
  );
}
