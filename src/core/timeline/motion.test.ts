import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import { SPREADS } from '../model/template';
import type { HoldUse, MoveUse, TextLayer } from '../model/template';
import { EASES } from '../eases';
import { HOLD_MOVES } from '../holdMoves';
import { FORMATS } from '../frame/formats';
import type { LayerUnit } from '../layers/layerKind';
import { MOVES } from '../moves';
import type { UnitPlace } from '../moves/move';
import { paramReader } from '../moves/move';
import { compilePart } from '../moves/part';
import { REST } from '../moves/pose';
import { testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from './compile';
import { actAt, compileMove, mirrorMove, mirrorWindows } from './motion';
import { ORDERS } from '../orders';
import { stretchTiming } from '../titleTime/stretch';
import { unitWindows, windowProgress } from './stagger';
import { RATES } from '../time/rates';

const WIDE = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const LAYER = { x: 10, y: 20, width: 1200, height: 40 };
const AROUND = {
  layer: LAYER,
  frame: { x: 0, y: 0, width: 1920, height: 1080 },
  lastLine: LAYER,
  marks: [],
  mirrored: false,
};
const unit = (i: number): LayerUnit => {
  const box = { x: 10 + i * 100, y: 20, width: 90 + (i % 3), height: 40 };
  return { box, ink: box, shapes: [], line: 0 };
};
const units = (count: number): LayerUnit[] => Array.from({ length: count }, (_, i) => unit(i));
const spot: UnitPlace = {
  ...AROUND,
  box: unit(2).box,
  line: LAYER,
  index: 2,
  count: 12,
  all: units(12).map(({ box }) => box),
  slice: 0,
  slices: 1,
  chance: (which) => ((which * 37) % 10) / 10,
};
const orders = fc.constantFrom(...ORDERS.list);
const spreads = fc.constantFrom(...SPREADS);
const shares = fc.double({ min: 0, max: 1, noNaN: true });
const named = <T extends { readonly id: string }>(list: readonly T[]) =>
  list.map((one) => [one.id, one] as const);

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

describe('every ease', () => {
  test.each(named(EASES.list))('%s goes from 0 to 1', (_id, ease) => {
    expect(ease.at(0)).toBeCloseTo(0, 10);
    expect(ease.at(1)).toBeCloseTo(1, 10);
  });
});

describe('every move', () => {
  test.each(named(MOVES.list))('%s ends exactly at rest in everything that it moves', (_id, move) => {
    const { parts } = move.plan(spot, paramReader(move, {}));
    for (const part of parts) {
      expect(part.keys[part.keys.length - 1].value).toBe(REST[part.property]);
      expect(compilePart(part, 'settle')(1)).toBe(REST[part.property]);
    }
  });

  test.each(named(MOVES.list))('%s has its moments in order and moves something', (_id, move) => {
    const { parts } = move.plan(spot, paramReader(move, {}));
    expect(parts.length).toBeGreaterThan(0);
    for (const { keys } of parts) {
      const times = keys.map((key) => key.at);
      expect(times).toEqual(times.toSorted((a, b) => a - b));
      expect(times[0]).toBeGreaterThanOrEqual(0);
      expect(times[times.length - 1]).toBeLessThanOrEqual(1);
    }
  });

  test.each(named(MOVES.list))(
    '%s shows nothing at its start and the resting picture at its end',
    (_id, move) => {
      const words = moving(newMoveUse(move.id, { ...move.suits, lengthSeconds: 1 }));
      const timing = stretchTiming(TIMING, 75, RATE);
      const title = compile(testTemplate([words], { timing: TIMING }), {}, WIDE, fonts);
      const still = title.frame(timing.inSeconds, timing);
      expect(title.frame(timing.inSeconds, timing)).toEqual(title.frame(1.5, timing));
      // One begins as what everything was before: the whole frame.
      expect(visible(title.frame(0, timing).items)).toBe(move.id === 'squeeze');
      expect(visible(still.items)).toBe(true);
    },
  );
});

const TIMING = { inSeconds: 1, holdSeconds: 1, outSeconds: 1 };

function moving(use: MoveUse, hold: readonly HoldUse[] = []): TextLayer {
  return testText('words', 'Ilse 250\nMarrow', { motion: motionOf(use, 'mirror', { hold }) });
}

/** Whether display items can show anything: they are not all transparent, empty or masked away. */
function visible(items: ReturnType<ReturnType<typeof compile>['frame']>['items']): boolean {
  return items.some((item) => {
    if (item.kind === 'fill' || item.kind === 'stroke')
      return item.opacity > 0 && item.outline.verbs !== '' && item.matrix[0] !== 0;
    if (item.kind === 'average') return item.exposures.some(visible);
    if (item.kind === 'image') return true;
    if (item.kind === 'clip') return item.rectPx.height > 0 && visible(item.items) && !pushedOut(item);
    return visible(item.items);
  });
}

/** Whether the content of a window lies beside it. */
function pushedOut(item: {
  readonly rectPx: { y: number; height: number };
  readonly items: readonly object[];
}): boolean {
  return item.items.every((one) => {
    if (!('matrix' in one) || !('outline' in one)) return false;
    const matrix = one.matrix as readonly number[];
    const ys = (one.outline as { coords: readonly number[] }).coords.filter((_, i) => i % 2 === 1);
    return Math.min(...ys) * matrix[3] + matrix[5] >= item.rectPx.y + item.rectPx.height - 1;
  });
}

describe('the order of units', () => {
  test('is a permutation by chance, and the same for a seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), fc.integer({ min: 0, max: 9999 }), (count, seed) => {
        const input = { count, seed, sizes: [], ranks: [], lines: [] };
        const ranks = ORDERS.get('random').ranks(input);
        expect([...ranks].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i));
        expect(ORDERS.get('random').ranks(input)).toEqual(ranks);
      }),
    );
    const order = (seed: number) =>
      ORDERS.get('random').ranks({ count: 12, seed, sizes: [], ranks: [], lines: [] });
    expect(order(1)).not.toEqual(order(2));
  });

  test('goes by size, and by numbers that are given', () => {
    const input = { count: 3, seed: 1, sizes: [30, 10, 20], ranks: [2, 0], lines: [0, 0, 1] };
    expect(ORDERS.get('size').ranks(input)).toEqual([2, 0, 1]);
    expect(ORDERS.get('custom').ranks(input)).toEqual([2, 0, 2]);
  });

  test('goes by lines: all at once, each from its first unit, or one after the other', () => {
    const input = { count: 6, seed: 1, sizes: [], ranks: [], lines: [0, 0, 0, 2, 2, 5] };
    expect(ORDERS.get('lines-together').ranks(input)).toEqual([0, 1, 2, 0, 1, 0]);
    expect(ORDERS.get('line-after-line').ranks(input)).toEqual([0, 0, 0, 1, 1, 2]);
  });

  test('goes on from one of them to both sides; a number beyond the last is the last', () => {
    const input = { count: 5, seed: 1, sizes: [], ranks: [1], lines: [] };
    expect(ORDERS.get('from-one').ranks(input)).toEqual([1, 0, 1, 2, 3]);
    expect(ORDERS.get('from-one').ranks({ ...input, ranks: [99] })).toEqual([4, 3, 2, 1, 0]);
    expect(ORDERS.get('from-one').ranks({ ...input, ranks: [] })).toEqual([0, 1, 2, 3, 4]);
  });

  test('what has no lines goes by the rows that it lies in, from the top', () => {
    const at = (x: number, y: number): LayerUnit => ({
      box: { x, y, width: 100, height: 60 },
      ink: { x, y, width: 100, height: 60 },
      shapes: [],
    });
    // Given in no order: two below, a little apart in height, and two above.
    const members = [at(0, 205), at(0, 0), at(200, 200), at(200, 10)];
    const use = newMoveUse('fade', { unit: 'member', order: 'line-after-line', overlap: 0 });
    const { windows } = compileMove(use, members, AROUND, 1, false);
    expect(windows.map(({ start }) => start)).toEqual([0.5, 0, 0.5, 0]);
  });

  test('letters of two lines come together where that is asked for', () => {
    const use = newMoveUse('fade', { unit: 'letter', lengthSeconds: 1, order: 'lines-together', overlap: 0 });
    const text = testText('words', 'Ilse\nOde', { motion: motionOf(use, null) });
    const title = compile(testTemplate([text], { timing: TIMING }), {}, FORMATS.get('wide-1080'), fonts);
    const timing = stretchTiming(TIMING, 75, RATES.get('25'));
    // Four letters share the second; after half of it two of each line are there.
    const there = title.wordsAt(0.51, timing).filter(({ opacity }) => opacity > 0.99);
    expect(there).toHaveLength(4);
  });
});

