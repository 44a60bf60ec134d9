import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { listBounds } from '@/core/display/bounds';
import type { DisplayItem } from '@/core/display/list';
import { serverSurfaces } from '../server/raster';
import { Painter } from './painter';
import { anyItems, SIZE } from './testing/anyItems';

function paint(list: readonly DisplayItem[], painter = new Painter(serverSurfaces)): Uint8ClampedArray {
  const context = createCanvas(SIZE, SIZE).getContext('2d');
  painter.paint(context, { widthPx: SIZE, heightPx: SIZE, items: list });
  return context.getImageData(0, 0, SIZE, SIZE).data;
}

test('any display list paints inside its bounds', () => {
  let inked = 0;
  fc.assert(
    fc.property(anyItems, (list) => {
      const bounds = listBounds(list);
      const data = paint(list);
      for (let y = 0; y < SIZE; y++)
        for (let x = 0; x < SIZE; x++) {
          if (data[(y * SIZE + x) * 4 + 3] === 0) continue;
          inked++;
          const inside =
            bounds !== null &&
            x >= bounds.x &&
            y >= bounds.y &&
            x < bounds.x + bounds.width &&
            y < bounds.y + bounds.height;
          if (!inside) throw new Error(`painted at ${x}, ${y} outside ${JSON.stringify(bounds)}`);
        }
    }),
    { numRuns: 120, seed: 12 },
  );
  expect(inked).toBeGreaterThan(50_000);
});

test('a painter that has painted others before paints the same, and a part by itself is that part', () => {
  const used = new Painter(serverSurfaces);
  const part = { x: 30, y: 20, width: 50, height: 60 };
  fc.assert(
    fc.property(anyItems, (list) => {
      const whole = paint(list);
      expect(Buffer.compare(Buffer.from(paint(list, used)), Buffer.from(whole))).toBe(0);
      const context = createCanvas(part.width, part.height).getContext('2d');
      used.paintPart(context, list, part);
      const { data } = context.getImageData(0, 0, part.width, part.height);
      let sum = 0;
      for (let y = 0; y < part.height; y++)
        for (let x = 0; x < part.width; x++) {
          const there = ((y + part.y) * SIZE + x + part.x) * 4 + 3;
          sum += Math.abs(data[(y * part.width + x) * 4 + 3] - whole[there]);
        }
      // The library's own rounding of edges differs by some steps where a surface begins elsewhere.
      expect(sum / (part.width * part.height)).toBeLessThan(1.5);
    }),
    { numRuns: 80, seed: 12 },
  );
});
