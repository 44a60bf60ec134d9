import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mergedRects } from './mergedRects';
import type { Rect } from './rect';
import { containsRect, intersectRects } from './rect';

const rect = (x: number, y: number, width: number, height: number): Rect => ({ x, y, width, height });

const anyRect = fc.record({
  x: fc.integer({ min: -30, max: 200 }),
  y: fc.integer({ min: -30, max: 200 }),
  width: fc.integer({ min: 0, max: 60 }),
  height: fc.integer({ min: 0, max: 60 }),
});

test('any rectangles are covered by others that do not overlap, none of them empty, and no more of them', () => {
  fc.assert(
    fc.property(fc.array(anyRect, { maxLength: 30 }), (rects) => {
      const merged = mergedRects(rects);
      const seen = rects.filter(({ width, height }) => width * height > 0);
      expect(merged.length).toBeLessThanOrEqual(seen.length);
      for (const one of seen) expect(merged.some((all) => containsRect(all, one))).toBe(true);
      for (const [i, a] of merged.entries()) {
        expect(a.width * a.height).toBeGreaterThan(0);
        for (const b of merged.slice(i + 1)) {
          const { width, height } = intersectRects(a, b);
          expect(width * height).toBe(0);
        }
      }
    }),
  );
});

test('lines of words stay apart; what lies close is one', () => {
  const lines = [rect(0, 0, 400, 30), rect(20, 52, 380, 30), rect(0, 104, 400, 30)];
  expect(mergedRects(lines)).toEqual(lines);
  expect(mergedRects([rect(0, 0, 400, 30), rect(0, 33, 400, 30)])).toEqual([rect(0, 0, 400, 63)]);
  // The third joins two that lay apart.
  expect(mergedRects([rect(0, 0, 10, 10), rect(30, 0, 10, 10), rect(8, 0, 24, 10)])).toEqual([
    rect(0, 0, 40, 10),
  ]);
});

test('very many are one', () => {
  const many = Array.from({ length: 129 }, (_, i) => rect(i * 100, 0, 1, 1));
  expect(mergedRects(many)).toEqual([rect(0, 0, 12_801, 1)]);
  expect(mergedRects(many.slice(1))).toHaveLength(128);
});
