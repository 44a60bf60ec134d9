import type { Rect } from '../kit/rect';
import { mergedRects } from '../kit/mergedRects';
import { intersectRects, outwardRect } from '../kit/rect';
import { sameValue } from '../kit/sameValue';
import { listBounds } from './bounds';
import type { DisplayItem } from './list';

/**
 * The rectangles (whole pixels, not empty) in which two lists of items, painted on nothing, may differ; none where they
 * are the same. Of a roll over a scrim those are the lines of its words. Items that stand in both lists before and after
 * what changed are left out, and so is what stayed within a group or a clip. `before` null: there was nothing.
 */
export function damageBetween(
  before: readonly DisplayItem[] | null,
  after: readonly DisplayItem[],
): readonly Rect[] {
  if (before === null) return mergedRects(after.flatMap(colouredBy));
  const most = Math.min(before.length, after.length);
  let first = 0;
  while (first < most && sameValue(before[first], after[first])) first++;
  let last = 0;
  while (last < most - first && sameValue(before.at(-1 - last), after.at(-1 - last))) last++;
  const [was, is] = [before.slice(first, before.length - last), after.slice(first, after.length - last)];
  if (was.length === 1 && is.length === 1) return damageWithin(was[0], is[0]);
  return mergedRects([...was, ...is].flatMap(colouredBy));
}

function damageWithin(was: DisplayItem, is: DisplayItem): readonly Rect[] {
  if (was.kind === 'group' && is.kind === 'group' && was.opacity === is.opacity)
    return damageBetween(was.items, is.items);
  if (was.kind === 'clip' && is.kind === 'clip' && sameValue(was.rectPx, is.rectPx)) {
    const seen = outwardRect(is.rectPx);
    return mergedRects(damageBetween(was.items, is.items).map((rect) => intersectRects(rect, seen)));
  }
  return mergedRects([was, is].flatMap(colouredBy));
}

/** Where an item changes what is there: bounds leave out what lies atop, since that colours nothing by itself. */
function colouredBy(item: DisplayItem): readonly Rect[] {
  const bounds = listBounds(item.kind === 'atop' ? item.items : [item]);
  return bounds === null ? [] : [bounds];
}
