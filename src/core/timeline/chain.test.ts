import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EMPTY, moveUse } from '../../../demo/layers';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { newRowsLayer } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import type { Chain, RowsLayer, Template } from '../model/template';
import type { FontLibrary } from '../text/fontLibrary';
import { stretchTiming } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import { worstLink } from '../proof/chainReading';
import { chainLinks, chainRests } from './chainTimes';
import { compile } from './compile';

const EVEN: Chain = { rhythm: 'even', everySeconds: 2, overlap: 1, round: false };
const input = { reads: [2, 4, 2], firstSeconds: 0, endSeconds: 12, togetherSeconds: 0 };
const starts = (
  chain: Chain,
  more: Partial<typeof input> & { moments?: readonly number[] } = {},
): number[][] => chainLinks(chain, { ...input, ...more }).map(({ row, from, to }) => [row, from, to]);

describe('when lines of a chain come and go', () => {
  test('evenly, from the design’s first moment to the title’s end', () => {
    expect(starts(EVEN)).toEqual([
      [0, 0, 4],
      [1, 4, 8],
      [2, 8, 12],
    ]);
    expect(starts(EVEN, { firstSeconds: 3 })).toEqual([
      [0, 3, 6],
      [1, 6, 9],
      [2, 9, 12],
    ]);
  });

  test('so long each: the last one is prolonged, and all are shortened alike where there is no room', () => {
    const every: Chain = { ...EVEN, rhythm: 'seconds' };
    expect(starts(every)).toEqual([
      [0, 0, 2],
      [1, 2, 4],
      [2, 4, 12],
    ]);
    expect(starts(every, { endSeconds: 3 })).toEqual([
      [0, 0, 1],
      [1, 1, 2],
      [2, 2, 3],
    ]);
  });

  test('with time left all stand longer, where the chain fills its time', () => {
    const fills: Chain = { ...EVEN, rhythm: 'reading', fills: true };
    expect(starts(fills, { endSeconds: 16 })).toEqual([
      [0, 0, 4],
      [1, 4, 12],
      [2, 12, 16],
    ]);
  });

  test('by reading time', () => {
    expect(starts({ ...EVEN, rhythm: 'reading' })).toEqual([
      [0, 0, 2],
      [1, 2, 6],
      [2, 6, 12],
    ]);
    expect(starts({ ...EVEN, rhythm: 'reading' }, { endSeconds: 4 })).toEqual([
      [0, 0, 1],
      [1, 1, 3],
      [2, 3, 4],
    ]);
  });

  test('round and round: the last that has its whole time is prolonged', () => {
    const round: Chain = { ...EVEN, rhythm: 'seconds', round: true };
    expect(starts(round, { endSeconds: 9 })).toEqual([
      [0, 0, 2],
      [1, 2, 4],
      [2, 4, 6],
      [0, 6, 9],
    ]);
    // Without room for all there is no going round.
    expect(starts(round, { endSeconds: 3 })).toHaveLength(3);
  });

  test('at moments of the title’s own, in their order, sooner alike where the last would not be seen', () => {
    expect(starts(EVEN, { moments: [0, 5, 2] })).toEqual([
      [0, 0, 2],
      [2, 2, 5],
      [1, 5, 12],
    ]);
    const late = starts(EVEN, { moments: [0, 8, 16] });
    expect(late.map(([, from]) => from)).toEqual([0, 4.5, 9]);
  });

  test('one goes before the next comes, or as it comes', () => {
    expect(starts(EVEN, { togetherSeconds: -0.5 })).toEqual([
      [0, 0, 3.5],
      [1, 4, 7.5],
      [2, 8, 12],
    ]);
  });

  test('any moments and any length: every line is there for a while, one after the other, to the end', () => {
    const chain = fc.record({
      rhythm: fc.constantFrom('even' as const, 'seconds' as const, 'reading' as const),
      everySeconds: fc.double({ min: 0.1, max: 30, noNaN: true }),
      overlap: fc.constant(1),
      round: fc.boolean(),
    });
    const moment = fc.double({ min: 0, max: 60, noNaN: true });
    fc.assert(
      fc.property(
        chain,
        fc.array(moment, { minLength: 1, maxLength: 8 }),
        fc.boolean(),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (one, list, given, endSeconds) => {
          const links = chainLinks(one, {
            reads: list.map((_, i) => 1 + i),
            moments: given ? list : undefined,
            firstSeconds: 0.2,
            endSeconds,
            togetherSeconds: 0,
          });
          expect(new Set(links.map(({ row }) => row)).size).toBe(list.length);
          for (const { from, to } of links) {
            expect(to).toBeGreaterThan(from);
            expect(to).toBeLessThanOrEqual(endSeconds + 1e-9);
          }
          links.slice(1).forEach((link, i) => expect(link.from).toBeCloseTo(links[i].to, 6));
          expect(links[links.length - 1].to).toBeCloseTo(endSeconds, 6);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('a chain that is laid out', () => {
  let fonts: FontLibrary;
  beforeAll(async () => {
    fonts = await serverFonts();
  });
  const rate = RATES.get('25');
  const timing = stretchTiming({ inSeconds: 1, holdSeconds: 4, outSeconds: 1 }, 300, rate);
  const layer = (more: Partial<RowsLayer> = {}): RowsLayer => ({
    ...newRowsLayer('places', 'Places'),
    rows: 'Lantern Gate\nUpper Weir\nOsier Harbour',
    chain: EVEN,
    motion: motionOf(moveUse('rise', [0, 0.4], { unit: 'row', overlap: 1 }), 'mirror'),
    ...more,
  });
  const template = (rows: RowsLayer): Template => ({
    ...EMPTY,
    name: 'Chain',
    kind: 'place-date',
    production: '',
    description: '',
    formats: ['wide-1080'],
    rate: '25',
    backdrop: 'weir',
    timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 1 },
    layers: [rows],
    fields: [],
  });
  test('one line stands at a time, in one place; two are there only while one goes and the next comes', () => {
    const compiled = compile(template(layer()), {}, FORMATS.get('wide-1080'), fonts);
    expect(compiled.boxes.get('places')?.height).toBe(72);
    const items = (seconds: number): number => compiled.frame(seconds, timing).items.length;
    const standing = items(2);
    expect(standing).toBeGreaterThan(0);
    expect(items(5)).toBe(standing);
    // It goes for 0.4 s from 11 s, a third of the way, on: then both are there.
    const both = compiled.frame(timing.outStartSeconds / 3 + 0.2, timing).items;
    // Each in its own window: one goes through it as the other comes.
    expect(both.map(({ kind }) => kind)).toEqual(['clip', 'clip']);
    expect(items(timing.totalSeconds)).toBe(0);
  });

  test('a line that has too little time is told with what it needs', () => {
    const rests = chainRests({ ...layer(), chain: EVEN }, [2, 2, 2], 12);
    expect(rests.map(({ stands }) => Number(stands.toFixed(2)))).toEqual([3.6, 3.6, 3.6]);
    const of = { timing: template(layer()).timing, marks: [] };
    const worst = worstLink(
      [layer({ rows: 'One\nA line with a good many more words in it than the other' })],
      of,
      { ...timing, outStartSeconds: 6 },
    );
    expect(worst?.words).toMatch(/^A line/);
    expect(worst?.stands).toBeCloseTo(2.6, 6);
    expect(worst?.reads).toBeGreaterThan(3);
    expect(worstLink([layer({ chain: null })], of, timing)).toBeNull();
  });

  test('earlier rows of a list are dimmed once a later one has come, and lit again before it goes', () => {
    const list = layer({ chain: null, moments: [0.2, 3, 6], earlierOpacity: 0.4 });
    const opacities = (seconds: number, rows = list): number[] =>
      compile(template(rows), {}, FORMATS.get('wide-1080'), fonts)
        .frame(seconds, timing)
        .items.flatMap((item) => (item.kind === 'group' ? [Number(item.opacity.toFixed(2))] : []));
    expect(opacities(2)).toEqual([]);
    // Halfway, then all the way; the one that came last is lit.
    expect(opacities(3.2)).toContain(0.7);
    expect(opacities(5)).toEqual([0.4]);
    expect(opacities(8)).toEqual([0.4, 0.4]);
    expect(opacities(timing.outStartSeconds - 0.2)).toEqual([0.7, 0.7]);
    expect(opacities(timing.outStartSeconds - 1e-6)).toEqual([1, 1]);
    // In the rhythm of the design, and not at all where nothing is dimmed.
    const move = moveUse('rise', [0.2, 3], { unit: 'row', overlap: 0 });
    expect(opacities(4, { ...list, moments: undefined, motion: motionOf(move, 'mirror') })).toEqual([
      0.4, 0.4,
    ]);
    // From the last row on: the topmost is the one that is lit.
    const backward = {
      ...list,
      moments: undefined,
      motion: motionOf({ ...move, order: 'backward' }, 'mirror'),
    };
    const lit = (rows: RowsLayer): boolean[] =>
      compile(template(rows), {}, FORMATS.get('wide-1080'), fonts)
        .frame(5, timing)
        .items.flatMap((item, i, all) =>
          item.kind === 'group' || all[i - 1]?.kind === 'fill' ? [item.kind !== 'group'] : [],
        );
    expect(lit(backward)).toEqual([true, false, false]);
    expect(lit({ ...backward, motion: motionOf(move, 'mirror') })).toEqual([false, false, true]);
    expect(opacities(8, { ...list, earlierOpacity: undefined })).toEqual([]);
    expect(opacities(8, { ...list, moments: [1, 1, 1] })).toEqual([]);
  });
});
