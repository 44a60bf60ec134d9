import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem } from '@/core/display/list';
import { hasGround, partOf } from '@/core/display/part';
import { ellipseOutline, rectOutline } from '@/core/display/shapes';
import type { Rect } from '@/core/kit/rect';
import { serverSurfaces } from '../server/raster';
import { Painter } from './painter';
import { anyItems, SIZE } from './testing/anyItems';

const AREA = { x: 20, y: 30, width: 40, height: 24 };

function painted(items: readonly DisplayItem[], { x, y, width, height }: Rect): Uint8ClampedArray {
  const context = createCanvas(SIZE, SIZE).getContext('2d');
  new Painter(serverSurfaces).paint(context, { widthPx: SIZE, heightPx: SIZE, items });
  return context.getImageData(x, y, width, height).data;
}

type Fill = Extract<DisplayItem, { kind: 'fill' }>;

const ground = (parts: Partial<Fill> = {}): Fill => ({
  kind: 'fill',
  outline: rectOutline({ x: 0, y: 0, width: SIZE, height: SIZE }),
  paint: { kind: 'solid', colour: '#206080' },
  matrix: [1, 0, 0, 1, 0, 0],
  opacity: 0.6,
  ...parts,
});

const areas = fc.record({
  x: fc.integer({ min: 0, max: SIZE - 30 }),
  y: fc.integer({ min: 0, max: SIZE - 30 }),
  width: fc.integer({ min: 1, max: 30 }),
  height: fc.integer({ min: 1, max: 30 }),
});

test('within its area the part of any list is all of it, to the bit; where it has a ground, nothing is without colour', () => {
  let [grounds, less] = [0, 0];
  fc.assert(
    fc.property(
      anyItems,
      anyItems,
      areas,
      fc.constantFrom(0.005, 0.01, 0.4, 1),
      (below, above, area, opacity) => {
        for (const items of [below, [...below, ground({ opacity }), ...above]]) {
          const part = partOf(items, area);
          if (part.length < items.length) less++;
          const pixels = painted(items, area);
          expect(painted(part, area)).toEqual(pixels);
          if (!hasGround(items, area)) continue;
          grounds++;
          for (let at = 3; at < pixels.length; at += 4) expect(pixels[at]).toBeGreaterThan(0);
        }
      },
    ),
    { numRuns: 150 },
  );
  expect(Math.min(grounds, less)).toBeGreaterThan(40);
});

test('a ground ends with the area', () => {
  const [only] = partOf([ground({ matrix: [2, 0, 0, 2, -5, -5] })], AREA);
  expect(only).toEqual(ground({ outline: rectOutline(AREA) }));
});

test.each<[string, DisplayItem]>([
  ['ends within the area', ground({ outline: rectOutline({ x: 0, y: 0, width: 50, height: 96 }) })],
  ['is round', ground({ outline: ellipseOutline({ x: 15, y: 0, width: 50, height: 96 }) })],
  ['is turned', ground({ matrix: [0.99, 0.02, -0.02, 0.99, 0, 0] })],
  ['is slanted', ground({ outline: { verbs: 'MLLLZ', coords: [0, 0, 96, 0, 96, 96, 50, 96] } })],
  [
    'goes on beyond its corners',
    ground({ outline: { verbs: 'MLLLLZ', coords: [0, 0, 96, 0, 96, 96, 0, 96, 40, 40] } }),
  ],
  [
    'has more than one colour',
    ground({
      paint: {
        kind: 'linear',
        from: { x: 0, y: 0 },
        to: { x: 96, y: 0 },
        stops: [
          { at: 0, colour: '#000000', opacity: 1 },
          { at: 1, colour: '#ffffff', opacity: 0 },
        ],
      },
    }),
  ],
  ['lies in a group', { kind: 'group', opacity: 1, items: [ground()] }],
])('what %s is no ground, and stays as it is', (_what, item) => {
  expect(hasGround([item], AREA)).toBe(false);
  expect(partOf([item], AREA)).toEqual([item]);
});

test('a ground that is hardly there is none to go by', () => {
  expect(hasGround([ground({ opacity: 0.009 })], AREA)).toBe(false);
  expect(hasGround([ground({ opacity: 0.01 })], AREA)).toBe(true);
});
