import { growBlur, itemBounds, listBounds, neededWithin } from '@/core/display/bounds';
import { invertMap } from '@/core/display/homography';
import type { DisplayItem, DisplayList, HexColour } from '@/core/display/list';
import type { Outline } from '@/core/display/outline';
import { replayOutline } from '@/core/display/outline';
import { assertNever } from '@/core/kit/assertNever';
import type { Matrix } from '@/core/kit/matrix';
import { mapPoint } from '@/core/kit/matrix';
import type { Rect } from '@/core/kit/rect';
import { intersectRects, outwardRect } from '@/core/kit/rect';
import { blurPlane } from '../blurAxes';
import type { Surface, SurfaceContext, SurfaceMaker, SurfacePath } from '../surface';
import { SurfacePool } from '../surfacePool';
import { place, visible } from '../visible';
import type { FineColour } from './fineColour';
import { fineColour } from './fineColour';
import type { FineLayer } from './fineLayer';
import { fineLayer, layFine, movedFine, sampleFine } from './fineLayer';

type Of<K extends DisplayItem['kind']> = Extract<DisplayItem, { kind: K }>;

/** Where something is painted, and how. */
interface On {
  readonly layer: FineLayer;
  /** The part of the picture that may be coloured. */
  readonly area: Rect;
  readonly tint?: HexColour;
}

/**
 * Paints display lists with more than the 256 shades of a canvas: how far a shape covers each pixel comes from a
 * canvas, and colours, gradients, opacity, shadows and blur are worked out in 32-bit numbers. Many times slower than
 * `Painter`, and of the same geometry.
 */
export class FinePainter {
  private readonly paths = new WeakMap<Outline, SurfacePath>();
  private readonly pool: SurfacePool;

  constructor(private readonly maker: SurfaceMaker) {
    this.pool = new SurfacePool(maker);
  }

  /** Paints a frame. */
  paint({ widthPx, heightPx, items }: DisplayList): FineLayer {
    return this.layer({ x: 0, y: 0, width: widthPx, height: heightPx }, items);
  }

  private layer(area: Rect, items: readonly DisplayItem[], tint?: HexColour): FineLayer {
    const layer = fineLayer(area);
    this.paintItems({ layer, area, tint }, items);
    return layer;
  }

  private paintItems(on: On, items: readonly DisplayItem[]): void {
    for (const item of items) this.paintItem(on, item);
  }

  private paintItem(on: On, item: DisplayItem): void {
    switch (item.kind) {
      case 'fill':
        return this.paintShape(on, item, (context, path) => context.fill(path));
      case 'stroke':
        return this.paintShape(on, item, (context, path) => {
          context.lineWidth = item.width;
          context.lineJoin = 'round';
          context.stroke(path);
        });
      case 'image':
        return this.paintImage(on, item);
      case 'clip':
        return this.paintItems(
          { ...on, area: intersectRects(on.area, outwardRect(item.rectPx)) },
          item.items,
        );
      case 'group':
        return this.paintGroup(on, item);
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

  private paintShape(
    on: On,
    item: Of<'fill'> | Of<'stroke'>,
    draw: (context: SurfaceContext, path: SurfacePath) => void,
  ): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const surface = this.pool.take(area.width, area.height);
    const { context } = surface;
    place(context, item.matrix, area);
    context.fillStyle = '#ffffff';
    context.strokeStyle = '#ffffff';
    draw(context, this.pathOf(item.outline));
    const covered = this.pixelsOf(surface, area);
    const back = item.paint.kind === 'solid' ? null : inverseOf(item.matrix);
    const colour = fineColour(item.paint, on.tint);
    layFine(on.layer, coloured(covered, area, item.opacity, colour, back), { area });
  }

  private paintImage(on: On, item: Of<'image'>): void {
    const image = this.maker.picture(item.asset);
    const area = visible(itemBounds(item), on.area);
    if (image === null || area === null) return;
    const surface = this.pool.take(area.width, area.height);
    const { sourcePx: from, rect: to } = item;
    place(surface.context, item.matrix, area);
    surface.context.drawImage(
      image,
      from.x,
      from.y,
      from.width,
      from.height,
      to.x,
      to.y,
      to.width,
      to.height,
    );
    const pixels = this.pixelsOf(surface, area);
    const tint = on.tint === undefined ? null : fineColour({ kind: 'solid', colour: on.tint });
    const layer =
      tint === null
        ? fromPixels(pixels, area, item.opacity)
        : coloured(pixels, area, item.opacity, tint, null);
    layFine(on.layer, layer, { area });
  }

  private paintGroup(on: On, item: Of<'group'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area !== null)
      layFine(on.layer, this.layer(area, item.items, on.tint), { area, opacity: item.opacity });
  }

  private paintAtop(on: On, item: Of<'atop'>): void {
    // A shadow is as opaque with light on what throws it as without.
    if (on.tint !== undefined) return;
    const area = visible(listBounds(item.items), on.area);
    if (area !== null) layFine(on.layer, this.layer(area, item.items), { area, by: 'atop' });
  }

  private paintShadow(on: On, item: Of<'shadow'>): void {
    const bounds = listBounds(item.items);
    const grown = bounds && growBlur(bounds, item.blurPx, item.blurPx);
    const area = visible(grown, neededWithin(item, on.area));
    if (area === null) return;
    const shape = this.layer(area, item.items, item.colour);
    if (item.blurPx > 0) blurFine(shape, item.blurPx, item.blurPx);
    const { x, y } = item.offsetPx;
    layFine(on.layer, movedFine(shape, x, y), { area: on.area, opacity: item.opacity });
  }