describe('units that follow one another', () => {
  test('fill the whole time: the first starts at 0 and the last ends at 1', () => {
    fc.assert(
      fc.property(
        orders,
        spreads,
        fc.integer({ min: 1, max: 60 }),
        shares,
        (order, spread, count, overlap) => {
          const ranks = order.ranks({
            count,
            seed: 5,
            sizes: units(count).map((u) => u.box.width),
            ranks: [],
            lines: Array.from({ length: count }, (_, i) => Math.floor(i / 7)),
          });
          const windows = unitWindows(ranks, { overlap, gapShare: null, unitShare: null, spread, seed: 5 });
          expect(Math.min(...windows.map((w) => w.start))).toBeCloseTo(0, 9);
          expect(Math.max(...windows.map((w) => w.start + w.length))).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  test('never overlap without overlap', () => {
    const windows = unitWindows([0, 1, 2, 3, 4], {
      overlap: 0,
      gapShare: null,
      unitShare: null,
      spread: 'even',
      seed: 1,
    });
    for (const p of [0.1, 0.3, 0.5, 0.7, 0.9]) {
      expect(windows.filter((w) => windowProgress(w, p) > 0 && windowProgress(w, p) < 1)).toHaveLength(1);
    }
  });

  test('keep a fixed gap, and a spread changes only when they start', () => {
    const fixed = unitWindows([0, 1, 2], {
      overlap: 0.5,
      gapShare: 0.2,
      unitShare: null,
      spread: 'even',
      seed: 1,
    });
    expect(fixed.map((w) => Number(w.start.toFixed(6)))).toEqual([0, 0.2, 0.4]);
    const starts = (spread: (typeof SPREADS)[number]): number[] =>
      unitWindows([0, 1, 2], { overlap: 0.5, gapShare: null, unitShare: null, spread, seed: 1 }).map(
        (w) => w.start,
      );
    expect(starts('slowFast')[1]).toBeGreaterThan(starts('even')[1]);
    expect(starts('fastSlow')[1]).toBeLessThan(starts('even')[1]);
  });
});

describe('units with a length of their own', () => {
  const of = (count: number, more: object): { start: number; length: number }[] =>
    unitWindows(
      Array.from({ length: count }, (_, i) => i),
      { overlap: 0.5, gapShare: null, unitShare: 0.2, spread: 'even', seed: 1, ...more },
    );

  test('keep it whatever their number, and never take longer than the whole', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        shares,
        spreads,
        (count, unitShare, overlap, spread) => {
          const windows = of(count, { unitShare, overlap, spread });
          const length = Math.min(1, unitShare);
          for (const window of windows) expect(window.length).toBe(length);
          const ends = windows.map(({ start, length: own }) => start + own);
          expect(windows[0].start).toBe(0);
          expect(Math.max(...ends)).toBeLessThanOrEqual(1 + 1e-9);
          // What fits follows one another as asked; what does not fills the whole.
          const asked = length + (count - 1) * length * (1 - overlap);
          expect(Math.max(...ends)).toBeCloseTo(Math.min(1, asked), 9);
        },
      ),
    );
  });

  test('follow one another by the delay that is asked for, as long as there is time for it', () => {
    const starts = (gapShare: number): number[] => of(5, { gapShare }).map(({ start }) => start);
    expect(starts(0.1).map((one) => Number(one.toFixed(9)))).toEqual([0, 0.1, 0.2, 0.3, 0.4]);
    expect(starts(0.4).map((one) => Number(one.toFixed(9)))).toEqual([0, 0.2, 0.4, 0.6, 0.8]);
  });

  test('say what they come to in seconds', () => {
    const use = newMoveUse('turn', {
      unit: 'letter',
      lengthSeconds: 1.2,
      unitSeconds: 0.4,
      gapSeconds: 0.1,
    });
    const come = (count: number): object => compileMove(use, units(count), AROUND, 2, false).times;
    expect(come(5)).toEqual({
      count: 5,
      unitSeconds: expect.closeTo(0.4, 9),
      gapSeconds: expect.closeTo(0.1, 9),
      totalSeconds: expect.closeTo(0.8, 9),
    });
    // Twenty-nine letters in the same time: each still turns for 0.4 s, they only start closer together.
    expect(come(29)).toEqual({
      count: 29,
      unitSeconds: expect.closeTo(0.4, 9),
      gapSeconds: expect.closeTo(0.8 / 28, 9),
      totalSeconds: expect.closeTo(1.2, 9),
    });
    const whole = { ...use, unit: 'layer' as const };
    expect(compileMove(whole, units(1), AROUND, 2, false).times.unitSeconds).toBeCloseTo(1.2, 9);
  });

  test('wait for their marks and then take as long', () => {
    const use = newMoveUse('rise', { unit: 'word', waits: true, lengthSeconds: 4, unitSeconds: 1 });
    const { windows } = compileMove(use, units(2), { ...AROUND, marks: [0.5, 2] }, 4, false);
    expect(windows).toEqual([
      { start: 0.125, length: 0.25 },
      { start: 0.5, length: 0.25 },
    ]);
  });
});

test('the mirrored out shows at each moment what the in shows at the mirrored moment', () => {
  const moves = fc.constantFrom(...MOVES.list);
  const eases = fc.constantFrom(...EASES.list);
  fc.assert(
    fc.property(
      moves,
      eases,
      orders,
      spreads,
      shares,
      shares,
      fc.integer({ min: 1, max: 12 }),
      (...given) => {
        const [move, ease, order, spread, overlap, share, count] = given;
        const use = newMoveUse(move.id, {
          unit: 'word',
          order: order.id,
          spread,
          overlap,
          ease: ease.id,
          startSeconds: 0.2,
          lengthSeconds: 0.7,
          unitSeconds: count % 2 === 0 ? 0.15 : null,
        });
        const own = units(count);
        const arrive = compileMove(use, own, AROUND, TIMING.inSeconds, false);
        const mirrored = compileMove(mirrorMove(use, TIMING), own, AROUND, TIMING.outSeconds, true);
        const leave = { ...mirrored, windows: mirrorWindows(mirrored.windows) };
        own.forEach((one, i) => {
          // A jump of a stepped value may fall on either side of a rounding, so those are left out.
          const stepped = arrive.plans[i][0].plan.parts.some((part) =>
            part.keys.some((key) => key.ease === 'stepped'),
          );
          if (stepped || move.id === 'typing') return;
          const there = actAt(arrive, one, i, 0, share)?.pose ?? REST;
          const back = actAt(leave, one, i, 0, 1 - share)?.pose ?? REST;
          for (const [property, value] of Object.entries(there)) {
            // Progress differs by rounding only, which eases and distances enlarge a little.
            expect(Reflect.get(back, property)).toBeCloseTo(value, 4);
          }
        });
      },
    ),
  );
});

test('the reverse of the reverse is the move', () => {
  const use = newMoveUse('rise', {
    startSeconds: 0.15,
    lengthSeconds: 0.6,
    gapSeconds: 0.1,
    unitSeconds: 0.3,
  });
  const timing = { inSeconds: 1, holdSeconds: 2, outSeconds: 0.5 };
  const back = { inSeconds: 0.5, holdSeconds: 2, outSeconds: 1 };
  const twice = mirrorMove(mirrorMove(use, timing), back);
  expect(twice.startSeconds).toBeCloseTo(use.startSeconds, 9);
  expect(twice.lengthSeconds).toBeCloseTo(use.lengthSeconds, 9);
  expect(twice.gapSeconds).toBeCloseTo(0.1, 9);
  expect(mirrorMove(use, timing).unitSeconds).toBeCloseTo(0.15, 9);
  expect(twice.unitSeconds).toBeCloseTo(0.3, 9);
  const windows = unitWindows([0, 1, 2], {
    overlap: 0.4,
    gapShare: null,
    unitShare: null,
    spread: 'fastSlow',
    seed: 1,
  });
  mirrorWindows(mirrorWindows(windows)).forEach((window, i) =>
    expect(window.start).toBeCloseTo(windows[i].start, 9),
  );
});

test('a move that has no length is simply there from its start', () => {
  const use = newMoveUse('fade', { overlap: 0, ease: 'even', startSeconds: 0.5, lengthSeconds: 0 });
  const [one] = units(1);
  const compiled = compileMove(use, [one], AROUND, 1, false);
  expect(actAt(compiled, one, 0, 0, 0.4)?.pose.opacity).toBe(0);
  expect(actAt(compiled, one, 0, 0, 0.5)).toBeNull();
});

describe('a title of any length', () => {
  const use = newMoveUse('wave', { unit: 'letter', overlap: 0.8, lengthSeconds: 0.9 });
  const hold = [newHoldUse('ripple', { unit: 'letter' }), newHoldUse('shimmer')];

  test('has the in and the mirrored out of its design length', () => {
    const title = compile(testTemplate([moving(use, hold)], { timing: TIMING }), {}, WIDE, fonts);
    const design = stretchTiming(TIMING, 75, RATE);
    for (const frames of [60, 180, 1500]) {
      const timing = stretchTiming(TIMING, frames, RATE);
      for (const seconds of [0.04, 0.2, 0.44, 0.8, 1]) {
        expect(title.frame(seconds, timing)).toEqual(title.frame(seconds, design));
        const [last, designLast] = [timing.totalSeconds, design.totalSeconds];
        expect(title.frame(last - seconds, timing).items.length).toBe(
          title.frame(designLast - seconds, design).items.length,
        );
      }
    }
  });

  test('shows at a time what it shows at that time, whatever was asked before', () => {
    const template = testTemplate([moving(use, hold)], { timing: TIMING });
    const timing = stretchTiming(TIMING, 90, RATE);
    const times = [0, 0.3, 1.2, 1.7, 2.9, 3.3];
    const one = compile(template, {}, WIDE, fonts);
    const forwards = times.map((seconds) => one.frame(seconds, timing));
    const other = compile(template, {}, WIDE, fonts);
    const backwards = times.toReversed().map((seconds) => other.frame(seconds, timing));
    expect(backwards.toReversed()).toEqual(forwards);
  });

  test.each(named(HOLD_MOVES.list))('%s begins and ends its hold at rest', (_id, move) => {
    const template = testTemplate([moving(use, [newHoldUse(move.id)])], { timing: TIMING });
    const still = compile(testTemplate([moving(use)], { timing: TIMING }), {}, WIDE, fonts);
    const title = compile(template, {}, WIDE, fonts);
    const timing = stretchTiming(TIMING, 200, RATE);
    expect(title.frame(timing.inSeconds, timing)).toEqual(still.frame(timing.inSeconds, timing));
    expect(title.frame(1.7, timing)).not.toEqual(still.frame(1.7, timing));
  });
});
