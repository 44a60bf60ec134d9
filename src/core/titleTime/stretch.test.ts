import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { RATES } from '../time/rates';
import { designFrames, neededByMoves, stretchTiming } from './stretch';

const timings = fc.record({
  inSeconds: fc.double({ min: 0.04, max: 5, noNaN: true }),
  holdSeconds: fc.double({ min: 0, max: 30, noNaN: true }),
  outSeconds: fc.double({ min: 0.04, max: 5, noNaN: true }),
});
const rates = fc.constantFrom(...RATES.list);

test('in, hold and out always fill the length exactly, and in and out have at least a frame', () => {
  fc.assert(
    fc.property(timings, rates, fc.integer({ min: -5, max: 4000 }), (timing, rate, length) => {
      const t = stretchTiming(timing, length, rate);
      expect(t.inFrames + t.holdFrames + t.outFrames).toBe(Math.max(2, length));
      expect(t.inFrames).toBeGreaterThanOrEqual(1);
      expect(t.outFrames).toBeGreaterThanOrEqual(1);
      expect(t.holdFrames).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('in and out keep their own timing at any length that holds them', () => {
  fc.assert(
    fc.property(timings, rates, fc.integer({ min: 0, max: 4000 }), (timing, rate, extra) => {
      const design = stretchTiming(timing, designFrames(timing, rate) + 10_000, rate);
      const t = stretchTiming(timing, design.inFrames + design.outFrames + extra, rate);
      expect([t.inFrames, t.outFrames, t.holdFrames]).toEqual([design.inFrames, design.outFrames, extra]);
    }),
  );
});

test('below in + out both shrink in proportion', () => {
  const timing = { inSeconds: 1, holdSeconds: 4, outSeconds: 0.5 };
  const t = stretchTiming(timing, 15, RATES.get('50'));
  expect([t.inFrames, t.holdFrames, t.outFrames]).toEqual([10, 0, 5]);
  expect(stretchTiming(timing, 2, RATES.get('50'))).toMatchObject({ inFrames: 1, outFrames: 1 });
});

test('a title that is too short for its in and out says how long they need', () => {
  const design = { inSeconds: 1, holdSeconds: 4, outSeconds: 0.8 };
  const rate = RATES.get('25');
  const needed = (frames: number) => neededByMoves(design, stretchTiming(design, frames, rate), rate);
  expect(needed(44)).toBeCloseTo(1.8);
  expect(needed(45)).toBeNull();
  expect(needed(145)).toBeNull();
});
