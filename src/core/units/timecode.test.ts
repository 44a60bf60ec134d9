import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { InputError } from '../kit/inputError';
import { frameToSeconds, RATES, secondsToFrame } from './rates';
import { frameToShortTimecode, frameToTimecode, timecodeToFrame } from './timecode';

const df = RATES.get('29.97');
const anyRate = fc.constantFrom(...RATES.list);

describe('drop-frame timecode (SMPTE ST 12-1)', () => {
  test.each([
    [1799, '00:00:59;29'],
    [1800, '00:01:00;02'],
    [17982, '00:10:00;00'],
    [107_892, '01:00:00;00'],
    [2_589_407, '23:59:59;29'],
  ])('frame %i at 29.97 is %s', (frame, label) => {
    expect(frameToTimecode(frame, df)).toBe(label);
    expect(timecodeToFrame(label, df)).toBe(frame);
  });

  test('59.94 skips four labels a minute', () => {
    expect(frameToTimecode(3600, RATES.get('59.94'))).toBe('00:01:00;04');
  });

  test('a skipped label is refused', () => {
    expect(() => timecodeToFrame('00:01:00;00', df)).toThrow(InputError);
  });
});

test('every frame of a day comes back from its label, at every rate', () => {
  fc.assert(
    fc.property(anyRate, fc.integer({ min: 0, max: 2_000_000 }), (rate, frame) => {
      expect(timecodeToFrame(frameToTimecode(frame, rate), rate)).toBe(frame);
    }),
  );
});

test('a frame starts at a time that is in that very frame, at every rate', () => {
  fc.assert(
    fc.property(anyRate, fc.integer({ min: 0, max: 5_000_000 }), (rate, frame) => {
      expect(secondsToFrame(frameToSeconds(frame, rate), rate)).toBe(frame);
    }),
  );
});

describe('typed times at 25', () => {
  const rate = RATES.get('25');

  test.each([
    ['00:01:12:05', 1805],
    ['1:12:05', 1805],
    ['5:10', 135],
    ['4.5s', 113],
    ['4.5', 113],
    ['40f', 40],
  ])('%s is frame %i', (typed, frame) => {
    expect(timecodeToFrame(typed, rate)).toBe(frame);
  });

  test.each(['', 'soon', '00:00:00:25', '00:61:00:00', '-5', '1:2:3:4:5'])(
    '"%s" is refused and says so',
    (typed) => {
      expect(() => timecodeToFrame(typed, rate, 'Lasts')).toThrow(/^Lasts: expected .*, got /);
    },
  );
});

test('lengths are shown short, with minutes only when there are any', () => {
  expect(frameToShortTimecode(130, RATES.get('25'))).toBe('05:05');
  expect(frameToShortTimecode(1805, RATES.get('25'))).toBe('1:12:05');
});
