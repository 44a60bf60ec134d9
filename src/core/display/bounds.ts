import { assertNever } from '../kit/assertNever';
import { mapRect } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { growRect, intersectRects, outwardRect, unionRects } from '../kit/rect';
import { invertMap, projectRect } from './homography';
import type { DisplayItem } from './list';
import type { Outline } from './outline';
import { outlineBounds } from './outline';

/** A Gaussian has fallen to nothing that eight bits show within this many standard deviations. */
const BLUR_REACH = 3;

// Items and outlines are never changed, so what is known of one stays true.
const ofItem = new WeakMap<DisplayItem, Rect | null>();
const ofOutline = new WeakMap<Outline, Rect | null>();

/** The whole pixels that some items can colour, with all their effects; null for nothing. Not yet cut to a picture. */
export function listBounds(items: readonly DisplayItem[]): Rect | null {
  return unionRects(items.flatMap((item) => itemBounds(item) ?? []));
}

/**
 * The whole pixels that an item can colour, with all its effects; null for nothing. The only place that knows how far
 * an effect reaches: outline, stroke, blur (3 standard deviations), shadow, projection. What lies atop something else
 * colours nothing that was not there before.
 */
export function itemBounds(item: DisplayItem): Rect | null {
  const known = ofItem.get(item);
  if (known !== undefined) return known;
  const made = nonEmpty(boundsOf(item));
  ofItem.set(item, made);
  return made;
}

function boundsOf(item: DisplayItem): Rect | null {
  switch (item.kind) {
    case 'fill': {
      const outline = knownOutline(item.outline);
      return outline && outwardRect(mapRect(item.matrix, outline));
    }
    case 'stroke': {
      const outline = knownOutline(item.outline);
      return outline && outwardRect(mapRect(item.matrix, growRect(outline, item.width / 2)));
    }
    case 'image':
      return outwardRect(mapRect(item.matrix, item.rect));
    case 'clip':
      return meet(listBounds(item.items), outwardRect(item.rectPx));
    case 'group':
      return listBounds(item.items);
    case 'moved': {
      const inner = listBounds(item.items);
      return inner && moved(inner, item.byPx);
    }
    case 'atop':
      return null;
    case 'shadow': {
      const inner = listBounds(item.items);
      return inner && outwardRect(moved(growBlur(inner, item.blurPx, item.blurPx), item.offsetPx));
    }
    case 'mask': {
      const inner = listBounds(item.items);
      return item.mode === 'in' ? meet(inner, listBounds(item.mask)) : inner;
    }
    case 'blur': {
      const inner = listBounds(item.items);
      return inner && growBlur(inner, item.acrossPx, item.downPx);
    }
    case 'warp': {
      const inner = listBounds(item.items);
      // Between four pixels colours are mixed, so half a pixel more is touched on every side.
      const seen = inner && projectRect(item.map, growRect(inner, 1));
      return seen && outwardRect(seen);
    }
    case 'average':
      return unionRects(item.exposures.flatMap((items) => listBounds(items) ?? []));
    default:
      return assertNever(item, 'display item');
  }
}

/** The pixels of what is in an item that are needed to paint `needed` of the item itself. */
export function neededWithin(item: DisplayItem, needed: Rect): Rect {
  switch (item.kind) {
    case 'clip':
      return intersectRects(needed, outwardRect(item.rectPx));
    case 'moved':
      return moved(needed, { x: -item.byPx.x, y: -item.byPx.y });
    case 'shadow': {
      const { x, y } = item.offsetPx;
      return growBlur(moved(needed, { x: -x, y: -y }), item.blurPx, item.blurPx);
    }
    case 'blur':
      return growBlur(needed, item.acrossPx, item.downPx);
    case 'warp': {
      const back = invertMap(item.map);
      const flat = back && projectRect(back, growRect(needed, 1));
      return flat === null ? { x: 0, y: 0, width: 0, height: 0 } : outwardRect(growRect(flat, 1));
    }
    default:
      return needed;
  }
}

/** A rectangle of whole pixels and as much round it as a blur by these standard deviations brings into it or out of it. */
export function growBlur(rect: Rect, acrossPx: number, downPx: number): Rect {
  const [dx, dy] = [Math.ceil(acrossPx * BLUR_REACH), Math.ceil(downPx * BLUR_REACH)];
  return {
    x: rect.x - dx,
    y: rect.y - dy,
    width: rect.width + 2 * dx,
    height: rect.height + 2 * dy,
  };
}

function knownOutline(outline: Outline): Rect | null {
  const known = ofOutline.get(outline);
  if (known !== undefined) return known;
  const made = outlineBounds(outline);
  ofOutline.set(outline, made);
  return made;
}

const moved = (rect: Rect, by: { readonly x: number; readonly y: number }): Rect => ({
  ...rect,
  x: rect.x + by.x,
  y: rect.y + by.y,
});

const meet = (a: Rect | null, b: Rect | null): Rect | null => a && b && intersectRects(a, b);

const nonEmpty = (rect: Rect | null): Rect | null =>
  rect !== null && rect.width > 0 && rect.height > 0 ? rect : null;
