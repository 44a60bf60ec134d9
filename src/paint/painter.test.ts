import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import type { DisplayItem, Paint } from '@/core/display/list';
import { roundedRectOutline } from '@/core/display/shapes';
import { IDENTITY } from '@/core/kit/matrix';
import { serverSurfaces } from '../server/raster';
import { Painter } from './painter';
import type { SurfaceMaker } from './surface';

const SIZE = 60;
type Pixel = [number, number, number, number];

function paint(items: readonly DisplayItem[]): (x: number, y: number) => Pixel {
  const context = createCanvas(SIZE, SIZE).getContext('2d');
  new Painter(serverSurfaces).paint(context, { widthPx: SIZE, heightPx: SIZE, items });
  const { data } = context.getImageData(0, 0, SIZE, SIZE);
  return (x, y) => {
    const at = (y * SIZE + x) * 4;
    return [data[at], data[at + 1], data[at + 2], data[at + 3]];
  };
}

const box = (
  x: number,
  y: number,
  width: number,
  height: number,
  colour = '#ff0000',
  opacity = 1,
): DisplayItem => ({
  kind: 'fill',
  outline: roundedRectOutline({ x, y, width, height }, 0),
  paint: { kind: 'solid', colour },
  matrix: IDENTITY,
  opacity,
});

test('a fill covers its shape to the pixel and nothing else', () => {
  const at = paint([box(10, 10, 20, 20)]);
  expect(at(10, 10)).toEqual([255, 0, 0, 255]);
  expect(at(29, 29)).toEqual([255, 0, 0, 255]);
  expect(at(30, 29)).toEqual([0, 0, 0, 0]);
  expect(at(9, 15)).toEqual([0, 0, 0, 0]);
});

test('a matrix moves and scales, and later items cover earlier ones', () => {
  const moved: DisplayItem = { ...box(0, 0, 10, 10, '#00ff00'), matrix: [2, 0, 0, 2, 20, 20] } as DisplayItem;
  const at = paint([box(0, 0, 60, 60), moved]);
  expect(at(39, 39)).toEqual([0, 255, 0, 255]);
  expect(at(40, 40)).toEqual([255, 0, 0, 255]);
});

test('a clip shows only what lies in its rectangle, and does not outlast its items', () => {
  const at = paint([
    { kind: 'clip', rectPx: { x: 20, y: 20, width: 10, height: 10 }, items: [box(0, 0, 60, 60)] },
    box(50, 50, 5, 5),
  ]);
  expect(at(20, 20)[3]).toBe(255);
  expect(at(30, 25)[3]).toBe(0);
  expect(at(52, 52)[3]).toBe(255);
});

test('a group is laid down as one: what overlaps in it does not show through', () => {
  const items = [box(10, 10, 20, 20, '#ff0000'), box(20, 10, 20, 20, '#0000ff')];
  const at = paint([{ kind: 'group', opacity: 0.5, items }]);
  const [red, , blue, alpha] = at(25, 15);
  expect(red).toBe(0);
  expect(blue).toBe(255);
  expect(Math.abs(alpha - 128)).toBeLessThanOrEqual(1);
});

describe('a shadow', () => {
  const shadow = (blurPx: number): DisplayItem => ({
    kind: 'shadow',
    offsetPx: { x: 10, y: 0 },
    blurPx,
    colour: '#0000ff',
    opacity: 0.5,
    items: [box(20, 20, 20, 20, '#ff0000')],
  });

  test('has the shape of its items, its own colour and opacity, and lies at its offset', () => {
    const at = paint([shadow(0)]);
    expect(at(25, 30)[3]).toBe(0);
    const [red, , blue, alpha] = at(45, 30);
    expect([red, blue]).toEqual([0, 255]);
    expect(Math.abs(alpha - 128)).toBeLessThanOrEqual(1);
  });

  test('is soft at its edge and falls off evenly', () => {
    const at = paint([shadow(3)]);
    const alphas = [40, 44, 48, 52, 56].map((x) => at(x, 30)[3]);
    expect(alphas).toEqual([...alphas].sort((a, b) => b - a));
    expect(alphas[0]).toBeGreaterThan(100);
    expect(alphas[4]).toBeLessThan(30);
    // Half as strong on the very edge.
    expect(Math.abs(at(50, 30)[3] - 64)).toBeLessThan(12);
  });

  test('outside the picture costs nothing and paints nothing', () => {
    let pixels = 0;
    const counting: SurfaceMaker = {
      ...serverSurfaces,
      surface(width, height) {
        pixels += width * height;
        return serverSurfaces.surface(width, height);
      },
    };
    const items = [{ ...shadow(3), items: [box(200, 20, 20, 20)] } as DisplayItem];
    const context = createCanvas(SIZE, SIZE).getContext('2d');
    new Painter(counting).paint(context, { widthPx: SIZE, heightPx: SIZE, items });
    expect(pixels).toBe(0);
    expect(paint(items)(30, 30)).toEqual([0, 0, 0, 0]);
  });
});

describe('gradients', () => {
  const filled = (paintWith: Paint): DisplayItem =>
    ({ ...box(0, 0, 60, 60), paint: paintWith }) as DisplayItem;
  const stops = [
    { at: 0, colour: '#000000', opacity: 1 },
    { at: 1, colour: '#ffffff', opacity: 1 },
  ];

  test('run from one point to another', () => {
    const at = paint([filled({ kind: 'linear', from: { x: 0, y: 0 }, to: { x: 0, y: 60 }, stops })]);
    expect(at(5, 1)[0]).toBeLessThan(10);
    expect(Math.abs(at(50, 30)[0] - 128)).toBeLessThan(6);
    expect(at(5, 58)[0]).toBeGreaterThan(245);
  });

  test('run outwards from a centre', () => {
    const at = paint([filled({ kind: 'radial', centre: { x: 30, y: 30 }, radius: 30, stops })]);
    expect(at(30, 30)[0]).toBeLessThan(10);
    expect(at(58, 30)[0]).toBeGreaterThan(235);
  });
});

test('a stroke lies on both sides of the edge', () => {
  const outline = roundedRectOutline({ x: 20, y: 20, width: 20, height: 20 }, 0);
  const at = paint([
    {
      kind: 'stroke',
      outline,
      paint: { kind: 'solid', colour: '#00ff00' },
      width: 4,
      matrix: IDENTITY,
      opacity: 1,
    },
  ]);
  expect(at(18, 30)[3]).toBe(255);
  expect(at(21, 30)[3]).toBe(255);
  expect(at(17, 30)[3]).toBe(0);
  expect(at(30, 30)[3]).toBe(0);
});
