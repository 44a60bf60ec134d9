import { beforeAll, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem } from '../display/list';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { motionOf, newMoveUse } from '../model/newMove';
import type { MoveUse } from '../model/template';
import { testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';

const SMALL = previewFormat(FORMATS.get('wide-1080'), 480);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const CHANGES = 4;
const flap = (reads: string, more: Partial<MoveUse> = {}) => {
  const use = newMoveUse('leaves', {
    unit: 'letter',
    lengthSeconds: 1,
    overlap: 1,
    ease: 'even',
    params: { changes: CHANGES },
    ...more,
  });
  const words = testText('words', reads, { motion: motionOf([use], 'mirror') });
  return compile(testTemplate([words], { timing: TIMING }), {}, SMALL, fonts);
};
/** The forms of a text at rest, one for each letter. */
const formsOf = (reads: string): string[] => flap(reads).frame(1.5, LENGTH).items.flatMap(verbsIn);
/** The outlines of letters, however they are wrapped; a shade is a rectangle. */
function verbsIn(item: DisplayItem): string[] {
  if (item.kind === 'fill') return item.outline.verbs === 'MLLLZ' ? [] : [item.outline.verbs];
  return 'items' in item ? item.items.flatMap(verbsIn) : [];
}
const shownAt = (title: ReturnType<typeof flap>, seconds: number): string[] =>
  title.frame(seconds, LENGTH).items.flatMap(verbsIn);

test('flip through the figures before their own: the next behind the leaf, the one before below', () => {
  const title = flap('7');
  const [three, four, five, six, seven] = ['3', '4', '5', '6', '7'].flatMap(formsOf);
  // Upper half, lower half, and the leaf: its front in the first half of a change, its back in the second.
  expect(shownAt(title, 0.1)).toEqual([four, three, three]);
  expect(shownAt(title, 0.2)).toEqual([four, three, four]);
  expect(shownAt(title, 0.35)).toEqual([five, four, four]);
  expect(shownAt(title, 0.6)).toEqual([six, five, five]);
  expect(shownAt(title, 0.95)).toEqual([seven, six, seven]);
  // At rest it is whole, and once.
  expect(shownAt(title, 1.2)).toEqual([seven]);
  // The way out goes back the same way, and leaves nothing.
  expect(shownAt(title, LENGTH.totalSeconds - 0.6)).toEqual([six, five, five]);
  expect(shownAt(title, LENGTH.totalSeconds)).toEqual([]);
});

test('at every frame the half behind shows the one that comes after the half below', () => {
  const forms = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'].flatMap(formsOf);
  for (const unitSeconds of [0.6, 0.8])
    for (const changes of [3, 4, 5, 6, 7, 9]) {
      const title = flap('7', { params: { changes }, unitSeconds, overlap: 0.85 });
      for (let frame = 1; frame < 25; frame++) {
        const [upper, lower, ...more] = shownAt(title, frame / 25);
        // Once it has arrived it is whole.
        if (more.length === 0) continue;
        expect((forms.indexOf(upper) - forms.indexOf(lower) + 10) % 10).toBe(1);
      }
    }
});

test('a letter whose time has not come is not there, and one that has arrived is not cut any more', () => {
  const title = flap('77', { overlap: 0, lengthSeconds: 1 });
  const [seven] = formsOf('7');
  expect(shownAt(title, 0.06)).toHaveLength(3);
  expect(shownAt(title, 0.97)).toEqual([seven, seven, expect.anything(), seven]);
});

test('what has no order keeps its own shapes', () => {
  const own = formsOf(':');
  expect(shownAt(flap(':'), 0.1)).toEqual([own[0], own[0], own[0]]);
});
