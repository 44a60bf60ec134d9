import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { motionOf, newMoveUse } from '../model/newMove';
import type { Retime } from '../model/template';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { ownTime } from '../titleTime/retime';
import { stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';

const WIDE = FORMATS.get('wide-1080');

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

describe('a layer’s own time', () => {
  const retime = (kind: Retime['kind'], more: Partial<Retime> = {}): Retime => ({
    kind,
    speed: 1,
    fromSeconds: 1,
    spanSeconds: 0.5,
    ...more,
  });

  test.each([
    ['twice as fast from a moment', retime('speed', { speed: 2 }), [1, 1.5, 2, 9], [1, 2, 3, 4]],
    ['backwards from a moment', retime('speed', { speed: -1 }), [1, 1.5, 3], [1, 0.5, 0]],
    ['standing still', retime('still'), [0, 3], [1, 1]],
    ['in a loop', retime('loop'), [0.5, 1.2, 1.7, 2.2], [0.5, 1.2, 1.2, 1.2]],
    ['there and back', retime('thereAndBack'), [1.2, 1.6, 2, 2.2], [1.2, 1.4, 1, 1.2]],
  ] as const)('%s', (_name, one, title, own) => {
    const four = stretchTiming({ inSeconds: 1, holdSeconds: 2, outSeconds: 1 }, 100, RATES.get('25'));
    title.forEach((seconds, i) => expect(ownTime(one, seconds, four).seconds).toBeCloseTo(own[i], 9));
  });

  describe('in its hold only', () => {
    const DESIGN = { inSeconds: 1, holdSeconds: 2, outSeconds: 0.5 };
    const kinds = fc.constantFrom('speed', 'loop', 'thereAndBack', 'still', 'curve' as const);
    const holds = fc.record({
      kind: kinds,
      speed: fc.double({ min: 0.25, max: 4, noNaN: true }),
      fromSeconds: fc.double({ min: 0, max: 3, noNaN: true }),
      spanSeconds: fc.double({ min: 0.1, max: 6, noNaN: true }),
    });

    test('keeps the in and the out of the title, and stays within what the hold goes through', () => {
      fc.assert(
        fc.property(
          holds,
          fc.integer({ min: 45, max: 2000 }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          (one, frames, share) => {
            const title = stretchTiming(DESIGN, frames, RATES.get('25'));
            const seconds = share * title.totalSeconds;
            const own = ownTime({ ...one, within: 'hold' }, seconds, title);
            const { inSeconds, outStartSeconds, totalSeconds } = own.timing;
            if (seconds < title.inSeconds) expect(own.seconds).toBe(seconds);
            else if (seconds >= title.outStartSeconds)
              expect(totalSeconds - own.seconds).toBeCloseTo(title.totalSeconds - seconds, 9);
            else {
              expect(own.seconds).toBeGreaterThanOrEqual(inSeconds);
              expect(own.seconds).toBeLessThanOrEqual(outStartSeconds + 1e-9);
            }
          },
        ),
      );
    });

    test('a loop, there and back, and a curve end where the out begins, at any length', () => {
      fc.assert(
        fc.property(holds, fc.integer({ min: 45, max: 2000 }), (one, frames) => {
          if (one.kind === 'speed' || one.kind === 'still') return;
          const title = stretchTiming(DESIGN, frames, RATES.get('25'));
          const just = ownTime({ ...one, within: 'hold' }, title.outStartSeconds - 1e-7, title);
          expect(just.timing.outStartSeconds - just.seconds).toBeLessThan(1e-3);
        }),
      );
    });

    test('goes round as often as fits best', () => {
      const title = stretchTiming(DESIGN, 475, RATES.get('50'));
      const at = (kind: 'loop' | 'thereAndBack', seconds: number): number =>
        ownTime({ kind, within: 'hold', speed: 1, fromSeconds: 0, spanSeconds: 2 }, seconds, title).seconds;
      expect(title.outStartSeconds - title.inSeconds).toBeCloseTo(8, 9);
      // Four times two seconds in a hold of eight.
      expect([1.5, 3.5, 5.5, 7.5].map((seconds) => at('loop', seconds))).toEqual([
        expect.closeTo(1.5, 9),
        expect.closeTo(1.5, 9),
        expect.closeTo(1.5, 9),
        expect.closeTo(1.5, 9),
      ]);
      // There, back, there, back, there: five ways, so that the last one ends with the hold.
      expect(at('thereAndBack', 1 + 8 / 5)).toBeCloseTo(3, 9);
      expect(at('thereAndBack', 1 + 16 / 5)).toBeCloseTo(1, 9);
    });

    test('a keyed way is gone round in the hold, while the in and the out play as designed', () => {
      const dot = testBox('dot', {
        place: place({ dxU: 0 }),
        motion: motionOf([newMoveUse('fade', { lengthSeconds: 1, ease: 'even' })], 'mirror', {
          retime: { kind: 'loop', within: 'hold', speed: 1, fromSeconds: 0, spanSeconds: 2 },
          tracks: [
            {
              path: 'place.dxU',
              on: true,
              keys: [0, 1].map((share) => ({
                moment: { from: 'hold' as const, offsetSeconds: 0, share },
                value: share * 200,
                way: 'straight' as const,
                curve: [0.45, 0, 0.3, 1] as const,
              })),
            },
          ],
        }),
      });
      const title = compile(testTemplate([dot], { timing: DESIGN }), {}, WIDE, fonts);
      const long = stretchTiming(DESIGN, 475, RATES.get('50'));
      const xAt = (seconds: number): number =>
        (title.boxesAt(seconds, long).get('dot')?.x ?? 0) - (title.boxes.get('dot')?.x ?? 0);
      expect([1.5, 2, 3.5, 4, 7.5, 8].map((seconds) => Math.round(xAt(seconds)))).toEqual([
        50, 100, 50, 100, 50, 100,
      ]);
      const opacity = (seconds: number): number => {
        const [item] = title.frame(seconds, long).items;
        return item !== undefined && 'opacity' in item ? Number(item.opacity) : Number.NaN;
      };
      expect(opacity(0.5)).toBeCloseTo(0.5, 5);
      expect(opacity(9.25)).toBeCloseTo(0.5, 5);
    });
  });
});
