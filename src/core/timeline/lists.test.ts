import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { box, moveUse, place } from '../../../demo/layers';
import { serverFonts } from '../../server/fontFiles';
import type { DisplayItem, HexColour } from '../display/list';
import { outlineBounds } from '../display/outline';
import { solid } from '../display/unitShape';
import { FORMATS } from '../frame/formats';
import { mapRect } from '../kit/matrix';
import type { Rect } from '../kit/rect';
import { newRowsLayer } from '../model/newLayers';
import { motionOf } from '../model/newMove';
import type { RowsLayer, Template } from '../model/template';
import { cellColumns } from '../model/template';
import { testTemplate } from '../testing';
import { worstLink } from '../proof/chainReading';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';
import { rowTimes } from './rowTimes';

const WIDE = FORMATS.get('wide-1080');
const design = { inSeconds: 2, holdSeconds: 6, outSeconds: 1 };
const of = { timing: design, marks: [] };
const timing = stretchTiming(design, 225, RATES.get('25'));
const OPAQUE_GOLD = '#e3b94f';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const named = (count: number): string => Array.from({ length: count }, (_, i) => `Boat ${i + 1}`).join('\n');

const list = (change: Partial<RowsLayer> = {}): RowsLayer => ({
  ...newRowsLayer('boats', 'Boats'),
  rows: named(4),
  columns: [newRowsLayer('x', 'x').columns[1]],
  rowHeightU: 70,
  gapU: 10,
  maxRows: 5,
  place: place('bottomLeft', { kind: 'titleSafe' }, 'bottomLeft'),
  motion: motionOf(moveUse('fade', [0, 2], { unit: 'row', overlap: 0 }), 'mirror'),
  ...change,
});

/** Where all that is filled with a colour lies, in pixels. */
function solidBounds(items: readonly DisplayItem[], colour: HexColour): Rect[] {
  return items.flatMap((item): Rect[] => {
    if ('items' in item) return solidBounds(item.items, colour);
    if (item.kind !== 'fill' || JSON.stringify(item.paint) !== JSON.stringify(solid(colour))) return [];
    const bounds = outlineBounds(item.outline);
    return bounds === null ? [] : [mapRect(item.matrix, bounds)];
  });
}

const template = (layer: RowsLayer): Template => ({
  ...testTemplate([]),
  timing: design,
  layers: [
    layer,
    box({
      id: 'panel',
      name: 'Panel',
      fill: '#10303c',
      place: place('left', { kind: 'titleSafe' }, 'left'),
      encloses: ['boats'],
      padding: { leftU: 0, topU: 20, rightU: 0, bottomU: 20 },
    }),
  ],
});

describe('when rows come and go', () => {
  const cases = fc.record({
    count: fc.integer({ min: 1, max: 30 }),
    maxRows: fc.integer({ min: 1, max: 8 }),
    moments: fc.option(
      fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 1, maxLength: 30 }),
      {
        nil: undefined,
      },
    ),
    lengthFrames: fc.integer({ min: 2, max: 1500 }),
    overlap: fc.double({ min: 0, max: 1, noNaN: true }),
  });

  test('all have come before the title goes if one has the time to, whatever their moments and its length', () => {
    fc.assert(
      fc.property(cases, ({ count, maxRows, moments, lengthFrames, overlap }) => {
        const motion = motionOf(moveUse('fade', [0.1, 1.8], { unit: 'row', overlap }), 'mirror');
        const rows = moments === undefined ? undefined : moments.toSorted((a, b) => a - b);
        const layer = list({ rows: named(count), maxRows, pages: true, moments: rows, motion });
        const title = stretchTiming(design, lengthFrames, RATES.get('25'));
        const times = rowTimes(layer, of)(title);
        expect(times).toHaveLength(count);
        for (const { from, comesFor, to, goesFor } of times) {
          expect(from).toBeGreaterThanOrEqual(0);
          expect(from).toBeLessThanOrEqual(Math.max(0, title.outStartSeconds - comesFor) + 1e-9);
          expect(to).toBeGreaterThanOrEqual(from);
          expect(goesFor).toBeGreaterThan(0);
        }
      }),
    );
  });

  test('without moments pages share the time evenly, and one is gone when the next begins', () => {
    const times = rowTimes(list({ rows: named(7), maxRows: 3, pages: true }), of)(timing);
    const begins = [0, 3, 6].map((first) => times[first].from);
    expect(begins[0]).toBe(0);
    expect(begins[1]).toBeCloseTo(timing.outStartSeconds / 3, 9);
    expect(begins[2]).toBeCloseTo((2 * timing.outStartSeconds) / 3, 9);
    const gone = times.slice(0, 3).map(({ to, goesFor }) => to + goesFor);
    expect(Math.max(...gone)).toBeCloseTo(begins[1], 9);
    expect(worstLink([list({ rows: named(7), maxRows: 3, pages: true })], of, timing)?.words).toMatch(
      /^Boat/,
    );
  });

  test('a row has the moment that the title gives it, also on the second page', () => {
    const moments = [0.5, 1, 1.5, 4.2, 5];
    const times = rowTimes(list({ rows: named(5), maxRows: 3, pages: true, moments }), of)(timing);
    expect(times.map(({ from }) => from)).toEqual(moments);
    expect(times[2].to + times[2].goesFor).toBeLessThanOrEqual(4.2 + 1e-9);
  });

  test('only one page is there at a time, at the same place', () => {
    const layer = list({ rows: named(6), maxRows: 3, pages: true, plateOpacity: 0 });
    const title = compile(template(layer), {}, WIDE, fonts);
    expect(title.boxes.get('boats')?.height).toBe(3 * 70 + 2 * 10);
    const shown = (seconds: number): readonly string[] =>
      title
        .wordsAt(seconds, timing)
        .filter(({ opacity }) => opacity > 0.99)
        .map(({ corners }) => corners[0].y.toFixed(0));
    const [first, second] = [shown(2.6), shown(7.2)];
    expect(first).toHaveLength(3);
    expect(second).toEqual(first);
    expect(title.holdsStill).toBe(false);
  });
});

