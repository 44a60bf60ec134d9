import { describe, expect, test } from '@jest/globals';
import { blurAxes, blurPlane } from './blurAxes';
import { Exposure } from './exposure';
import { brightnessToAlpha, warpPixels } from './pixels';

type Pixel = readonly [number, number, number, number];
const RED: Pixel = [255, 0, 0, 255];
const CLEAR: Pixel = [0, 0, 0, 0];

const pixels = (...list: readonly Pixel[]): Uint8ClampedArray => new Uint8ClampedArray(list.flat());
const pixel = (data: Uint8ClampedArray, i: number): number[] => [...data.slice(i * 4, i * 4 + 4)];
const alphas = (data: Uint8ClampedArray): number[] => [...data].filter((_, i) => i % 4 === 3);
const rect = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });

describe('a warp', () => {
  const source = pixels(RED, [0, 255, 0, 255], [0, 0, 255, 128], CLEAR);
  const from = rect(10, 20, 2, 2);
  const warp = (map: readonly number[], to = from): Uint8ClampedArray => {
    const target = new Uint8ClampedArray(to.width * to.height * 4);
    warpPixels(source, from, target, to, map);
    return target;
  };

  test('by nothing changes nothing', () => {
    expect(warp([1, 0, 0, 0, 1, 0, 0, 0, 1])).toEqual(source);
  });

  test('by whole pixels moves them, and brings in nothing from outside', () => {
    const moved = warp([1, 0, -1, 0, 1, 0, 0, 0, 1], rect(10, 20, 3, 2));
    expect(pixel(moved, 0)).toEqual([...CLEAR]);
    expect(pixel(moved, 1)).toEqual([...RED]);
    expect(pixel(moved, 2)).toEqual([0, 255, 0, 255]);
  });

  test('between pixels mixes them by how opaque they are, so that no edge goes dark', () => {
    const half = warp([1, 0, -0.5, 0, 1, 0, 0, 0, 1]);
    // Half of the red pixel and half of nothing is red, half as opaque.
    expect(pixel(half, 0)).toEqual([255, 0, 0, 128]);
  });

  test('shows nothing of what lies behind the eye', () => {
    expect(alphas(warp([1, 0, 0, 0, 1, 0, 0, 0, -1]))).toEqual([0, 0, 0, 0]);
  });
});

describe('an exposure', () => {
  test('is the mean of its pictures: half the time there is half as opaque and no darker', () => {
    const sum = new Exposure(2);
    sum.add(pixels(RED, [0, 0, 255, 255]));
    sum.add(pixels(CLEAR, RED));
    const out = new Uint8ClampedArray(8);
    sum.write(out);
    expect(pixel(out, 0)).toEqual([255, 0, 0, 128]);
    expect(pixel(out, 1)).toEqual([128, 0, 128, 255]);
  });
});

test('brightness becomes how opaque a pixel is, over black where it is clear itself', () => {
  const data = pixels([255, 255, 255, 255], [0, 0, 0, 255], [255, 255, 255, 100], [0, 255, 0, 255]);
  brightnessToAlpha(data);
  expect(alphas(data)).toEqual([255, 0, 100, 182]);
});

describe('a blur along each axis', () => {
  const size = 41;
  const blurred = (acrossPx: number, downPx: number): Uint8ClampedArray => {
    const data = new Uint8ClampedArray(size * size * 4);
    data.set(RED, ((size * size - 1) / 2) * 4);
    // A single pixel would round away; a small square does not.
    for (let y = 18; y < 23; y++) for (let x = 18; x < 23; x++) data.set(RED, (y * size + x) * 4);
    blurAxes(data, size, size, acrossPx, downPx);
    return data;
  };
  const alpha = (data: Uint8ClampedArray, x: number, y: number): number => data[(y * size + x) * 4 + 3];

  test('spreads along that axis only, and alike to both sides', () => {
    const across = blurred(4, 0);
    expect(alpha(across, 14, 20)).toBeGreaterThan(10);
    expect(alpha(across, 26, 20)).toBe(alpha(across, 14, 20));
    expect(alpha(across, 20, 14)).toBe(0);
    const down = blurred(0, 4);
    expect(alpha(down, 20, 14)).toBe(alpha(across, 14, 20));
  });

  test('keeps the colour and about as much light as there was', () => {
    const data = blurred(3, 3);
    const light = alphas(data).reduce((sum, one) => sum + one, 0);
    expect(light / (25 * 255)).toBeCloseTo(1, 1);
    expect(pixel(data, 20 * size + 20).slice(0, 3)).toEqual([255, 0, 0]);
  });

  test('is three moving averages along the axis, with nothing beyond the edges, however wide they are', () => {
    const [width, height] = [5, 9];
    for (const deviation of [0.6, 1.5, 3, 8]) {
      const plane = Float32Array.from({ length: width * height }, (_, i) => (i * 37) % 101);
      const wanted = Float32Array.from(plane);
      const size = Math.floor((deviation * 3 * Math.sqrt(2 * Math.PI)) / 4 + 0.5);
      const even = size % 2 === 0;
      for (const [left, span] of [0, 1, 2].map((pass) =>
        even ? [size / 2 - (pass === 1 ? 1 : 0), pass === 2 ? size + 1 : size] : [(size - 1) / 2, size],
      )) {
        const before = wanted.slice();
        for (let x = 0; x < width; x++)
          for (let y = 0; y < height; y++) {
            let sum = 0;
            for (let at = y - left; at < y - left + span; at++)
              sum += at >= 0 && at < height ? before[at * width + x] : 0;
            wanted[y * width + x] = sum / span;
          }
      }
      blurPlane(plane, width, height, 0, deviation);
      plane.forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 3));
    }
  });

  test('of nothing changes nothing', () => {
    expect(alpha(blurred(0, 0), 18, 18)).toBe(255);
    expect(alpha(blurred(0, 0), 17, 18)).toBe(0);
  });
});
