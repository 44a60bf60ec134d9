import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { InputError } from '../kit/inputError';
import type { ClockSetting } from './clock';
import { clockOf, frameToTimecode, lengthToTimecode, textToLength, timecodeToFrame } from './clock';
import { frameToSeconds, RATES, secondsToFrame } from './rates';
import { framesPerDay, frameLabel, labelFrame, labelOf, modesOf } from './timecode';

const anyLabelling = fc
  .constantFrom(...RATES.list)
  .chain((rate) => fc.constantFrom(...modesOf(rate)).map((mode) => ({ rate, mode })));
const at = (id: string, setting?: ClockSetting) => clockOf(RATES.get(id), setting);
const plain = (startFrame = 0): ClockSetting => ({ mode: 'non-drop', startFrame });

describe('labels, written from SMPTE ST 12-1', () => {
  test.each([
    ['29.97', 'drop', 0, '00:00:00;00'],
    ['29.97', 'drop', 1799, '00:00:59;29'],
    ['29.97', 'drop', 1800, '00:01:00;02'],
    ['29.97', 'drop', 17_981, '00:09:59;29'],
    ['29.97', 'drop', 17_982, '00:10:00;00'],
    ['29.97', 'drop', 107_892, '01:00:00;00'],
    ['29.97', 'drop', 2_589_407, '23:59:59;29'],
    ['29.97', 'non-drop', 1800, '00:01:00:00'],
    ['29.97', 'non-drop', 108_000, '01:00:00:00'],
    ['29.97', 'non-drop', 2_591_999, '23:59:59:29'],
    ['59.94', 'drop', 3599, '00:00:59;59'],
    ['59.94', 'drop', 3600, '00:01:00;04'],
    ['59.94', 'drop', 35_964, '00:10:00;00'],
    ['59.94', 'drop', 215_784, '01:00:00;00'],
    ['59.94', 'non-drop', 216_000, '01:00:00:00'],
    ['23.976', 'non-drop', 86_400, '01:00:00:00'],
    ['25', 'non-drop', 90_000, '01:00:00:00'],
  ] as const)('at %s, %s, frame %i is %s', (id, mode, frame, label) => {
    const clock = at(id, { mode, startFrame: 0 });
    expect(labelOf(frame, clock)).toBe(label);
    expect(timecodeToFrame(label, clock)).toBe(frame);
  });

  test('a day has as many frames as the standard says', () => {
    expect(framesPerDay(at('29.97'))).toBe(2_589_408);
    expect(framesPerDay(at('29.97', plain()))).toBe(2_592_000);
    expect(framesPerDay(at('59.94'))).toBe(5_178_816);
    expect(framesPerDay(at('25'))).toBe(2_160_000);
  });

  test('a label that drop frame leaves out is refused, and is one of the others without it', () => {
    expect(() => timecodeToFrame('00:01:00;00', at('29.97'))).toThrow(InputError);
    expect(() => timecodeToFrame('00:01:00;03', at('59.94'))).toThrow(/does not skip/);
    expect(timecodeToFrame('00:10:00;00', at('29.97'))).toBe(17_982);
    expect(timecodeToFrame('00:01:00:00', at('29.97', plain()))).toBe(1800);
  });

  test('every frame of a day comes back from its label, at every rate in every mode', () => {
    fc.assert(
      fc.property(anyLabelling, fc.integer({ min: 0, max: 2_000_000 }), (labelling, frame) => {
        expect(labelFrame(frameLabel(frame, labelling), labelling)).toBe(frame);
      }),
    );
  });

  test('the frame after a frame has the next label but for those that are left out', () => {
    for (let frame = 0; frame < 20_000; frame++) {
      const [now, next] = [labelOf(frame, at('29.97')), labelOf(frame + 1, at('29.97'))];
      const [, , minute, second, count] = /(\d+):(\d+):(\d+);(\d+)/.exec(next) ?? [];
      expect(next > now).toBe(true);
      expect(Number(count) < 2 && second === '00' && Number(minute) % 10 !== 0).toBe(false);
    }
  });
});

describe('a project that starts at a timecode', () => {
  test('shows it, reads it, and counts shorter times from it', () => {
    const ten = at('25', plain(10 * 90_000));
    expect(frameToTimecode(0, ten)).toBe('10:00:00:00');
    expect(frameToTimecode(130, ten)).toBe('10:00:05:05');
    expect(timecodeToFrame('10:00:05:05', ten)).toBe(130);
    expect(timecodeToFrame('5:05', ten)).toBe(130);
    expect(timecodeToFrame('40f', ten)).toBe(40);
  });

  test('refuses what lies before it, and says where it starts', () => {
    const ten = at('25', plain(10 * 90_000));
    expect(() => timecodeToFrame('09:59:59:24', ten, 'In')).toThrow(
      /^In: needs a timecode from 10:00:00:00 on/,
    );
  });

  test('goes on over midnight', () => {
    const late = at('29.97', {
      mode: 'drop',
      startFrame: labelFrame({ hours: 23, minutes: 59, seconds: 0, frames: 2 }, at('29.97')),
    });
    expect(frameToTimecode(0, late)).toBe('23:59:00;02');
    const midnight = timecodeToFrame('00:00:00;00', late);
    expect(midnight).toBe(1798);
    expect(frameToTimecode(midnight, late)).toBe('00:00:00;00');
  });

  test('keeps its lengths: they count from nothing', () => {
    const ten = at('29.97', { mode: 'drop', startFrame: 1_078_920 });
    expect(textToLength('00:01:00;02', ten)).toBe(1800);
    expect(lengthToTimecode(1800, ten)).toBe('1:00:02');
  });

  test('has no drop frame at a rate that has none, whatever it says', () => {
    expect(at('25', { mode: 'drop', startFrame: 25 })).toMatchObject({ mode: 'non-drop', startFrame: 25 });
  });
});

test('a frame starts at a time that is in that very frame, at every rate', () => {
  fc.assert(
    fc.property(fc.constantFrom(...RATES.list), fc.integer({ min: 0, max: 5_000_000 }), (rate, frame) => {
      expect(secondsToFrame(frameToSeconds(frame, rate), rate)).toBe(frame);
    }),
  );
});

describe('typed times at 25', () => {
  test.each([
    ['00:01:12:05', 1805],
    ['1:12:05', 1805],
    ['5:10', 135],
    ['4.5s', 113],
    ['4.5', 113],
    ['40f', 40],
  ])('%s is frame %i', (typed, frame) => {
    expect(timecodeToFrame(typed, at('25'))).toBe(frame);
  });

  test.each(['', 'soon', '00:00:00:25', '00:61:00:00', '24:00:00:00', '-5', '1:2:3:4:5'])(
    '"%s" is refused and says so',
    (typed) => {
      expect(() => timecodeToFrame(typed, at('25'), 'Duration')).toThrow(/^Duration: needs .*, found /);
    },
  );
});

test('lengths are shown short, with minutes only when there are any', () => {
  expect(lengthToTimecode(130, at('25'))).toBe('05:05');
  expect(lengthToTimecode(1805, at('25'))).toBe('1:12:05');
});