describe('a list that grows', () => {
  const boxesAt = (layer: RowsLayer, seconds: number) => {
    const boxes = compile(template(layer), {}, WIDE, fonts).boxesAt(seconds, timing);
    return { list: boxes.get('boats'), panel: boxes.get('panel') };
  };

  test('is as high as the rows that are there, and so is the panel round it', () => {
    const layer = list({ grows: true });
    const heights = Array.from({ length: 41 }, (_, i) => boxesAt(layer, i / 20).panel?.height ?? 0);
    expect(heights[0]).toBe(70 + 40);
    expect(heights[40]).toBe(4 * 70 + 3 * 10 + 40);
    for (let i = 1; i < heights.length; i++) expect(heights[i]).toBeGreaterThanOrEqual(heights[i - 1]);
    // Half a second for each of four rows: the second one is on its way after three quarters of one.
    expect(heights[15]).toBeGreaterThan(110);
    expect(heights[15]).toBeLessThan(190);
    const still = boxesAt(list(), 0).panel?.height;
    expect(still).toBe(heights[40]);
  });

  test.each([
    ['bottomLeft', 1],
    ['left', 0.5],
    ['topLeft', 0],
  ] as const)('grows from where it is attached: %s', (point, share) => {
    const layer = list({ grows: true, place: place(point, { kind: 'titleSafe' }, point) });
    const at = (seconds: number): number => {
      const { y = 0, height = 0 } = boxesAt(layer, seconds).list ?? {};
      return y + share * height;
    };
    for (const seconds of [0.7, 1.2, 1.8]) expect(at(seconds)).toBeCloseTo(at(4), 6);
  });

  test('lies at rest as one that does not grow, on the same pixels', () => {
    const items = (grows: boolean): string => {
      const title = compile(template(list({ grows })), {}, FORMATS.get('wide-720'), fonts);
      return JSON.stringify(title.frame(4, timing).items);
    };
    expect(items(true)).toBe(items(false));
  });

  test('keeps what comes within the height that it has so far', () => {
    const title = compile(template(list({ grows: true })), {}, WIDE, fonts);
    const kinds = (seconds: number): string[] => title.frame(seconds, timing).items.map(({ kind }) => kind);
    expect(kinds(0.7)).toContain('clip');
    expect(kinds(4)).not.toContain('clip');
  });
});

describe('bars', () => {
  const barred = (
    rows: string,
    bar: Partial<NonNullable<RowsLayer['columns'][number]['bar']>> = {},
  ): RowsLayer => {
    const [column] = list().columns;
    return list({
      rows,
      plateOpacity: 0,
      padU: 0,
      widthShare: 1,
      columns: [
        { ...column, share: 1 },
        {
          ...column,
          style: { ...column.style, fill: OPAQUE_GOLD },
          share: 2,
          bar: { of: 1, zero: 0, full: null, heightShare: 0.5, radiusU: 0, ...bar },
        },
        { ...column, share: 1, counts: true },
      ],
      motion: motionOf(moveUse('count-up', [0, 2], { unit: 'row', overlap: 1, ease: 'even' }), 'mirror'),
    });
  };
  /** The bars of a title as shares of their column: where each starts and how long it is. */
  const bars = (layer: RowsLayer, seconds = 4): number[][] => {
    const title = compile(template(layer), {}, WIDE, fonts);
    const width = title.boxes.get('boats')?.width ?? 1;
    const left = title.boxes.get('boats')?.x ?? 0;
    return solidBounds(title.frame(seconds, timing).items, OPAQUE_GOLD).map((rect) => [
      Number(((rect.x - left - width / 4) / (width / 2)).toFixed(3)) + 0,
      Number((rect.width / (width / 2)).toFixed(3)),
    ]);
  };

  test('are as long as their figures, from a common zero, the largest over the whole column', () => {
    expect(bars(barred('a\t40 %\nb\t10 %\nc\t–\nd\t20 %'))).toEqual([
      [0, 1],
      [0, 0.25],
      [0, 0.5],
    ]);
  });

  test('go both ways from the zero where a figure is below it', () => {
    expect(bars(barred('a\t30\nb\t-10'))).toEqual([
      [0.25, 0.75],
      [0, 0.25],
    ]);
  });

  test('have a given zero and a given full length, and end at it', () => {
    expect(bars(barred('a\t75\nb\t60\nc\t900', { zero: 50, full: 100 }))).toEqual([
      [0, 0.5],
      [0, 0.2],
      [0, 1],
    ]);
  });

  test('go the other way in a list that is mirrored, whose cells stand at the other ends', () => {
    const mirrored = { ...barred('a\t40\nb\t10'), mirrored: { rows: true } as const };
    expect(bars(mirrored)).toEqual([
      [0, 1],
      [0.75, 0.25],
    ]);
  });

  test('grow as their figures count', () => {
    expect(bars(barred('a\t40\nb\t20'), 1)).toEqual([
      [0, 0.5],
      [0, 0.25],
    ]);
  });

  test('have no cells of their own', () => {
    const title = compile(template(barred('a\t40')), {}, WIDE, fonts);
    const { columns } = barred('a\t40');
    expect(columns.map((column) => cellColumns({ columns: [column] }).length)).toEqual([1, 0, 1]);
    expect(title.notes).toEqual([]);
  });
});
