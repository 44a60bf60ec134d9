import type { Matrix } from '@/core/kit/matrix';
import type { Rect } from '@/core/kit/rect';
import { intersectRects } from '@/core/kit/rect';
import type { SurfaceContext } from './surface';

/** Surfaces are never longer than this, whatever a perspective brings near. */
const LONGEST_SIDE_PX = 8192;

/** What of some bounds lies in an area, in whole px and no longer than a surface may be; null for nothing. */
export function visible(bounds: Rect | null, area: Rect): Rect | null {
  if (bounds === null) return null;
  const { x, y, width, height } = intersectRects(bounds, area);
  if (width <= 0 || height <= 0) return null;
  return { x, y, width: Math.min(width, LONGEST_SIDE_PX), height: Math.min(height, LONGEST_SIDE_PX) };
}

/** More than that (px) is not painted of what goes by where it is not seen: a frame of 2160p. */
const MOST_WHOLE_PX = 3840 * 2160;

/** All of some bounds where any of it lies in an area, so that what goes by stays the same; of what is huge, what is seen. */
export function wholeOrVisible(bounds: Rect | null, area: Rect): Rect | null {
  const seen = visible(bounds, area);
  if (bounds === null || seen === null) return null;
  const { width, height } = bounds;
  return width * height <= MOST_WHOLE_PX && Math.max(width, height) <= LONGEST_SIDE_PX ? bounds : seen;
}

/** Lets outlines be drawn by a matrix where the context's top left corner is that of an area. */
export function place(context: SurfaceContext, m: Matrix, { x, y }: Rect): void {
  context.setTransform(m[0], m[1], m[2], m[3], m[4] - x, m[5] - y);
}
