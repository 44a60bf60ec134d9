import { damageBetween } from '@/core/display/damage';
import { partOf } from '@/core/display/part';
import type { DisplayList } from '@/core/display/list';
import { sameDisplayList } from '@/core/display/list';
import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { mergedRects } from '@/core/kit/mergedRects';
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

/** The areas of a frame (whole px) in which two pictures may differ; `before` null: nothing was seen. */
export function damageOf(
  before: Lists | null,
  after: Lists,
  { widthPx: width, heightPx: height }: Pick<FrameFormat, 'widthPx' | 'heightPx'>,
): readonly Rect[] {
  const rects = after.flatMap(({ items }, i) =>
    damageBetween(before === null ? null : before[i].items, items),
  );
  return mergedRects(rects.map((rect) => intersectRects(rect, { x: 0, y: 0, width, height })));
}

/** Paints a picture and gives areas (whole px) of it: straight-alpha RGBA, row by row, that may be changed. */
export type PaintsAreas = (lists: Lists, areas: readonly Rect[]) => readonly Pixels[];

/** Paints pictures of a format, in fields where there are two lists. */
export function paintsAreas(surfaces: SurfaceMaker, format: FrameFormat, shades: Shades): PaintsAreas {
  const paint = shades === 'plain' ? paintsPlain(surfaces, format) : paintsFine(surfaces, shades);
  return ([first, second = first], areas) => {
    const pixels = paint(first, areas);
    if (second === first || sameDisplayList(first, second)) return pixels;
    const others = paint(second, areas);
    for (const [i, area] of areas.entries()) weaveFields(pixels[i], others[i], area, isTopFirst(format));
    return pixels;
  };
}

type PaintsList = (list: DisplayList, areas: readonly Rect[]) => readonly Pixels[];

function paintsPlain(surfaces: SurfaceMaker, { widthPx, heightPx }: FrameFormat): PaintsList {
  const painter = new Painter(surfaces);
  // Of the whole frame, since a canvas rounds edges otherwise where it begins elsewhere.
  const { context, clear, readPixels } = createRasterFrame(widthPx, heightPx);
  return (list, areas) => {
    const all = unionRects(areas);
    if (all === null) return [];
    clear();
    painter.paint(context, { ...list, items: partOf(list.items, all) });
    return areas.map(readPixels);
  };
}

function paintsFine(surfaces: SurfaceMaker, shades: Shades): PaintsList {
  const painter = new FinePainter(surfaces);
  const turned = shades === 'deep' ? toSixteenBits : toEightBits;
  return ({ items }, areas) => painter.paintParts(items, areas).map((layer) => turned(layer));
}

/** Puts the lines of the second field between those of the first. */
function weaveFields(first: Pixels, second: Pixels, area: Rect, topFirst: boolean): void {
  const stride = area.width * 4;
  const isSecond = (y: number): boolean => (y % 2 === 1) === topFirst;
  for (let row = isSecond(area.y) ? 0 : 1; row < area.height; row += 2)
    first.set(second.subarray(row * stride, (row + 1) * stride), row * stride);
}
