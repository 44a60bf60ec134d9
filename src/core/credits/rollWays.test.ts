import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { paceLength } from './rollPace';
import { lineFrames, measureAt, rollLength, rollWays, speedLengths, wishedWay } from './rollWays';

const LIMITS = {
  frames: 500,
  stepPx: 1,
  slowFrames: 0,
  leastSpacing: 0.7,
  mostSpacing: 1.5,
  leastSize: 0.9,
  mostSize: 1.1,
};
const MEASURE = { blocksPx: 3000, gapsPx: 900, linePx: 60, windowPx: 1080, lastPx: null };

describe('ways to meet the length of a roll', () => {
  test('blocks, gaps and window are gone through in the frames there are, by whole pixels', () => {
    // 3000 + 900 + 1080 = 4980 px in 500 frames: 10 px a frame ask for 20 px more.
    const [best] = rollWays(MEASURE, LIMITS);
    expect(best).toMatchObject({ pxPerFrame: 10, size: 1, waitFrames: 0 });
    expect(best.spacing).toBeCloseTo(920 / 900);
    // At 9 px a frame, 480 px less: gaps of 420 px are below 0.7 of 900 (630), so all is made a tenth smaller.
    const slower = rollWays(MEASURE, LIMITS).find(({ pxPerFrame }) => pxPerFrame === 9);
    expect(slower?.size).toBe(0.9);
  });

  test('what stays at the end stops in the middle of the window', () => {
    expect(rollLength({ ...MEASURE, lastPx: 200 }, 900)).toBe(3000 + 900 + (1080 - 200) / 2);
  });

  test('in fields, a speed is an even number of lines', () => {
    for (const { pxPerFrame } of rollWays(MEASURE, { ...LIMITS, stepPx: 2 })) expect(pxPerFrame % 2).toBe(0);
  });

  test('outside all limits, the speed that is through in time, waiting for the rest', () => {
    const [long] = rollWays(MEASURE, { ...LIMITS, frames: 50_000 });
    expect(long.pxPerFrame).toBe(1);
    expect(long.size).toBe(1);
    expect(50_000 - long.waitFrames).toBe(rollLength(MEASURE, 900 * long.spacing));
    expect(long.spacing).toBeLessThanOrEqual(1.5);
    expect(long.spacing).toBeGreaterThan(1.499);
    // Slowing for two seconds costs about one, and gaps are as wide as they may be all the same.
    const [slow] = rollWays(MEASURE, { ...LIMITS, frames: 50_000, slowFrames: 50 });
    expect(slow.spacing).toBeGreaterThan(1.49);
    expect(slow.spacing).toBeLessThanOrEqual(1.5);
    expect(Math.abs(long.waitFrames - slow.waitFrames - 25)).toBeLessThan(3);
    const [short] = rollWays(MEASURE, { ...LIMITS, frames: 3 });
    expect(short.pxPerFrame * (3 - short.waitFrames)).toBeGreaterThanOrEqual(4980);
  });

  test('a wish is met as nearly as there are ways', () => {
    const ways = rollWays(MEASURE, LIMITS);
    expect(wishedWay(ways, { pxPerFrame: 9, size: null }).pxPerFrame).toBe(9);
    expect(wishedWay(ways, { pxPerFrame: 40, size: null }).pxPerFrame).toBe(
      Math.max(...ways.map(({ pxPerFrame }) => pxPerFrame)),
    );
    expect(wishedWay(ways, { pxPerFrame: null, size: null })).toBe(ways[0]);
  });

  test('any measure, any length: every way meets it to the frame, within limits where one can', () => {
    const px = (max: number) => fc.integer({ min: 0, max });
    const measure = fc.record({
      blocksPx: fc.integer({ min: 1, max: 80_000 }),
      gapsPx: px(40_000),
      linePx: fc.constant(50),
      windowPx: fc.integer({ min: 100, max: 4000 }),
      lastPx: fc.option(fc.integer({ min: 1, max: 100 })),
    });
    // The last block is one of all.
    const possible = measure.filter(({ lastPx, blocksPx }) => lastPx === null || lastPx <= blocksPx);
    const limits = fc.record({
      frames: fc.integer({ min: 2, max: 20_000 }),
      stepPx: fc.constantFrom(1, 2),
      slowFrames: fc.constantFrom(0, 0, 7, 50),
      leastSpacing: fc.double({ min: 0.2, max: 1, noNaN: true }),
      mostSpacing: fc.double({ min: 1, max: 3, noNaN: true }),
      leastSize: fc.double({ min: 0.5, max: 1, noNaN: true }),
      mostSize: fc.double({ min: 1, max: 1.5, noNaN: true }),
    });
    fc.assert(
      fc.property(possible, limits, (of, within) => {
        const ways = rollWays(of, within);
        expect(ways.length).toBeGreaterThan(0);
        for (const way of ways) {
          const sized = measureAt(of, way.size);
          const { pxPerFrame } = way;
          const going = within.frames - way.waitFrames;
          const gone = paceLength({ ...within, pxPerFrame, frames: going });
          expect(way.pxPerFrame % within.stepPx).toBe(0);
          expect(going).toBeGreaterThan(0);
          if (of.gapsPx > 0 && way.cost < 10) {
            const gaps = Math.round(sized.gapsPx * way.spacing);
            expect(gone).toBe(rollLength(sized, gaps));
            expect(way.spacing).toBeGreaterThanOrEqual(within.leastSpacing);
            expect(way.spacing).toBeLessThanOrEqual(within.mostSpacing);
            expect(way.size).toBeGreaterThanOrEqual(within.leastSize);
            expect(way.size).toBeLessThanOrEqual(within.mostSize);
          }
          // However it is met, everything has gone by at the end.
          expect(gone).toBeGreaterThanOrEqual(rollLength(sized, 0));
        }
        expect(new Set(ways.map(({ pxPerFrame }) => pxPerFrame)).size).toBe(ways.length);
        expect(ways.map(({ cost }) => cost)).toEqual(ways.map(({ cost }) => cost).toSorted((a, b) => a - b));
      }),
      { numRuns: 300 },
    );
  });
});

