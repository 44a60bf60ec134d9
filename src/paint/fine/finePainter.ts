import { growBlur, itemBounds, listBounds, neededWithin } from '@/core/display/bounds';
import { invertMap } from '@/core/display/homography';
import type { DisplayItem, DisplayList, HexColour } from '@/core/display/list';
import { assertNever } from '@/core/kit/assertNever';
import type { Matrix } from '@/core/kit/matrix';
import { mapPoint } from '@/core/kit/matrix';
import type { Rect } from '@/core/kit/rect';
import { intersectRects, outwardRect } from '@/core/kit/rect';
import { blurPlane } from '../blurAxes';
import type { Surface, SurfaceContext, SurfaceMaker, SurfacePath } from '../surface';
import { SurfacePool } from '../surfacePool';
import { place, visible, wholeOrVisible } from '../visible';
import type { FineColour } from './fineColour';
import { fineColour } from './fineColour';
import type { Channels, FineLayer } from './fineLayer';
import { fineLayer, indexOf, layFine, movedFine, sampleFine } from './fineLayer';
import { GoneBy } from './goneBy';
import { OutlinePaths } from '../outlinePaths';

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
  private readonly paths: OutlinePaths;
  private readonly pool: SurfacePool;
  private readonly goneBy = new GoneBy();

  constructor(private readonly maker: SurfaceMaker) {
    this.paths = new OutlinePaths(maker);
    this.pool = new SurfacePool(maker);
  }

  /** Paints a frame. */
  paint({ widthPx, heightPx, items }: DisplayList): FineLayer {
    return this.paintPart(items, { x: 0, y: 0, width: widthPx, height: heightPx });
  }

  /** Paints a part of a frame (whole px). */
  paintPart(items: readonly DisplayItem[], area: Rect): FineLayer {
    return this.paintParts(items, [area])[0];
  }

  /** Paints parts of one frame (whole px). */
  paintParts(items: readonly DisplayItem[], areas: readonly Rect[]): readonly FineLayer[] {
    this.goneBy.nextPicture();
    return areas.map((area) => this.layer(area, items));
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
    draw(context, this.paths.of(item.outline));
    const covered = this.pixelsOf(surface, area);
    const back = item.paint.kind === 'solid' ? null : inverseOf(item.matrix);
    const colour = fineColour(item.paint, on.tint);
    layPixels(on.layer, covered, area, item.opacity, colourAt(colour, area, back));
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
    const colour =
      on.tint === undefined ? ownColours(pixels) : colourAt(fineColour({ kind: 'solid', colour: on.tint }));
    layPixels(on.layer, pixels, area, item.opacity, colour);
  }

  private paintGroup(on: On, item: Of<'group'>): void {
    const area = visible(itemBounds(item), on.area);
    if (area !== null)
      layFine(on.layer, this.layer(area, item.items, on.tint), { area, opacity: item.opacity });
  }

  private paintMoved(on: On, item: Of<'moved'>): void {
    const area = wholeOrVisible(listBounds(item.items), neededWithin(item, on.area));
    if (area === null) return;
    const own = this.goneBy.of(item.items, area, on.tint, () => this.layer(area, item.items, on.tint));
    const { x, y } = item.byPx;
    layFine(on.layer, movedFine(own, x, y), { area: on.area });
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
    if (item.blurPx > 0) blurTinted(shape, item.colour, item.blurPx);
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
}

/** The colour (not multiplied) and alpha of a pixel by its number. */
type PixelColour = (at: number) => Channels<number>;

/** A colour in the pixels of an area. `back` leads from the picture to the colour's coordinates; null where it is one colour. */
function colourAt(colour: FineColour, area: Rect | null = null, back: Matrix | null = null): PixelColour {
  if (area === null || back === null) {
    const same = colour(0, 0);
    return () => same;
  }
  return (at) => {
    const [x, y] = [area.x + (at % area.width) + 0.5, area.y + Math.floor(at / area.width) + 0.5];
    const own = mapPoint(back, { x, y });
    return colour(own.x, own.y);
  };
}

/** The colours that pixels have themselves; how opaque they are is asked of the pixels. */
function ownColours(pixels: Uint8ClampedArray): PixelColour {
  return (at) => [pixels[at * 4] / 255, pixels[at * 4 + 1] / 255, pixels[at * 4 + 2] / 255, 1];
}

/** Lays colours over what an area shows, as far as the alpha of some pixels goes. */
function layPixels(
  below: FineLayer,
  pixels: Uint8ClampedArray,
  area: Rect,
  opacity: number,
  colour: PixelColour,
): void {
  const [r, g, b, a] = below.planes;
  for (let i = 0; i < area.width * area.height; i++) {
    const covered = pixels[i * 4 + 3];
    if (covered === 0) continue;
    const [red, green, blue, own] = colour(i);
    const alpha = (covered / 255) * own * opacity;
    const rest = 1 - alpha;
    const at = indexOf(below.area, area.x + (i % area.width), area.y + Math.floor(i / area.width));
    r[at] = red * alpha + r[at] * rest;
    g[at] = green * alpha + g[at] * rest;
    b[at] = blue * alpha + b[at] * rest;
    a[at] = alpha + a[at] * rest;
  }
}

/** Blurs what was painted in one colour: as far as it is, its alpha alone, which is a quarter of the work. */
function blurTinted(layer: FineLayer, colour: HexColour, blurPx: number): void {
  const { area, planes } = layer;
  const tint = fineColour({ kind: 'solid', colour })(0, 0);
  const [, , , alpha] = planes;
  const isOf = (plane: Float32Array, i: number): boolean =>
    plane.every((value, at) => Math.abs(value - tint[i] * alpha[at]) < 1e-5);
  // A shadow of its own in it has a colour of its own.
  if (![0, 1, 2].every((i) => isOf(planes[i], i))) return blurFine(layer, blurPx, blurPx);
  blurPlane(alpha, area.width, area.height, blurPx, blurPx);
  for (let i = 0; i < 3; i++) for (let at = 0; at < alpha.length; at++) planes[i][at] = tint[i] * alpha[at];
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
