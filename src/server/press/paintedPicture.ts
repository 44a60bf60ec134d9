import { listBounds } from '@/core/display/bounds';
import type { DisplayList } from '@/core/display/list';
import { sameDisplayList } from '@/core/display/list';
import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { growRect, intersectRects, unionRects } from '@/core/kit/rect';
import type { Shades } from '@/core/outputs/output';
import { FinePainter } from '@/paint/fine/finePainter';
import { toEightBits, toSixteenBits } from '@/paint/fine/quantise';
import { Painter } from '@/paint/painter';
import type { SurfaceMaker } from '@/paint/surface';
import { createRasterFrame } from '../raster';
import { isTopFirst } from './colour';
import type { Pixels } from './pictures/picture';

/** What is seen of a picture: straight-alpha RGBA of an area (whole px), row by row, that may be changed. Nothing is seen round it. */
export interface PaintedArea {
  readonly area: Rect;
  readonly pixels: Pixels;
}

/** Paints one list, or two for the fields of a frame. */
export type PaintsPictures = (lists: readonly DisplayList[]) => PaintedArea;

/** Paints no more than what lists can colour and `reachPx` round it: a strap is a tenth of its frame. */
export function paintsPictures(
  surfaces: SurfaceMaker,
  format: FrameFormat,
  shades: Shades,
  reachPx: number,
): PaintsPictures {
  const paint = shades === 'plain' ? paintsPlain(surfaces, format) : paintsFine(surfaces, shades);
  return (lists) => {
    const area = areaOf(lists, format, reachPx);
    const pixels = paint(lists[0], area);
    if (lists.length > 1 && !sameDisplayList(lists[0], lists[1]))
      weaveFields(pixels, paint(lists[1], area), area, isTopFirst(format));
    return { area, pixels };
  };
}

// An area has at least a pixel, so that nobody needs to ask.
const SMALLEST: Rect = { x: 0, y: 0, width: 1, height: 1 };

function areaOf(lists: readonly DisplayList[], { widthPx, heightPx }: FrameFormat, reachPx: number): Rect {
  const bounds = unionRects(lists.flatMap(({ items }) => listBounds(items) ?? []));
  if (bounds === null) return SMALLEST;
  const frame = { x: 0, y: 0, width: widthPx, height: heightPx };
  const area = intersectRects(growRect(bounds, reachPx), frame);
  return area.width === 0 || area.height === 0 ? SMALLEST : area;
}

type PaintsArea = (list: DisplayList, area: Rect) => Pixels;

function paintsPlain(surfaces: SurfaceMaker, { widthPx, heightPx }: FrameFormat): PaintsArea {
  const painter = new Painter(surfaces);
  // Of the whole frame, since a canvas rounds edges otherwise where it begins elsewhere.
  const { context, readPixels } = createRasterFrame(widthPx, heightPx);
  return (list, area) => {
    painter.paint(context, list);
    const pixels = readPixels(area);
    context.clearRect(area.x, area.y, area.width, area.height);
    return pixels;
  };
}

function paintsFine(surfaces: SurfaceMaker, shades: Shades): PaintsArea {
  const painter = new FinePainter(surfaces);
  const turned = shades === 'deep' ? toSixteenBits : toEightBits;
  return ({ items }, area) => turned(painter.paintPart(items, area));
}

/** Puts the lines of the second field between those of the first. */
function weaveFields(first: Pixels, second: Pixels, area: Rect, topFirst: boolean): void {
  const stride = area.width * 4;
  const isSecond = (y: number): boolean => (y % 2 === 1) === topFirst;
  for (let row = isSecond(area.y) ? 0 : 1; row < area.height; row += 2)
    first.set(second.subarray(row * stride, (row + 1) * stride), row * stride);
}
