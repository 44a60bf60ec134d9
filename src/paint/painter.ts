import { growBlur, itemBounds, listBounds, neededWithin } from '@/core/display/bounds';
import { invertMap } from '@/core/display/homography';
import { showsAsset } from '@/core/display/inner';
import { showsMoving } from '@/core/display/moving';
import type { DisplayItem, DisplayList, HexColour, Paint } from '@/core/display/list';
import { assertNever } from '@/core/kit/assertNever';
import type { Rect } from '@/core/kit/rect';
import { blurAxes } from './blurAxes';
import { Exposure } from './exposure';
import { brightnessToAlpha, warpPixels } from './pixels';
import { KeptSurfaces } from './keptSurfaces';
import type { Surface, SurfaceContext, SurfaceMaker } from './surface';
import { SurfacePool } from './surfacePool';
import { place, visible, wholeOrVisible } from './visible';
import { OutlinePaths } from './outlinePaths';

type Of<K extends DisplayItem['kind']> = Extract<DisplayItem, { kind: K }>;

/** Where something is painted. */
interface Canvas {
  readonly context: SurfaceContext;
  /** The part of the picture (whole px) whose top left corner lies at the context's; nothing else need be painted. */
  readonly area: Rect;
  /** Paints everything in this colour, for a shadow. */
  readonly tint?: HexColour;
}

/**
 * Paints display lists with one canvas implementation. Paths are made once per outline. What is painted by itself
 * first gets a surface that is no larger than what of it can be seen; what comes again as it was is not painted again.
 */
export class Painter {
  private readonly paths: OutlinePaths;
  private readonly pool: SurfacePool;
  private readonly kept: KeptSurfaces;

  constructor(private readonly maker: SurfaceMaker) {
    this.paths = new OutlinePaths(maker);
    this.pool = new SurfacePool(maker);
    this.kept = new KeptSurfaces(
      (surface) => this.pool.giveBack(surface),
      // What moves is another picture at once, and the one before it may stand in for it.
      (item) => !showsMoving([item]) && !showsAsset([item], (asset) => maker.picture(asset) === null),
    );
  }

  /** Paints a frame over what the context shows, at its top left corner. */
  paint(context: SurfaceContext, list: DisplayList): void {
    this.paintPart(context, list.items, { x: 0, y: 0, width: list.widthPx, height: list.heightPx });
  }

  /** Paints a part of a frame (whole px), its top left corner at the context's. */
  paintPart(context: SurfaceContext, items: readonly DisplayItem[], area: Rect): void {
    this.paintItems({ context, area }, items);
    context.setTransform(1, 0, 0, 1, 0, 0);
  }

  private paintItems(on: Canvas, items: readonly DisplayItem[]): void {
    for (const item of items) this.paintItem(on, item);
  }

  private paintItem(on: Canvas, item: DisplayItem): void {
    switch (item.kind) {
      case 'fill':
        return this.paintFill(on, item);
      case 'stroke':
        return this.paintStroke(on, item);
      case 'image':
        return this.paintImage(on, item);
      case 'clip':
        return this.paintClip(on, item);
      case 'group':
        return this.paintGroup(on, item);
      case 'moved':
        return this.paintMoved(on, item);
      case 'atop':
        return this.paintAtop(on, item);
      case 'shadow':
        return this.paintShadow(on, item);
      case 'mask':
        return this.paintMask(on, item);
      case 'blur':
        return this.paintBlur(on, item);
      case 'warp':
        return this.paintWarp(on, item);
      case 'average':
        return this.paintAverage(on, item);
      default:
        assertNever(item, 'display item');
    }
  }

  private paintFill({ context, area, tint }: Canvas, item: Of<'fill'>): void {
    place(context, item.matrix, area);
    context.globalAlpha = item.opacity;
    context.fillStyle = paintStyle(context, item.paint, tint);
    context.fill(this.paths.of(item.outline));
    context.globalAlpha = 1;
  }

  private paintStroke({ context, area, tint }: Canvas, item: Of<'stroke'>): void {
    place(context, item.matrix, area);
    context.globalAlpha = item.opacity;
    context.strokeStyle = paintStyle(context, item.paint, tint);
    context.lineWidth = item.width;
    context.lineJoin = 'round';
    context.stroke(this.paths.of(item.outline));
    context.globalAlpha = 1;
  }

  private paintImage(on: Canvas, item: Of<'image'>): void {
    const image = this.maker.picture(item.asset);
    if (image === null) return;
    const { sourcePx: from, rect: to } = item;
    const draw = ({ context, area }: Canvas): void => {
      place(context, item.matrix, area);
      context.drawImage(image, from.x, from.y, from.width, from.height, to.x, to.y, to.width, to.height);
    };
    if (on.tint === undefined) {
      on.context.globalAlpha = item.opacity;
      draw(on);
      on.context.globalAlpha = 1;
      return;
    }
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const layer = this.pool.take(area.width, area.height);
    const { context } = layer;
    draw({ context, area });
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalCompositeOperation = 'source-in';
    context.fillStyle = on.tint;
    context.fillRect(0, 0, area.width, area.height);
    context.globalCompositeOperation = 'source-over';
    this.lay(on, layer, area, item.opacity);
  }

  private paintClip(on: Canvas, item: Of<'clip'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const { context } = on;
    const { x, y, width, height } = item.rectPx;
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.beginPath();
    context.rect(x - on.area.x, y - on.area.y, width, height);
    context.clip();
    this.paintItems(on, item.items);
    context.restore();
  }

