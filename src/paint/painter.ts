import type { DisplayItem, DisplayList, HexColour, Paint } from '@/core/display/list';
import type { Outline } from '@/core/display/outline';
import { replayOutline } from '@/core/display/outline';
import { assertNever } from '@/core/kit/assertNever';
import type { Matrix } from '@/core/kit/matrix';
import { mapRect } from '@/core/kit/matrix';
import type { Rect } from '@/core/kit/rect';
import { growRect, outwardRect } from '@/core/kit/rect';
import { blurAxes } from './blurAxes';
import { Exposure } from './exposure';
import { brightnessToAlpha, pixelsOf, warpPixels } from './pixels';
import type { Surface, SurfaceContext, SurfaceMaker, SurfacePath } from './surface';

type Of<K extends DisplayItem['kind']> = Extract<DisplayItem, { kind: K }>;

/** Paints display lists with one canvas implementation; paths are made once per outline. */
export class Painter {
  private readonly paths = new WeakMap<Outline, SurfacePath>();

  constructor(private readonly maker: SurfaceMaker) {}

  /** Paints a frame over what the context shows, at its top left corner. */
  paint(context: SurfaceContext, list: DisplayList): void {
    this.paintItems(context, list.items, 0, 0);
    context.setTransform(1, 0, 0, 1, 0, 0);
  }

  /** Paints a part of a frame, with the frame's point (`left`, `top`), whole pixels, at the context's corner. */
  paintPart(context: SurfaceContext, items: readonly DisplayItem[], left: number, top: number): void {
    this.paintItems(context, items, left, top);
    context.setTransform(1, 0, 0, 1, 0, 0);
  }

  private paintItems(
    context: SurfaceContext,
    items: readonly DisplayItem[],
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    for (const item of items) this.paintItem(context, item, left, top, tint);
  }

  private paintItem(
    context: SurfaceContext,
    item: DisplayItem,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    switch (item.kind) {
      case 'fill':
        place(context, item.matrix, left, top);
        context.globalAlpha = item.opacity;
        context.fillStyle = paintStyle(context, item.paint, tint);
        context.fill(this.pathOf(item.outline));
        context.globalAlpha = 1;
        return;
      case 'stroke':
        place(context, item.matrix, left, top);
        context.globalAlpha = item.opacity;
        context.strokeStyle = paintStyle(context, item.paint, tint);
        context.lineWidth = item.width;
        context.lineJoin = 'round';
        context.stroke(this.pathOf(item.outline));
        context.globalAlpha = 1;
        return;
      case 'clip':
        this.paintClip(context, item, left, top, tint);
        return;
      case 'group':
        this.paintGroup(context, item, left, top, tint);
        return;
      case 'shadow':
        this.paintShadow(context, item, left, top);
        return;
      case 'mask':
        this.paintMask(context, item, left, top, tint);
        return;
      case 'blur':
        this.paintBlur(context, item, left, top, tint);
        return;
      case 'image':
        this.paintImage(context, item, left, top, tint);
        return;
      case 'warp':
        this.paintWarp(context, item, left, top, tint);
        return;
      case 'average':
        this.paintAverage(context, item, left, top, tint);
        return;
      default:
        assertNever(item, 'display item');
    }
  }

  private paintWarp(
    context: SurfaceContext,
    item: Of<'warp'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { boundsPx, flatPx, toFlat, opacity } = item;
    if (boundsPx.width <= 0 || boundsPx.height <= 0 || flatPx.width <= 0 || flatPx.height <= 0) return;
    const source = pixelsOf(this.layer(flatPx, item.items, tint));
    const target = this.maker.surface(boundsPx.width, boundsPx.height);
    target.changePixels((data) => warpPixels(source, flatPx, data, boundsPx, toFlat));
    this.lay(context, target, boundsPx.x - left, boundsPx.y - top, opacity);
  }

  private paintAverage(
    context: SurfaceContext,
    item: Of<'average'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { boundsPx } = item;
    if (boundsPx.width <= 0 || boundsPx.height <= 0) return;
    const sum = new Exposure(boundsPx.width * boundsPx.height);
    for (const items of item.exposures) sum.add(pixelsOf(this.layer(boundsPx, items, tint)));
    const target = this.maker.surface(boundsPx.width, boundsPx.height);
    target.changePixels((data) => sum.write(data));
    this.lay(context, target, boundsPx.x - left, boundsPx.y - top, 1);
  }

  private paintClip(
    context: SurfaceContext,
    item: Of<'clip'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { x, y, width, height } = item.rectPx;
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.beginPath();
    context.rect(x - left, y - top, width, height);
    context.clip();
    this.paintItems(context, item.items, left, top, tint);
    context.restore();
  }

  private paintGroup(
    context: SurfaceContext,
    item: Of<'group'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { boundsPx, opacity } = item;
    if (boundsPx.width <= 0 || boundsPx.height <= 0) return;
    const layer = this.layer(boundsPx, item.items, tint);
    this.lay(context, layer, boundsPx.x - left, boundsPx.y - top, opacity);
  }

  private paintShadow(context: SurfaceContext, item: Of<'shadow'>, left: number, top: number): void {
    const spread = Math.ceil(item.blurPx * 3);
    const area = growRect(item.boundsPx, spread);
    if (item.boundsPx.width <= 0 || item.boundsPx.height <= 0) return;
    const shape = this.layer(area, item.items, item.colour);
    const soft = item.blurPx > 0 ? this.blurred(shape, area, item.blurPx) : shape;
    this.lay(context, soft, area.x + item.offsetPx.x - left, area.y + item.offsetPx.y - top, item.opacity);
  }

