import type { Rect } from '@/core/kit/rect';

/** Makes each pixel as opaque as it is bright (BT.709 luma of what shows over black). */
export function brightnessToAlpha(data: Uint8ClampedArray): void {
  for (let i = 0; i < data.length; i += 4) {
    const luma = 0.2126 * data[i] + 0.7152 * data[i + 1] + 0.0722 * data[i + 2];
    data[i + 3] = (luma * data[i + 3]) / 255;
  }
}

/**
 * Fills `target` (the pixels of `to`) with what `source` (the pixels of `from`) shows after a projective map from
 * target pixels to source pixels. Between four pixels colours are mixed as far as they are opaque; outside the
 * source there is nothing.
 */
export function warpPixels(
  source: Uint8ClampedArray,
  from: Rect,
  target: Uint8ClampedArray,
  to: Rect,
  map: readonly number[],
): void {
  const sum = [0, 0, 0, 0];
  for (let row = 0; row < to.height; row++) {
    for (let column = 0; column < to.width; column++) {
      const [x, y] = [to.x + column + 0.5, to.y + row + 0.5];
      const w = map[6] * x + map[7] * y + map[8];
      // Behind the eye.
      if (w <= 0) continue;
      const u = (map[0] * x + map[1] * y + map[2]) / w - from.x - 0.5;
      const v = (map[3] * x + map[4] * y + map[5]) / w - from.y - 0.5;
      if (u <= -1 || v <= -1 || u >= from.width || v >= from.height) continue;
      mixFour(source, from, u, v, sum);
      if (sum[3] === 0) continue;
      const at = (row * to.width + column) * 4;
      for (let i = 0; i < 3; i++) target[at + i] = sum[i] / sum[3];
      target[at + 3] = sum[3];
    }
  }
}

/** The four pixels around a point, weighed by how near they are; colours are multiplied by how opaque they are. */
function mixFour(
  source: Uint8ClampedArray,
  { width, height }: Rect,
  u: number,
  v: number,
  sum: number[],
): void {
  const [left, top] = [Math.floor(u), Math.floor(v)];
  sum.fill(0);
  for (let dy = 0; dy < 2; dy++) {
    for (let dx = 0; dx < 2; dx++) {
      const [x, y] = [left + dx, top + dy];
      if (x < 0 || y < 0 || x >= width || y >= height) continue;
      const weight = (dx === 0 ? 1 - u + left : u - left) * (dy === 0 ? 1 - v + top : v - top);
      const at = (y * width + x) * 4;
      const alpha = source[at + 3] * weight;
      sum[0] += source[at] * alpha;
      sum[1] += source[at + 1] * alpha;
      sum[2] += source[at + 2] * alpha;
      sum[3] += alpha;
    }
  }
}
