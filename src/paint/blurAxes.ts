/**
 * Blurs straight-alpha RGBA pixels in place by a standard deviation (px) along each axis. Three passes of a
 * moving average come within 3 % of a Gaussian (W3C Filter Effects, feGaussianBlur). Canvas filters blur both
 * axes alike, so this is done on the pixels. Edges fade into nothing.
 */
export function blurAxes(
  data: Uint8ClampedArray,
  width: number,
  height: number,
  acrossPx: number,
  downPx: number,
): void {
  const planes = premultiplied(data, width * height);
  for (const plane of planes) blurPlane(plane, width, height, acrossPx, downPx);
  writeStraight(data, planes);
}

/** Blurs one channel of premultiplied pixels in place, as `blurAxes` does. */
export function blurPlane(
  plane: Float32Array,
  width: number,
  height: number,
  acrossPx: number,
  downPx: number,
): void {
  for (const [left, size] of windowsOf(acrossPx)) averageAcross(plane, width, height, left, size);
  for (const [left, size] of windowsOf(downPx)) averageDown(plane, width, height, left, size);
}

function premultiplied(data: Uint8ClampedArray, pixels: number): Float32Array[] {
  const planes = [0, 1, 2, 3].map(() => new Float32Array(pixels));
  for (let i = 0; i < pixels; i++) {
    const alpha = data[i * 4 + 3];
    for (let c = 0; c < 3; c++) planes[c][i] = (data[i * 4 + c] * alpha) / 255;
    planes[3][i] = alpha;
  }
  return planes;
}

function writeStraight(data: Uint8ClampedArray, planes: readonly Float32Array[]): void {
  for (let i = 0; i < planes[3].length; i++) {
    const alpha = planes[3][i];
    for (let c = 0; c < 3; c++) data[i * 4 + c] = alpha > 0 ? (planes[c][i] * 255) / alpha : 0;
    data[i * 4 + 3] = alpha;
  }
}

/** How far the three moving averages reach to the left, and how wide they are; none for a deviation under a fifth of a pixel. */
function windowsOf(deviation: number): readonly (readonly [left: number, size: number])[] {
  if (deviation < 0.2) return [];
  const size = Math.max(1, Math.floor((deviation * 3 * Math.sqrt(2 * Math.PI)) / 4 + 0.5));
  if (size % 2 === 1) return [0, 1, 2].map(() => [size >> 1, size] as const);
  // An even window is laid once to each side, so that nothing is shifted (as the recommendation says).
  return [
    [size / 2, size],
    [size / 2 - 1, size],
    [size / 2, size + 1],
  ];
}

function averageAcross(plane: Float32Array, width: number, height: number, left: number, size: number): void {
  const line = new Float32Array(width);
  for (let row = 0; row < height; row++) {
    const start = row * width;
    let sum = 0;
    for (let x = 0; x < Math.min(width, size - left); x++) sum += plane[start + x];
    for (let x = 0; x < width; x++) {
      line[x] = sum / size;
      const comes = x + size - left;
      const goes = x - left;
      sum += (comes < width ? plane[start + comes] : 0) - (goes >= 0 ? plane[start + goes] : 0);
    }
    plane.set(line, start);
  }
}

/** All columns at once, row by row: memory lies that way. */
function averageDown(plane: Float32Array, width: number, height: number, left: number, size: number): void {
  const source = plane.slice();
  const sums = new Float64Array(width);
  for (let row = 0; row < Math.min(height, size - left); row++) {
    for (let x = 0; x < width; x++) sums[x] += source[row * width + x];
  }
  for (let row = 0; row < height; row++) {
    const comes = (row + size - left) * width;
    const goes = (row - left) * width;
    const start = row * width;
    for (let x = 0; x < width; x++) {
      plane[start + x] = sums[x] / size;
      const added = comes < source.length ? source[comes + x] : 0;
      sums[x] += added - (goes >= 0 ? source[goes + x] : 0);
    }
  }
}