  private paintGroup(on: Canvas, item: Of<'group'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const own = this.kept.of(item, area, on.tint, () => this.layer(area, item.items, on.tint));
    this.lay(on, own, area, item.opacity);
  }

  private paintMoved(on: Canvas, item: Of<'moved'>): void {
    const area = wholeOrVisible(listBounds(item.items), neededWithin(item, on.area));
    if (area === null) return;
    const own = this.kept.of(item, area, on.tint, () => this.layer(area, item.items, on.tint));
    const { x, y } = item.byPx;
    this.lay(on, own, { ...area, x: area.x + x, y: area.y + y }, 1);
  }

  private paintAtop(on: Canvas, item: Of<'atop'>): void {
    // A shadow is as opaque with light on what throws it as without.
    if (on.tint !== undefined) return;
    const area = visible(listBounds(item.items), on.area);
    if (area === null) return;
    const layer = this.layer(area, item.items);
    on.context.globalCompositeOperation = 'source-atop';
    this.lay(on, layer, area, 1);
    on.context.globalCompositeOperation = 'source-over';
  }

  private paintShadow(on: Canvas, item: Of<'shadow'>): void {
    const bounds = listBounds(item.items);
    const grown = bounds && growBlur(bounds, item.blurPx, item.blurPx);
    const area = visible(grown, neededWithin(item, on.area));
    if (area === null) return;
    const soft = this.kept.of(item, area, undefined, () => {
      const shape = this.layer(area, item.items, item.colour);
      return item.blurPx > 0 ? this.blurred(shape, area, item.blurPx) : shape;
    });
    const { x, y } = item.offsetPx;
    this.lay(on, soft, { ...area, x: area.x + x, y: area.y + y }, item.opacity);
  }

  private paintMask(on: Canvas, item: Of<'mask'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const own = this.kept.of(item, area, on.tint, () => {
      const layer = this.layer(area, item.items, on.tint);
      const mask = this.layer(area, item.mask);
      if (item.by === 'brightness') mask.changePixels(area.width, area.height, brightnessToAlpha);
      layer.context.globalCompositeOperation = item.mode === 'in' ? 'destination-in' : 'destination-out';
      this.lay({ context: layer.context, area }, mask, area, 1);
      layer.context.globalCompositeOperation = 'source-over';
      return layer;
    });
    this.lay(on, own, area, 1);
  }

  private paintBlur(on: Canvas, item: Of<'blur'>): void {
    const { acrossPx, downPx } = item;
    const area = visible(itemBounds(item), neededWithin(item, on.area));
    if (area === null) return;
    const { width, height } = area;
    const own = this.kept.of(item, area, on.tint, () => {
      const sharp = this.layer(area, item.items, on.tint);
      if (Math.abs(acrossPx - downPx) < 0.01) return this.blurred(sharp, area, acrossPx);
      sharp.changePixels(width, height, (data) => blurAxes(data, width, height, acrossPx, downPx));
      return sharp;
    });
    this.lay(on, own, area, 1);
  }

  private paintWarp(on: Canvas, item: Of<'warp'>): void {
    const area = visible(itemBounds(item), on.area);
    const flat = visible(listBounds(item.items), neededWithin(item, on.area));
    const toFlat = invertMap(item.map);
    if (area === null || flat === null || toFlat === null) return;
    const own = this.kept.of(item, area, on.tint, () => {
      const flatLayer = this.layer(flat, item.items, on.tint);
      const source = flatLayer.readPixels(flat.width, flat.height);
      this.pool.giveBack(flatLayer);
      const target = this.pool.take(area.width, area.height);
      target.changePixels(area.width, area.height, (data) => warpPixels(source, flat, data, area, toFlat));
      return target;
    });
    this.lay(on, own, area, item.opacity);
  }

  private paintAverage(on: Canvas, item: Of<'average'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const own = this.kept.of(item, area, on.tint, () => {
      const sum = new Exposure(area.width * area.height);
      for (const items of item.exposures) {
        const layer = this.layer(area, items, on.tint);
        sum.add(layer.readPixels(area.width, area.height));
        this.pool.giveBack(layer);
      }
      const target = this.pool.take(area.width, area.height);
      target.changePixels(area.width, area.height, (data) => sum.write(data));
      return target;
    });
    this.lay(on, own, area, 1);
  }

  // Blurring between two small canvases costs a quarter of blurring straight onto a full frame.
  private blurred(shape: Surface, { width, height }: Rect, blurPx: number): Surface {
    const target = this.pool.take(width, height);
    target.context.filter = `blur(${blurPx}px)`;
    target.context.drawImage(shape.image, 0, 0, width, height, 0, 0, width, height);
    target.context.filter = 'none';
    this.pool.giveBack(shape);
    return target;
  }

  private layer(area: Rect, items: readonly DisplayItem[], tint?: HexColour): Surface {
    const surface = this.pool.take(area.width, area.height);
    this.paintItems({ context: surface.context, area, tint }, items);
    return surface;
  }

  /** Lays a surface that shows `area` down, and gives it back unless it is kept. */
  private lay({ context, area: of }: Canvas, surface: Surface, area: Rect, opacity: number): void {
    const { x, y, width, height } = area;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha = opacity;
    context.drawImage(surface.image, 0, 0, width, height, x - of.x, y - of.y, width, height);
    context.globalAlpha = 1;
    if (!this.kept.holds(surface)) this.pool.giveBack(surface);
  }
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
