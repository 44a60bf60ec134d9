import { damageBetween } from '@/core/display/damage';
import { partOf } from '@/core/display/part';
import type { DisplayList } from '@/core/display/list';
import { sameDisplayList } from '@/core/display/list';
import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { intersectRects, unionRects } from '@/core/kit/rect';
import type { Shades } from '@/core/outputs/output';
import { FinePainter } from '@/paint/fine/finePainter';
import { toEightBits, toSixteenBits } from '@/paint/fine/quantise';
import { Painter } from '@/paint/painter';
import type { SurfaceMaker } from '@/paint/surface';
import { createRasterFrame } from '../raster';
import { isTopFirst } from './colour';
import type { Pixels } from './pictures/picture';

/** What a picture shows: one list, or two for the fields of a frame. */
export type Lists = readonly DisplayList[];

/** The whole pixels of a frame in which two pictures may differ; null for none. `before` null: nothing was seen. */
export function damageOf(
  before: Lists | null,
  after: Lists,
  { widthPx, heightPx }: Pick<FrameFormat, 'widthPx' | 'heightPx'>,
): Rect | null {
  const rects = after.flatMap(
    ({ items }, i) => damageBetween(before === null ? null : before[i].items, items) ?? [],
  );
  const damage = unionRects(rects);
  if (damage === null) return null;
  const within = intersectRects(damage, { x: 0, y: 0, width: widthPx, height: heightPx });
  return within.width === 0 || within.height === 0 ? null : within;
}

/** Paints a picture and gives an area (whole px) of it: straight-alpha RGBA, row by row, that may be changed. */
export type PaintsArea = (lists: Lists, area: Rect) => Pixels;

/** Paints pictures of a format, in fields where there are two lists. */
export function paintsAreas(surfaces: SurfaceMaker, format: FrameFormat, shades: Shades): PaintsArea {
  const paint = shades === 'plain' ? paintsPlain(surfaces, format) : paintsFine(surfaces, shades);
  return ([first, second = first], area) => {
    const pixels = paint(first, area);
    if (second !== first && !sameDisplayList(first, second))
      weaveFields(pixels, paint(second, area), area, isTopFirst(format));
    return pixels;
  };
}

type PaintsList = (list: DisplayList, area: Rect) => Pixels;

function paintsPlain(surfaces: SurfaceMaker, { widthPx, heightPx }: FrameFormat): PaintsList {
  const painter = new Painter(surfaces);
  // Of the whole frame, since a canvas rounds edges otherwise where it begins elsewhere.
  const { context, readPixels } = createRasterFrame(widthPx, heightPx);
  return (list, area) => {
    // What earlier pictures left elsewhere is never read.
    context.clearRect(area.x, area.y, area.width, area.height);
    painter.paint(context, { ...list, items: partOf(list.items, area) });
    return readPixels(area);
  };
}

function paintsFine(surfaces: SurfaceMaker, shades: Shades): PaintsList {
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