  private paintMask(on: On, item: Of<'mask'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const layer = this.layer(area, item.items, on.tint);
    const mask = this.layer(area, item.mask);
    if (item.by === 'brightness') brightnessToAlpha(mask);
    layFine(layer, mask, { area, by: item.mode });
    layFine(on.layer, layer, { area });
  }

  private paintBlur(on: On, item: Of<'blur'>): void {
    const area = visible(itemBounds(item), neededWithin(item, on.area));
    if (area === null) return;
    const layer = this.layer(area, item.items, on.tint);
    blurFine(layer, item.acrossPx, item.downPx);
    layFine(on.layer, layer, { area: on.area });
  }

  private paintWarp(on: On, item: Of<'warp'>): void {
    const area = visible(itemBounds(item), on.area);
    const flat = visible(listBounds(item.items), neededWithin(item, on.area));
    const toFlat = invertMap(item.map);
    if (area === null || flat === null || toFlat === null) return;
    const layer = warped(this.layer(flat, item.items, on.tint), area, toFlat);
    layFine(on.layer, layer, { area, opacity: item.opacity });
  }

  private paintAverage(on: On, item: Of<'average'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area === null) return;
    const mean = fineLayer(area);
    const share = 1 / item.exposures.length;
    for (const items of item.exposures) {
      const { planes } = this.layer(area, items, on.tint);
      for (const [i, plane] of mean.planes.entries())
        for (let at = 0; at < plane.length; at++) plane[at] += planes[i][at] * share;
    }
    layFine(on.layer, mean, { area });
  }

  private pixelsOf(surface: Surface, { width, height }: Rect): Uint8ClampedArray {
    const pixels = surface.readPixels(width, height);
    this.pool.giveBack(surface);
    return pixels;
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

/** A layer of a colour, as opaque as the alpha of some pixels. `back` leads from the picture to the colour's coordinates. */
function coloured(
  pixels: Uint8ClampedArray,
  area: Rect,
  opacity: number,
  colour: FineColour,
  back: Matrix | null,
): FineLayer {
  const layer = fineLayer(area);
  const [r, g, b, a] = layer.planes;
  let [red, green, blue, alpha] = colour(0, 0);
  for (let at = 0; at < a.length; at++) {
    const covered = pixels[at * 4 + 3];
    if (covered === 0) continue;
    if (back !== null) {
      const [x, y] = [area.x + (at % area.width) + 0.5, area.y + Math.floor(at / area.width) + 0.5];
      const own = mapPoint(back, { x, y });
      [red, green, blue, alpha] = colour(own.x, own.y);
    }
    const share = (covered / 255) * alpha * opacity;
    r[at] = red * share;
    g[at] = green * share;
    b[at] = blue * share;
    a[at] = share;
  }
  return layer;
}

/** A layer from straight-alpha pixels. */
function fromPixels(pixels: Uint8ClampedArray, area: Rect, opacity: number): FineLayer {
  const layer = fineLayer(area);
  const [r, g, b, a] = layer.planes;
  for (let at = 0; at < a.length; at++) {
    const share = (pixels[at * 4 + 3] / 255) * opacity;
    r[at] = (pixels[at * 4] / 255) * share;
    g[at] = (pixels[at * 4 + 1] / 255) * share;
    b[at] = (pixels[at * 4 + 2] / 255) * share;
    a[at] = share;
  }
  return layer;
}

function blurFine({ area, planes }: FineLayer, acrossPx: number, downPx: number): void {
  for (const plane of planes) blurPlane(plane, area.width, area.height, acrossPx, downPx);
}

/** Each pixel as opaque as it is bright (BT.709 luma of what shows over black). */
function brightnessToAlpha({ planes: [r, g, b, a] }: FineLayer): void {
  for (let at = 0; at < a.length; at++) a[at] = 0.2126 * r[at] + 0.7152 * g[at] + 0.0722 * b[at];
}

/** What a layer shows after a projective map from the pixels of `area` to its own. */
function warped(source: FineLayer, area: Rect, map: readonly number[]): FineLayer {
  const layer = fineLayer(area);
  const sum = new Float32Array(4);
  for (let row = 0; row < area.height; row++) {
    for (let column = 0; column < area.width; column++) {
      const [x, y] = [area.x + column + 0.5, area.y + row + 0.5];
      const w = map[6] * x + map[7] * y + map[8];
      // Behind the eye.
      if (w <= 0) continue;
      const u = (map[0] * x + map[1] * y + map[2]) / w - 0.5;
      const v = (map[3] * x + map[4] * y + map[5]) / w - 0.5;
      sampleFine(source, u, v, sum);
      const at = row * area.width + column;
      for (const [i, plane] of layer.planes.entries()) plane[at] = sum[i];
    }
  }
  return layer;
}

/** The map back; null where everything falls onto a line. */
function inverseOf([a, b, c, d, e, f]: Matrix): Matrix | null {
  const size = a * d - b * c;
  if (size === 0) return null;
  return [d / size, -b / size, -c / size, a / size, (c * f - d * e) / size, (b * e - a * f) / size];
}
