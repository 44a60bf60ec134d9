import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { heatBoard } from '../../../demo/heatBoard';
import { tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { newMoveUse } from '../model/newMove';
import { newTitle, parseTitle } from '../model/project';
import { stretchTiming } from '../titleTime/stretch';
import { frameToSeconds, RATES } from '../time/rates';
import { showTitle } from './deliver';
import { filledMoments, keepMoments, momentsOfRows, spreadMoments, withRowMoments } from './rowMoments';

const at = (row: string, seconds: number | null) => ({ row, seconds });

describe('moments belong to words', () => {
  const kept = [at('Heron', 2), at('Gudgeon', 5), at('Lantern', 9)];

  test.each([
    ['the same rows', ['Heron', 'Gudgeon', 'Lantern'], [2, 5, 9]],
    ['another order', ['Lantern', 'Heron', 'Gudgeon'], [9, 2, 5]],
    ['a row taken out', ['Heron', 'Lantern'], [2, 9]],
    ['a row put in', ['Heron', 'New', 'Gudgeon', 'Lantern'], [2, null, 5, 9]],
    ['a row that reads otherwise', ['Heron', 'Grey gudgeon', 'Lantern'], [2, 5, 9]],
    [
      'a row that reads otherwise after one was put in before',
      ['New', 'Heron', 'Gudgeon', 'Lantern'],
      [null, 2, 5, 9],
    ],
    ['no rows', [], []],
  ])('%s', (_, rows, moments) => {
    expect(momentsOfRows(rows, kept)).toEqual(moments);
  });

  test('rows that read the same take theirs in order, and one without keeps none', () => {
    expect(momentsOfRows(['Heron', 'Heron'], [at('Heron', 1), at('Heron', 4)])).toEqual([1, 4]);
    expect(momentsOfRows(['B', 'A'], [at('A', null), at('B', 3)])).toEqual([3, null]);
  });

  test('letter by letter a row stays itself, also when it is moved afterwards', () => {
    let title = newTitle({
      ...{ id: 't', editionId: 'e', startFrame: 0, lengthFrames: 300, lane: 0 },
      values: { boats: 'Heron\nGudgeon' },
      moments: { boats: [at('Heron', 2), at('Gudgeon', 5)] },
    });
    const type = (boats: string): void => {
      [title] = keepMoments([title], [{ ...title, values: { ...title.values, boats } }]);
    };
    for (const boats of ['Heron\nG', 'Heron\nGr', 'Heron\nGrey', 'Grey\nHeron', 'Grey\n\nHeron\nNew'])
      type(boats);
    expect(title.moments).toEqual({ boats: [at('Grey', 5), at('Heron', 2), at('New', null)] });
    // Moments that are set together with words are taken as they are.
    const set = { ...title, values: { boats: 'X' }, moments: { boats: [at('X', 1)] } };
    expect(keepMoments([title], [set])).toEqual([set]);
  });
});

test('however many rows a sheet puts into a list, what is kept of their moments can be saved', () => {
  const before = newTitle({
    ...{ id: 't', editionId: 'e', startFrame: 0, lengthFrames: 300, lane: 0 },
    values: { boats: 'Heron' },
    moments: { boats: [at('Heron', 2)] },
  });
  const boats = Array.from({ length: 900 }, (_, i) => `Boat ${i}`).join('\n');
  const [after] = keepMoments([before], [{ ...before, values: { boats } }]);
  expect(parseTitle(after)).toEqual(after);
});

test('rows without a moment follow in the rhythm of the others', () => {
  expect(filledMoments([null, null, null], 0.5)).toEqual([0.5, 1.5, 2.5]);
  expect(filledMoments([1, 3, null, null], 0)).toEqual([1, 3, 5, 7]);
  expect(filledMoments([null, 4, 7, null], 0.5)).toEqual([0.5, 4, 7, 10]);
  // Going back in time is no rhythm.
  expect(filledMoments([9, 2, null], 0)).toEqual([9, 2, 3]);
  expect(spreadMoments(['a', 'b', 'c'], 1, 5).map(({ seconds }) => seconds)).toEqual([1, 3, 5]);
  expect(spreadMoments(['a'], 1, 5)).toEqual([at('a', 1)]);
  expect(spreadMoments(['a', 'b'], 5, 1).map(({ seconds }) => seconds)).toEqual([5, 5]);
});

test('a template without lists, and a title without moments, are as they were', () => {
  expect(withRowMoments(tidelineStrap, { name: [at('x', 1)] }, {})).toBe(tidelineStrap);
  expect(withRowMoments(heatBoard, {}, {})).toBe(heatBoard);
  expect(withRowMoments(heatBoard, { boats: [at('Heron', null)] }, {})).toBe(heatBoard);
  const moments = { boats: [at('Heron', 1)] };
  // Rows that only stand there as a sample are not the title's.
  expect(withRowMoments(heatBoard, moments, {})).toBe(heatBoard);
  const values = { boats: 'Heron' };
  const timed = withRowMoments(heatBoard, moments, values);
  expect(timed).not.toBe(heatBoard);
  expect(withRowMoments(heatBoard, { ...moments }, values)).toBe(timed);
});

describe('a list whose rows have moments', () => {
  const rate = RATES.get('25');
  const rows = ['1\tHeron\t4:12', '2\tGudgeon\t4:13', '3\tLantern\t4:15'];
  const values = { heading: 'Heat', note: '', boats: rows.join('\n') };
  const shown = async (seconds: readonly (number | null)[], lengthFrames: number, template = heatBoard) => {
    const moments = { boats: rows.map((row, i) => at(row, seconds[i])) };
    const title = newTitle({
      id: 't',
      editionId: 'e',
      startFrame: 0,
      lengthFrames,
      lane: 0,
      values,
      moments,
    });
    const { compiled } = showTitle(
      title,
      template,
      values,
      FORMATS.get('wide-1080'),
      rate,
      await serverFonts(),
    );
    const timing = stretchTiming(heatBoard.timing, lengthFrames, rate);
    /** How opaque each row is at a frame. */
    const rowsAt = (frame: number): number[] =>
      compiled
        .wordsAt(frameToSeconds(frame, rate), timing)
        .filter(({ layerId }) => layerId === 'boats')
        .map(({ opacity }) => opacity);
    return { rowsAt, timing };
  };

  test('shows none before its moment, to the frame, and each from then on', async () => {
    const { rowsAt } = await shown([2, 5, 8], 300);
    expect(rowsAt(49)).toEqual([0, 0, 0]);
    expect(rowsAt(50)).toEqual([0, 0, 0]);
    expect(rowsAt(51)[0]).toBeGreaterThan(0);
    expect(rowsAt(51).slice(1)).toEqual([0, 0]);
    expect(rowsAt(120).map((one) => one > 0.99)).toEqual([true, false, false]);
    expect(rowsAt(126)[1]).toBeGreaterThan(0);
    expect(rowsAt(200)[2]).toBe(0);
    expect(rowsAt(201)[2]).toBeGreaterThan(0);
    // All at rest are one.
    expect(rowsAt(270).every((one) => one > 0.99)).toBe(true);
  });

  test('with several moves of each row, each as long after its moment as in the design', async () => {
    const later = { ...newMoveUse('fade'), unit: 'row', startSeconds: 1.45, lengthSeconds: 0.5 } as const;
    const twice = {
      ...heatBoard,
      layers: heatBoard.layers.map((layer) =>
        layer.kind === 'rows'
          ? { ...layer, motion: { ...layer.motion, in: [...layer.motion.in, later] } }
          : layer,
      ),
    };
    // The slide starts at 0.45 s in the design, the fade a second after it.
    const { rowsAt } = await shown([2, 5, 8], 300, twice);
    expect(rowsAt(74)[0]).toBe(0);
    expect(rowsAt(77)[0]).toBeGreaterThan(0);
  });

  test('whatever the moments and the length, all rows are there before it goes', async () => {
    const moment = fc.option(fc.double({ min: 0, max: 400, noNaN: true }), { nil: null });
    await fc.assert(
      fc.asyncProperty(
        fc.array(moment, { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 110, max: 2000 }),
        async (seconds, length) => {
          const { rowsAt, timing } = await shown(seconds, length);
          const last = timing.inFrames + timing.holdFrames;
          expect(Math.min(...rowsAt(last - 1))).toBeGreaterThan(0.9);
        },
      ),
      { numRuns: 25 },
    );
  });
});