  private paintMask(
    context: SurfaceContext,
    item: Of<'mask'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { boundsPx } = item;
    if (boundsPx.width <= 0 || boundsPx.height <= 0) return;
    const layer = this.layer(boundsPx, item.items, tint);
    const mask = this.layer(boundsPx, item.mask);
    if (item.by === 'brightness') mask.changePixels(brightnessToAlpha);
    layer.context.globalCompositeOperation = item.mode === 'in' ? 'destination-in' : 'destination-out';
    this.lay(layer.context, mask, 0, 0, 1);
    this.lay(context, layer, boundsPx.x - left, boundsPx.y - top, 1);
  }

  private paintBlur(
    context: SurfaceContext,
    item: Of<'blur'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const { boundsPx, acrossPx, downPx } = item;
    if (boundsPx.width <= 0 || boundsPx.height <= 0) return;
    const spread = Math.ceil(Math.max(acrossPx, downPx) * 3);
    const area = growRect(boundsPx, spread);
    const sharp = this.layer(area, item.items, tint);
    const even = Math.abs(acrossPx - downPx) < 0.01;
    const soft = even ? this.blurred(sharp, area, acrossPx) : sharp;
    if (!even) {
      sharp.changePixels((data) => blurAxes(data, area.width, area.height, acrossPx, downPx));
    }
    this.lay(context, soft, area.x - left, area.y - top, 1);
  }

  private paintImage(
    context: SurfaceContext,
    item: Of<'image'>,
    left: number,
    top: number,
    tint?: HexColour,
  ): void {
    const image = this.maker.picture(item.asset);
    if (image === null) return;
    const { sourcePx: from, rect: to } = item;
    const draw = (on: SurfaceContext, x: number, y: number): void => {
      place(on, item.matrix, x, y);
      on.drawImage(image, from.x, from.y, from.width, from.height, to.x, to.y, to.width, to.height);
    };
    if (tint === undefined) {
      context.globalAlpha = item.opacity;
      draw(context, left, top);
      context.globalAlpha = 1;
      return;
    }
    const area = outwardRect(mapRect(item.matrix, to));
    const layer = this.maker.surface(Math.max(1, area.width), Math.max(1, area.height));
    draw(layer.context, area.x, area.y);
    layer.context.setTransform(1, 0, 0, 1, 0, 0);
    layer.context.globalCompositeOperation = 'source-in';
    layer.context.fillStyle = tint;
    layer.context.fillRect(0, 0, area.width, area.height);
    this.lay(context, layer, area.x - left, area.y - top, item.opacity);
  }

  // Blurring between two small canvases costs a quarter of blurring straight onto a full frame.
  private blurred(shape: Surface, area: Rect, blurPx: number): Surface {
    const target = this.maker.surface(area.width, area.height);
    target.context.filter = `blur(${blurPx}px)`;
    target.context.drawImage(shape.image, 0, 0);
    target.context.filter = 'none';
    return target;
  }

  private layer(area: Rect, items: readonly DisplayItem[], tint?: HexColour): Surface {
    const surface = this.maker.surface(area.width, area.height);
    this.paintItems(surface.context, items, area.x, area.y, tint);
    return surface;
  }

  private lay(context: SurfaceContext, surface: Surface, x: number, y: number, opacity: number): void {
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha = opacity;
    context.drawImage(surface.image, x, y);
    context.globalAlpha = 1;
  }

  private pathOf(outline: Outline): SurfacePath {
    const known = this.paths.get(outline);
    if (known !== undefined) return known;
    const path = this.maker.path();
    replayOutline(outline, path);
    this.paths.set(outline, path);
    return path;
  }
}

function place(context: SurfaceContext, m: Matrix, left: number, top: number): void {
  context.setTransform(m[0], m[1], m[2], m[3], m[4] - left, m[5] - top);
}

/** A fill style; with a tint its colours become that colour and only its opacity counts, as for a shadow. */
function paintStyle(context: SurfaceContext, paint: Paint, tint?: HexColour): unknown {
  if (paint.kind === 'solid') return tint ?? paint.colour;
  const gradient = gradientOf(context, paint);
  for (const stop of paint.stops)
    gradient.addColorStop(stop.at, cssColour(tint ?? stop.colour, stop.opacity));
  return gradient;
}

function gradientOf(
  context: SurfaceContext,
  paint: Exclude<Paint, { kind: 'solid' }>,
): ReturnType<SurfaceContext['createLinearGradient']> {
  switch (paint.kind) {
    case 'linear':
      return context.createLinearGradient(paint.from.x, paint.from.y, paint.to.x, paint.to.y);
    case 'radial': {
      const { x, y } = paint.centre;
      return context.createRadialGradient(x, y, 0, x, y, paint.radius);
    }
    case 'conic':
      return context.createConicGradient(paint.startRadians, paint.centre.x, paint.centre.y);
    default:
      return assertNever(paint, 'paint');
  }
}

function cssColour(colour: HexColour, opacity: number): string {
  const alpha = Math.round(opacity * 255)
    .toString(16)
    .padStart(2, '0');
  return `${colour}${alpha}`;
}
