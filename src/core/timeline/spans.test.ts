import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { moveUse } from '../../../demo/layers';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { newStackLayer } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import type { Moment, Span, Template } from '../model/template';
import { readingNeed } from '../proof/readingOf';
import { testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { spanTime } from '../titleTime/span';
import { stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';

const WIDE = FORMATS.get('wide-1080');
const rate = RATES.get('25');
const design = { inSeconds: 1, holdSeconds: 8, outSeconds: 1 };
const timing = stretchTiming(design, 250, rate);
const moment = (from: Moment['from'], offsetSeconds = 0, share = 0): Moment => ({
  from,
  offsetSeconds,
  share,
});
const SPAN: Span = { from: moment('start', 3), to: moment('end', -3) };

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

/** A name and a role in a stack on a panel; the role is there from the third second to the third last. */
function strap(span: Span | null = SPAN): Template {
  const motion = motionOf(moveUse('fade', [0, 1], { ease: 'even' }), 'mirror');
  return testTemplate(
    [
      testText('name', 'Ode Pell'),
      testText('role', 'Pilot of the lower weirs', { motion: { ...motion, span } }),
      newStackLayer('list', 'List', ['name', 'role']),
      testBox('panel', { encloses: ['list'], width: { kind: 'encloses' }, height: { kind: 'encloses' } }),
    ],
    { timing: design },
  );
}

describe('the time of a span', () => {
  test('lies within the title on whole frames, however long that is, and its columns fill it', () => {
    const moments = fc.record({
      from: fc.constantFrom('start', 'inEnd', 'hold', 'outStart', 'end'),
      offsetSeconds: fc.double({ min: -12, max: 12, noNaN: true }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(moments, moments, fc.integer({ min: 2, max: 2000 }), (from, to, length) => {
        const title = stretchTiming(design, length, rate);
        const span = spanTime({ from: from as Moment, to: to as Moment }, design, title);
        const { inFrames, holdFrames, outFrames, totalFrames } = span.timing;
        const start = Math.round(span.fromSeconds * 25);
        expect(span.fromSeconds).toBeCloseTo(start / 25, 9);
        expect(start).toBeGreaterThanOrEqual(0);
        expect(totalFrames).toBeGreaterThanOrEqual(1);
        expect(start + totalFrames).toBeLessThanOrEqual(length);
        expect(inFrames + holdFrames + outFrames).toBe(totalFrames);
        expect(Math.min(inFrames, holdFrames, outFrames)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  test('keeps its sense at another length', () => {
    const at = (length: number): number[] => {
      const { fromSeconds, timing: own } = spanTime(SPAN, design, stretchTiming(design, length, rate));
      return [fromSeconds, fromSeconds + own.totalSeconds];
    };
    expect(at(250)).toEqual([3, 7]);
    expect(at(500)).toEqual([3, 17]);
  });
});

describe('a layer with a span', () => {
  const opacityAt = (seconds: number): number | null => {
    const words = compile(strap(), {}, WIDE, fonts).wordsAt(seconds, timing);
    return words.find(({ layerId }) => layerId === 'role')?.opacity ?? null;
  };

  test('is there only in it, and comes and goes at its ends', () => {
    expect(opacityAt(2.96)).toBeNull();
    expect(opacityAt(3)).toBe(0);
    expect(opacityAt(3.5)).toBeCloseTo(0.5, 2);
    expect(opacityAt(5)).toBe(1);
    expect(opacityAt(6.5)).toBeCloseTo(0.5, 2);
    expect(opacityAt(7)).toBeNull();
  });

  test('takes room only while it is there; what holds it opens and closes', () => {
    const title = compile(strap(), {}, WIDE, fonts);
    const height = (seconds: number): number => title.boxesAt(seconds, timing).get('panel')?.height ?? 0;
    const [shut, open] = [height(1), height(5)];
    expect(open).toBeGreaterThan(shut * 1.5);
    expect(height(9)).toBe(shut);
    const opening = Array.from({ length: 26 }, (_, i) => height(3 + i / 25));
    for (let i = 1; i < opening.length; i++) expect(opening[i]).toBeGreaterThanOrEqual(opening[i - 1]);
    expect(opening[5]).toBeGreaterThan(shut);
    expect(opening[5]).toBeLessThan(open);
    expect(height(6.8)).toBeLessThan(open);
    expect(height(6.8)).toBeGreaterThan(shut);
  });

  test('lies as without a span while it is there, on the same pixels', () => {
    const items = (span: Span | null): string =>
      JSON.stringify(compile(strap(span), {}, WIDE, fonts).frame(5, timing).items);
    expect(items(SPAN)).toBe(items(null));
  });

  test('from the start to the end is as without one', () => {
    const whole: Span = { from: moment('start'), to: moment('end') };
    for (const seconds of [0, 0.4, 5, 9.4, 9.96]) {
      const items = (span: Span | null): string =>
        JSON.stringify(compile(strap(span), {}, WIDE, fonts).frame(seconds, timing).items);
      expect(items(whole)).toBe(items(null));
    }
  });

  test('is read in its own time', () => {
    const { layers, marks } = strap();
    const need = { layers, timing: design, marks, rules: undefined, rate };
    const { line, readableAt } = readingNeed(need, 250, () => 8);
    expect(line).toBe('“Pilot of the lower weirs”');
    // Four seconds, less one for either end.
    expect(readableAt(250)).toBeCloseTo(2, 6);
  });

  test('is looked at where it stands', () => {
    const [, role] = compile(strap(), {}, WIDE, fonts).texts;
    expect(role.standsAt(1, timing)).toBe(5);
    expect(role.standsAt(4.5, timing)).toBe(4.5);
    expect(role.ink(1, timing)).toEqual([]);
    expect(role.ink(5, timing).length).toBeGreaterThan(0);
  });
});
