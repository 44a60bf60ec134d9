import type { Rect } from '@/core/kit/rect';
import { intersectRects } from '@/core/kit/rect';

/** Red, green, blue and alpha, or as many numbers for one pixel. */
export type Channels<T> = readonly [T, T, T, T];

/**
 * A part of a picture (whole px) with as many shades as 32-bit numbers have: colours from 0 to 1, multiplied by their
 * alpha, a plane for each channel, row by row.
 */
export interface FineLayer {
  readonly area: Rect;
  readonly planes: Channels<Float32Array>;
}

/** A clear layer. */
export function fineLayer(area: Rect): FineLayer {
  const plane = (): Float32Array => new Float32Array(area.width * area.height);
  return { area, planes: [plane(), plane(), plane(), plane()] };
}

/** How a layer is laid on another: over it, or as far as that one is (`atop`, `in`) or is not (`out`) opaque. */
type Laying = 'over' | 'atop' | 'in' | 'out';

interface LaidBy {
  /** The part of the picture that may change. */
  readonly area: Rect;
  readonly opacity?: number;
  readonly by?: Laying;
}

/**
 * Lays a layer on another (Porter and Duff 1984, colours multiplied by alpha); `in` and `out` keep what lies below.
 * Nothing changes outside the area of both.
 */
export function layFine(
  below: FineLayer,
  above: FineLayer,
  { area, opacity = 1, by = 'over' }: LaidBy,
): void {
  const within = intersectRects(intersectRects(below.area, above.area), area);
  for (let y = within.y; y < within.y + within.height; y++) {
    const rows = {
      below: below.planes,
      at: indexOf(below.area, within.x, y),
      above: above.planes,
      from: indexOf(above.area, within.x, y),
      count: within.width,
    };
    if (by === 'over' || by === 'atop') layRow(rows, opacity, by === 'atop');
    else maskRow(rows, by === 'in' ? opacity : -opacity);
  }
}

/** As many pixels of two layers, each from a place of its own on. */
interface Rows {
  readonly below: FineLayer['planes'];
  readonly at: number;
  readonly above: FineLayer['planes'];
  readonly from: number;
  readonly count: number;
}

/** `atop`: as far as what is below is opaque, which stays as opaque as it is. */
function layRow(rows: Rows, opacity: number, atop: boolean): void {
  const [r, g, b, a] = rows.below;
  const [ar, ag, ab, aa] = rows.above;
  for (let at = rows.at, from = rows.from; at < rows.at + rows.count; at++, from++) {
    const alpha = aa[from] * opacity;
    if (alpha === 0) continue;
    const share = atop ? opacity * a[at] : opacity;
    const rest = 1 - alpha;
    r[at] = ar[from] * share + r[at] * rest;
    g[at] = ag[from] * share + g[at] * rest;
    b[at] = ab[from] * share + b[at] * rest;
    a[at] = aa[from] * share + a[at] * rest;
  }
}

/** `share` below 0: keeps what the mask does not cover. */
function maskRow({ below, above: [, , , mask], at, from, count }: Rows, share: number): void {
  for (const plane of below)
    for (let i = 0; i < count; i++)
      plane[at + i] *= share < 0 ? 1 + mask[from + i] * share : mask[from + i] * share;
}

/** A layer moved by whole pixels and parts of one; between pixels they are mixed. */
export function movedFine(layer: FineLayer, dx: number, dy: number): FineLayer {
  const { area } = layer;
  const [wholeX, wholeY] = [Math.floor(dx), Math.floor(dy)];
  const [partX, partY] = [dx - wholeX, dy - wholeY];
  const to = { ...area, x: area.x + wholeX, y: area.y + wholeY };
  if (partX === 0 && partY === 0) return { ...layer, area: to };
  const grown = fineLayer({ ...to, width: area.width + 1, height: area.height + 1 });
  const sum = new Float32Array(4);
  for (let y = 0; y < grown.area.height; y++) {
    for (let x = 0; x < grown.area.width; x++) {
      sampleFine(layer, area.x + x - partX, area.y + y - partY, sum);
      for (const [i, plane] of grown.planes.entries()) plane[y * grown.area.width + x] = sum[i];
    }
  }
  return grown;
}

/** What a layer shows between four pixels, by their top left corners; nothing outside it. */
export function sampleFine({ area, planes }: FineLayer, x: number, y: number, into: Float32Array): void {
  into.fill(0);
  const [left, top] = [Math.floor(x), Math.floor(y)];
  for (let dy = 0; dy < 2; dy++) {
    for (let dx = 0; dx < 2; dx++) {
      const weight = (dx === 0 ? 1 - x + left : x - left) * (dy === 0 ? 1 - y + top : y - top);
      if (weight === 0 || !holds(area, left + dx, top + dy)) continue;
      const at = indexOf(area, left + dx, top + dy);
      for (let i = 0; i < 4; i++) into[i] += planes[i][at] * weight;
    }
  }
}

/** Where a pixel of an area is in its planes. */
export const indexOf = (area: Rect, x: number, y: number): number => (y - area.y) * area.width + x - area.x;

const holds = (area: Rect, x: number, y: number): boolean =>
  x >= area.x && y >= area.y && x < area.x + area.width && y < area.y + area.height;