test('the lengths of each speed: as designed, and as far as gaps and size go', () => {
  const lengths = speedLengths(MEASURE, LIMITS, 4);
  expect(lengths.map(({ pxPerFrame }) => pxPerFrame)).toEqual([1, 2, 3, 4]);
  // 3000 + 900 + 1080 px in all; at 0.9 of the size, 2700 + 0.7 × 810 + 1080; at 1.1, 3300 + 1.5 × 990 + 1080.
  expect(lengths[1]).toEqual({ pxPerFrame: 2, designed: 2490, least: 2174, most: 2932 });
  // Slowing adds about half of its frames to each.
  const slowed = speedLengths(MEASURE, { ...LIMITS, slowFrames: 50 }, 4);
  expect(slowed.map(({ designed }, i) => designed - lengths[i].designed)).toEqual([25, 25, 25, 25]);
  for (const [slowFrames, all] of [
    [0, lengths],
    [50, slowed],
  ] as const)
    for (const { pxPerFrame, least, most } of all)
      for (const frames of [least, most]) {
        const ways = rollWays(MEASURE, { ...LIMITS, slowFrames, frames });
        expect(ways.find((way) => way.pxPerFrame === pxPerFrame)?.waitFrames).toBe(0);
      }
  expect(speedLengths(MEASURE, { ...LIMITS, stepPx: 2 }, 4).map(({ pxPerFrame }) => pxPerFrame)).toEqual([
    2, 4,
  ]);
});

test('a line is seen for the way of the picture and its own height', () => {
  expect(lineFrames(MEASURE, { size: 1, pxPerFrame: 4 })).toBe(285);
  expect(lineFrames(MEASURE, { size: 0.5, pxPerFrame: 10 })).toBe(111);
});
