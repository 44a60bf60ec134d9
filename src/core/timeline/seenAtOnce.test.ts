import { beforeAll, describe, expect, test } from '@jest/globals';
import { FORMATS } from '../frame/formats';
import { newRowsLayer } from '../model/newLayers';
import { motionOf, newMoveUse } from '../model/newMove';
import type { Layer, MoveUse, RowsLayer } from '../model/template';
import { MOVES } from '../moves';
import { serverFonts } from '../../server/fontFiles';
import { place, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import type { CompiledTitle } from './compile';
import { compile } from './compile';

const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);
const FRAME = 1 / 25;

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

function titleOf(more: Partial<MoveUse>, id = 'rise'): CompiledTitle {
  const use = newMoveUse(id, { unit: 'letter', overlap: 0.5, lengthSeconds: 1, ...more });
  const words: Layer = testText('words', 'Upper Weir', {
    place: place({ dxU: 400, dyU: 500 }),
    motion: motionOf([use], 'mirror'),
  });
  return compiled(words);
}

const compiled = (layer: Layer): CompiledTitle =>
  compile(testTemplate([layer], { timing: TIMING }), {}, FORMATS.get('wide-1080'), fonts);

/** What is painted at a time, its figures to a millionth. */
const itemsAt = (title: CompiledTitle, seconds: number): unknown =>
  JSON.parse(
    JSON.stringify(title.frame(seconds, LENGTH).items, (_key, value: unknown) =>
      typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value,
    ),
  );

describe('a move whose first frame shows something', () => {
  test('is a frame ahead in the in, whatever the order of its units', () => {
    const [plain, early] = [titleOf({}), titleOf({ seenAtOnce: true })];
    for (let frame = 0; frame < 24; frame++)
      expect(itemsAt(early, frame * FRAME)).toEqual(itemsAt(plain, (frame + 1) * FRAME));
  });

  test('holds and goes as it did', () => {
    const [plain, early] = [titleOf({}), titleOf({ seenAtOnce: true })];
    for (const seconds of [1, 2, 3, 3.04, 3.5, 3.96, 4])
      expect(itemsAt(early, seconds)).toEqual(itemsAt(plain, seconds));
    // What is turned round shows something in its last frame in either case.
    expect(itemsAt(early, 3.96)).not.toEqual([]);
  });

  test('goes as it did by moves of its own, too', () => {
    const leaving = (seenAtOnce: boolean): CompiledTitle => {
      const use = newMoveUse('rise', { lengthSeconds: 1, seenAtOnce });
      const motion = { ...motionOf([], 'mirror'), out: [use] };
      return compiled(testText('words', 'Upper Weir', { place: place({ dxU: 400, dyU: 500 }), motion }));
    };
    for (const seconds of [3, 3.2, 3.96])
      expect(itemsAt(leaving(true), seconds)).toEqual(itemsAt(leaving(false), seconds));
  });

  test.each<[string, Partial<RowsLayer>]>([
    ['that come one by one', { moments: [0, 0.4, 0.8] }],
    ['of a chain', { chain: { rhythm: 'even', everySeconds: 2, overlap: 0, round: false } }],
    ['of pages', { pages: true, maxRows: 2 }],
  ])('shows something of rows %s at once', (_which, more) => {
    const rows = (seenAtOnce: boolean): CompiledTitle => {
      const use = newMoveUse('fade', { unit: 'row', lengthSeconds: 1, ease: 'even', seenAtOnce });
      return compiled({
        ...newRowsLayer('boats', 'Boats'),
        rows: 'Heron\nOtter\nCurlew',
        place: place({ dxU: 300, dyU: 300 }),
        motion: motionOf([use], 'mirror'),
        ...more,
      });
    };
    expect(itemsAt(rows(false), 0)).toEqual([]);
    expect(itemsAt(rows(true), 0)).not.toEqual([]);
  });

  test.each(MOVES.list.filter(({ suits }) => suits?.unit !== 'letter').map(({ id }) => id))(
    '%s shows something at once, on the whole layer',
    (id) => {
      expect(itemsAt(titleOf({ unit: 'layer', seenAtOnce: true, ease: 'even' }, id), 0)).not.toEqual([]);
    },
  );
});
