import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import { addMark, moveMark, removeMark } from './marks';
import { motionOf, newMoveUse } from '../model/newMove';
import { parseTemplate } from '../model/templateSchema';
import type { Template } from '../model/template';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const waiting = newMoveUse('fade', { unit: 'word', waits: true, lengthSeconds: 1 });
const design: Template = testTemplate(
  [testText('words', 'one two three', { motion: motionOf(waiting, 'mirror') })],
  {
    timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 0.5 },
  },
);
const tapped = [0.4, 1.1, 2.3].reduce(addMark, design);

describe('marks', () => {
  test('are in order, not set twice, and can be moved and taken away', () => {
    expect(addMark(addMark(addMark(design, 2), 1), 2.01).marks).toEqual([1, 2]);
    expect(moveMark(tapped, 0, 1.5).marks).toEqual([1.1, 1.5, 2.3]);
    expect(removeMark(tapped, 1).marks).toEqual([0.4, 2.3]);
    expect(parseTemplate(tapped)).toEqual(tapped);
  });

  test('make the in long enough for what waits, and the hold gives what it takes', () => {
    expect(tapped.timing).toEqual({ inSeconds: 2.8, holdSeconds: 2.2, outSeconds: 0.5 });
    expect(tapped.layers[0].motion.in[0]).toMatchObject({ startSeconds: 0, lengthSeconds: 2.8 });
  });

  test('bring in one word each, and all have gone at the end', () => {
    const rate = RATES.get('25');
    const timing = stretchTiming(tapped.timing, designFrames(tapped.timing, rate), rate);
    const title = compile(tapped, {}, FORMATS.get('wide-1080'), fonts);
    const shown = (seconds: number): number => title.frame(seconds, timing).items.length;
    expect([0.3, 0.6, 1, 1.4, 2.2, 2.5].map(shown)).toEqual([0, 1, 1, 2, 2, 3]);
    expect(shown(timing.totalSeconds)).toBe(0);
  });
});
