import type { Rect } from './rect';
import { intersectRects, unionRects } from './rect';

// More than so many are looked through for longer than it helps.
const MOST = 128;
// Two become one where that has at most so much more area than both.
const ROOM = 1.2;

const areaOf = ({ width, height }: Rect): number => width * height;

/**
 * As few rectangles as cover all of some without much more: those that overlap are one, and so are those that lie close.
 * None is empty. Many are one.
 */
export function mergedRects(rects: readonly Rect[]): Rect[] {
  const left = rects.filter((rect) => areaOf(rect) > 0);
  if (left.length > MOST) return [unionRects(left) ?? left[0]];
  const merged: Rect[] = [];
  for (const rect of left) {
    let grown = rect;
    for (let i = near(merged, grown); i >= 0; i = near(merged, grown)) {
      const [other] = merged.splice(i, 1);
      grown = unionRects([grown, other]) ?? grown;
    }
    merged.push(grown);
  }
  return merged;
}

/** The place of one that goes together with a rectangle; -1 for none. */
function near(rects: readonly Rect[], rect: Rect): number {
  return rects.findIndex((one) => {
    if (areaOf(intersectRects(one, rect)) > 0) return true;
    const both = unionRects([one, rect]);
    return both !== null && areaOf(both) <= ROOM * (areaOf(one) + areaOf(rect));
  });
}
