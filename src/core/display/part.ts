import { IDENTITY, mapRect } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { containsRect, intersectRects } from '../kit/rect';
import { itemBounds } from './bounds';
import type { DisplayItem } from './list';
import type { Outline } from './outline';
import { outlineBounds } from './outline';
import { rectOutline } from './shapes';

// Less than this is not seen everywhere in eight bits.
const LEAST_OPACITY = 0.01;

/**
 * Items that show the same within an area (whole px) as all of them do, and need not show anything elsewhere: what does
 * not reach it is left out, and a plain ground that goes on all round it ends with it.
 */
export function partOf(items: readonly DisplayItem[], area: Rect): DisplayItem[] {
  return items.flatMap((item): DisplayItem[] => {
    if (isGround(item, area)) return [{ ...item, outline: rectOutline(area), matrix: IDENTITY }];
    // What lies atop colours nothing by itself, so nothing says where it is.
    return item.kind === 'atop' || reaches(item, area) ? [item] : [];
  });
}

/** Whether one of the items is a plain ground that leaves nothing of an area (whole px) without colour. */
export function hasGround(items: readonly DisplayItem[], area: Rect): boolean {
  return items.some((item) => isGround(item, area) && item.opacity >= LEAST_OPACITY);
}

type Ground = Extract<DisplayItem, { kind: 'fill' }>;

function isGround(item: DisplayItem, area: Rect): item is Ground {
  if (item.kind !== 'fill' || item.paint.kind !== 'solid') return false;
  const [, b, c] = item.matrix;
  if (b !== 0 || c !== 0) return false;
  const rect = rectOf(item.outline);
  return rect !== null && containsRect(mapRect(item.matrix, rect), area);
}

/** The rectangle that an outline is; null for any other shape. */
function rectOf(outline: Outline): Rect | null {
  const { verbs, coords } = outline;
  // Some go back to where they began before they are closed.
  if (verbs !== 'MLLLZ' && verbs !== 'MLLLLZ') return null;
  const [x0, y0, x1, y1, x2, y2, x3, y3, x4 = x0, y4 = y0] = coords;
  if (x4 !== x0 || y4 !== y0) return null;
  const acrossFirst = y0 === y1 && x1 === x2 && y2 === y3 && x3 === x0;
  const downFirst = x0 === x1 && y1 === y2 && x2 === x3 && y3 === y0;
  return acrossFirst || downFirst ? outlineBounds(outline) : null;
}

function reaches(item: DisplayItem, area: Rect): boolean {
  const bounds = itemBounds(item);
  if (bounds === null) return false;
  const { width, height } = intersectRects(bounds, area);
  return width > 0 && height > 0;
}
