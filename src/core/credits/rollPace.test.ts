import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { RollPace } from './rollPace';
import { frameGone, goneAt, paceLength } from './rollPace';

const EVEN: RollPace = { pxPerFrame: 4, frames: 100, slowFrames: 0, stepPx: 1 };

test('at one speed it goes so far in each frame, and stands after the last', () => {
  expect(paceLength(EVEN)).toBe(400);
  expect([0, 1, 12.5, 100, 130].map((frame) => goneAt(EVEN, frame))).toEqual([0, 4, 50, 400, 400]);
  expect([0, 4, 50, 400].map((px) => frameGone(EVEN, px))).toEqual([0, 1, 12.5, 100]);
  expect(frameGone(EVEN, 401)).toBe(100);
});

test('it slows by whole steps: of four pixels over seven frames by half a pixel each, rounded', () => {
  const pace = { ...EVEN, slowFrames: 7 };
  const speeds = Array.from({ length: 8 }, (_, i) => goneAt(pace, 93 + i) - goneAt(pace, 92 + i));
  // 3.5, 3, 2.5, 2, 1.5, 1 and 0.5 px.
  expect(speeds).toEqual([4, 4, 3, 3, 2, 2, 1, 1]);
  expect(paceLength(pace)).toBe(93 * 4 + 16);
  // Half a frame into slowing it has gone half of what that frame goes.
  expect(goneAt(pace, 93.5)).toBe(93 * 4 + 2);
  // Of ten frames it slows in five at most: 3.33, 2.67, 2, 1.33 and 0.67 px.
  expect(paceLength({ ...pace, frames: 10, slowFrames: 50 })).toBe(5 * 4 + 10);
  // By parts of a pixel it takes half as many frames more.
  expect(paceLength({ ...pace, stepPx: null })).toBeCloseTo(93 * 4 + 14);
});

test('any pace: it never goes back, keeps to its steps, and knows when it has gone how far', () => {
  const paces = fc.record({
    steps: fc.integer({ min: 1, max: 30 }),
    frames: fc.integer({ min: 1, max: 2000 }),
    slowFrames: fc.integer({ min: 0, max: 200 }),
    stepPx: fc.constantFrom(1, 2),
  });
  fc.assert(
    fc.property(paces, fc.double({ min: 0, max: 1, noNaN: true }), ({ steps, stepPx, ...of }, share) => {
      const pace = { ...of, stepPx, pxPerFrame: steps * stepPx };
      expect(goneAt(pace, pace.frames)).toBe(paceLength(pace));
      const gone = Array.from({ length: pace.frames + 1 }, (_, frame) => goneAt(pace, frame));
      const speeds = gone.slice(1).map((px, i) => px - gone[i]);
      expect(speeds.filter((speed) => speed < 0 || speed % stepPx !== 0)).toEqual([]);
      const px = share * paceLength(pace);
      expect(goneAt(pace, frameGone(pace, px))).toBeCloseTo(px, 6);
    }),
    { numRuns: 100 },
  );
});
