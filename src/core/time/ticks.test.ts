import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { RATES } from './rates';
import { frameNearTicks, rateFromNumber, TICKS_PER_SECOND, ticksOf } from './ticks';

describe('ticks', () => {
  test('are whole for a frame of every usual rate, and for a millionth of one', () => {
    for (const [n, d] of [
      [24n, 1n],
      [25n, 1n],
      [30n, 1n],
      [48n, 1n],
      [50n, 1n],
      [60n, 1n],
      [100n, 1n],
      [120n, 1n],
      [24_000n, 1001n],
      [30_000n, 1001n],
      [60_000n, 1001n],
      [120_000n, 1001n],
    ]) {
      expect((TICKS_PER_SECOND * d) % n).toBe(0n);
      expect((TICKS_PER_SECOND * d) % (n * 1_000_000n)).toBe(0n);
    }
  });

  test('of a second are what a second has, at every rate', () => {
    expect(ticksOf(25, 25)).toBe(TICKS_PER_SECOND);
    expect(ticksOf(30_000, 29.97)).toBe(1001n * TICKS_PER_SECOND);
    expect(ticksOf(-12.5, 25)).toBe(-TICKS_PER_SECOND / 2n);
    expect(ticksOf(0, 24)).toBe(0n);
  });

  test('come back as the frame that they began at, and round to the nearest, halves up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        fc.constantFrom(...RATES.list),
        (frame, rate) => {
          const ticks = ticksOf(frame, rate.numerator / rate.denominator);
          expect(frameNearTicks(ticks, rate)).toBe(frame);
        },
      ),
    );
    const at25 = (value: number): number => frameNearTicks(ticksOf(value, 25), RATES.get('25'));
    expect([3.5, 3.49, 3.51, -3.5, -3.51, -0.3].map(at25)).toEqual([4, 3, 4, -3, -4, 0]);
  });

  test('are refused for what is no time, or is longer than a million seconds', () => {
    for (const bad of [NaN, Infinity, 1e308, -1e308]) expect(() => ticksOf(bad, 25)).toThrow(RangeError);
    expect(ticksOf(25_000_000, 25)).toBe(1_000_000n * TICKS_PER_SECOND);
    expect(() => ticksOf(25_000_001, 25)).toThrow(RangeError);
    expect(() => ticksOf(-25_000_001, 25)).toThrow(RangeError);
    for (const bad of [0, -25, NaN, 1e-9, 1e300]) expect(() => ticksOf(1, bad)).toThrow(RangeError);
  });
});

test('rates are as they are meant', () => {
  for (const written of [29.97, 29.970029, 30_000 / 1001])
    expect(rateFromNumber(written)).toEqual({ n: 30_000n, d: 1001n });
  expect(rateFromNumber(59.94)).toEqual({ n: 60_000n, d: 1001n });
  expect(rateFromNumber(25)).toEqual({ n: 25n, d: 1n });
  expect(rateFromNumber(12.5)).toEqual({ n: 12_500_000n, d: 1_000_000n });
});
