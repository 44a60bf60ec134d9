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
  blurLines(plane, { count: height, stride: width, length: width, step: 1 }, acrossPx);
  blurLines(plane, { count: width, stride: 1, length: height, step: width }, downPx);
}

interface Lines {
  readonly count: number;
  readonly stride: number;
  readonly length: number;
  readonly step: number;
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

/** Three moving averages along every line; nothing for a deviation under a fifth of a pixel. */
function blurLines(plane: Float32Array, lines: Lines, deviation: number): void {
  if (deviation < 0.2) return;
  const size = Math.max(1, Math.floor((deviation * 3 * Math.sqrt(2 * Math.PI)) / 4 + 0.5));
  // An even window is laid once to each side, so that nothing is shifted (as the recommendation says).
  const lefts = size % 2 === 1 ? [size >> 1, size >> 1, size >> 1] : [size / 2, size / 2 - 1, size / 2];
  const sizes = size % 2 === 1 ? [size, size, size] : [size, size, size + 1];
  const scratch = new Float32Array(lines.length);
  for (let line = 0; line < lines.count; line++) {
    for (const [pass, left] of lefts.entries()) {
      average(plane, line * lines.stride, lines.step, scratch, left, sizes[pass]);
    }
  }
}

function average(
  plane: Float32Array,
  start: number,
  step: number,
  scratch: Float32Array,
  left: number,
  size: number,
): void {
  const { length } = scratch;
  const at = (i: number): number => (i >= 0 && i < length ? plane[start + i * step] : 0);
  let sum = 0;
  for (let i = -left; i < size - left; i++) sum += at(i);
  for (let i = 0; i < length; i++) {
    scratch[i] = sum / size;
    sum += at(i + size - left) - at(i - left);
  }
  for (let i = 0; i < length; i++) plane[start + i * step] = scratch[i];
}
