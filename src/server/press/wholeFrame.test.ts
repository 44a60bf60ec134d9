import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { ellipseOutline } from '@/core/display/shapes';
import { paintedFormat } from '@/core/frame/formats';
import { PLANES } from '@/core/outputs/output';
import type { Plane } from '@/core/outputs/output';
import { Painter } from '@/paint/painter';
import { anyItems, SIZE } from '@/paint/testing/anyItems';
import { serverSurfaces } from '../raster';
import { createFrameRing } from './frameRing';
import { paintsPictures } from './paintedPicture';
import { reachOf, toPlane } from './planes';
import { wholeFrames } from './wholeFrame';

const FORMAT = { ...paintedFormat('wide-1080', false), widthPx: SIZE, heightPx: SIZE };
const ring = createFrameRing(2, SIZE * SIZE * 4 + 16);

const listOf = (items: readonly DisplayItem[]): DisplayList => ({ widthPx: SIZE, heightPx: SIZE, items });

/** Small enough for colour to go on all round it. */
const DOT: DisplayItem = {
  kind: 'fill',
  outline: ellipseOutline({ x: 0, y: 0, width: 9, height: 9 }),
  matrix: [1, 0, 0, 1, 44, 43],
  paint: { kind: 'solid', colour: '#37a2c9' },
  opacity: 1,
};

/** The whole frame, painted and turned into what the file has, with no thought for what is empty. */
function plainly(lists: readonly DisplayList[], plane: Plane): Uint8ClampedArray {
  const [first, second = first] = lists.map((list) => {
    const context = createCanvas(SIZE, SIZE).getContext('2d');
    new Painter(serverSurfaces).paint(context, list);
    return context.getImageData(0, 0, SIZE, SIZE).data;
  });
  const stride = SIZE * 4;
  // The lower field comes second.
  for (let y = 1; y < SIZE; y += 2) first.set(second.subarray(y * stride, (y + 1) * stride), y * stride);
  toPlane(first, plane, { widthPx: SIZE, heightPx: SIZE, coded: true });
  return first;
}

test('any pictures, one put after another into the slots of a ring, are the frames painted as a whole', () => {
  let seen = 0;
  fc.assert(
    fc.property(
      fc.array(fc.array(anyItems, { minLength: 1, maxLength: 2 }), { minLength: 2, maxLength: 5 }),
      fc.constantFrom(...PLANES),
      (pictures, plane) => {
        const task = { ring, frames: 'rgba', shades: 'plain' } as const;
        const put = wholeFrames(task, FORMAT, plane);
        const paint = paintsPictures(serverSurfaces, FORMAT, 'plain', reachOf(plane, true));
        for (const [i, items] of [...pictures, [[DOT]]].entries()) {
          const lists = items.map(listOf);
          const { area, pixels } = paint(lists);
          toPlane(pixels, plane, { widthPx: area.width, heightPx: area.height, coded: true });
          const frame = put(i % 2, { area, pixels });
          const whole = plainly(lists, plane);
          if (whole.some((value) => value > 0)) seen++;
          const at = whole.findIndex((value, index) => value !== frame[index]);
          if (at >= 0)
            throw new Error(
              `${plane}: ${frame[at]} and not ${whole[at]} at ${(at >> 2) % SIZE}, ${Math.floor(at / 4 / SIZE)}`,
            );
        }
      },
    ),
    { numRuns: 20, seed: 12 },
  );
  expect(seen).toBeGreaterThan(30);
});
