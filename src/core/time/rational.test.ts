import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  add,
  divide,
  fromNumber,
  rateFromNumber,
  rational,
  roundRational,
  subtract,
  times,
} from './rational';

const whole = fc.bigInt({ min: -1_000_000n, max: 1_000_000n });
const positive = fc.bigInt({ min: 1n, max: 100_000n });
const any = fc.tuple(whole, positive).map(([n, d]) => rational(n, d));

describe('fractions', () => {
  test('are in their lowest terms, with a positive denominator', () => {
    expect(rational(6n, -4n)).toEqual({ n: -3n, d: 2n });
    expect(rational(0n, 7n)).toEqual({ n: 0n, d: 1n });
    expect(() => rational(1n, 0n)).toThrow(RangeError);
  });

  test('take back what they add and multiply', () => {
    fc.assert(
      fc.property(any, any, (a, b) => {
        expect(subtract(add(a, b), b)).toEqual(a);
        if (b.n !== 0n) expect(divide(times(a, b), b)).toEqual(a);
      }),
    );
  });

  test('round to the nearest, halves up', () => {
    const near = (n: bigint, d: bigint): number => roundRational(rational(n, d));
    expect([near(7n, 2n), near(10n, 3n), near(-7n, 2n), near(-10n, 3n), near(-1n, 3n)]).toEqual([
      4, 3, -3, -3, 0,
    ]);
    fc.assert(
      fc.property(any, (a) => {
        const off = Math.abs(Number(a.n) / Number(a.d) - roundRational(a));
        expect(off).toBeLessThanOrEqual(0.5);
      }),
    );
  });
});

describe('figures of files', () => {
  test('are exact to a millionth, and refused where they are none', () => {
    expect(fromNumber(2.5)).toEqual({ n: 5n, d: 2n });
    for (const bad of [NaN, Infinity, 1e308, -1e308]) expect(() => fromNumber(bad)).toThrow(RangeError);
  });

  test('give rates as they are meant', () => {
    expect(rateFromNumber(29.97)).toEqual({ n: 30_000n, d: 1001n });
    expect(rateFromNumber(59.94)).toEqual({ n: 60_000n, d: 1001n });
    expect(rateFromNumber(25)).toEqual({ n: 25n, d: 1n });
    expect(rateFromNumber(12.5)).toEqual({ n: 25n, d: 2n });
    for (const bad of [0, -25, NaN]) expect(() => rateFromNumber(bad)).toThrow(RangeError);
  });
});
