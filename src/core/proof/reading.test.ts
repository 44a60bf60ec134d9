import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { tidelineStrap } from '../../../demo/templates';
import { stretchTiming } from '../timeline/stretch';
import { RATES } from '../time/rates';
import { readingOf } from './readingOf';
import { lengthToRead, readableSeconds } from './readableTime';
import { readingSeconds } from './readingTime';
import { FIRST_READING } from './rules';

const rate = RATES.get('25');

describe('time to read', () => {
  test('is never under two seconds, and nothing for a text without letters', () => {
    expect(readingSeconds('Ode Pell')).toBe(2);
    expect(readingSeconds(' — ')).toBe(0);
  });

  test('goes by words or by characters, whichever takes longer', () => {
    // 9 words of 2 letters: 9 / 2.7 + 0.7.
    expect(readingSeconds('to be or it is an ox at me')).toBeCloseTo(9 / 2.7 + 0.7, 6);
    // Two words, 57 characters.
    const long = `${'a'.repeat(28)} ${'b'.repeat(28)}`;
    expect(readingSeconds(long)).toBeCloseTo(57 / 15 + 0.7, 6);
  });

  test('scripts without spaces go by eight characters a second', () => {
    expect(readingSeconds('河川敷で待っています今日は')).toBeCloseTo(13 / 8 + 0.7, 6);
  });
});

describe('readable time', () => {
  test('runs from the last text at rest to the first that leaves', () => {
    const timing = stretchTiming(tidelineStrap.timing, 150, rate);
    // Role rests at 1.0 s of the in; mirrored, role leaves at once when the out starts at 6 - 0.8 s.
    expect(readableSeconds(tidelineStrap, timing)).toBeCloseTo(5.2 - 1.0, 6);
  });
});

describe('a house that reads at its own pace', () => {
  test('counts with its speeds, its moment to notice and its least', () => {
    const slow = { ...FIRST_READING, wordsPerSecond: 1, noticeSeconds: 1, leastSeconds: 3 };
    expect(readingSeconds('to be or it is', slow)).toBeCloseTo(5 + 1, 6);
    expect(readingSeconds('Ode Pell', slow)).toBe(3);
    expect(readingOf(tidelineStrap, { name: 'Ode' }, 150, rate, slow)).toMatchObject({
      reads: readingSeconds('Ode Lockkeeper, Osier Reach', slow),
      readable: readableSeconds(tidelineStrap, stretchTiming(tidelineStrap.timing, 150, rate)),
    });
  });
});

describe('the length that reading needs', () => {
  test('is exactly enough, from any length up, though in and out grow back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), fc.integer({ min: 1, max: 12 }), (from, seconds) => {
        const length = lengthToRead(tidelineStrap, from, seconds, rate);
        const readable = (frames: number): number =>
          readableSeconds(tidelineStrap, stretchTiming(tidelineStrap.timing, frames, rate));
        expect(length).toBeGreaterThanOrEqual(from);
        expect(readable(length)).toBeGreaterThanOrEqual(seconds - 1e-6);
        if (length > from) expect(readable(length - 2)).toBeLessThan(seconds);
      }),
    );
  });
});
