import { describe, expect, test } from '@jest/globals';
import { FORMATS } from '../frame/formats';
import { resolveLayout } from '../layout/resolveLayout';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { resolve } from '../resolve/resolve';
import type { AlignEdge } from './arrange';
import { alignLayers, repeatLayer, spaceLayers } from './arrange';
import type { EditPlace } from './editInFormat';
import { newGroupLayer } from '../model/newLayers';
import { parseTemplate } from '../model/templateSchema';
import type { Template } from '../model/template';

const WIDE = FORMATS.get('wide-1080');
const TALL = FORMATS.get('tall-1080');
const EVERYWHERE: EditPlace = { format: WIDE, scope: null };
// Boxes have no text, so no font is ever asked for.
const NO_FONTS: FontLibrary = {
  font: () => {
    throw new Error('no font is needed');
  },
} as unknown as FontLibrary;

const box = (id: string, dxU: number, dyU: number, width: number) =>
  testBox(id, { width: { kind: 'fixed', u: width }, place: place({ dxU, dyU }) });
const row: Template = testTemplate([box('a', 100, 50, 100), box('b', 260, 90, 40), box('c', 700, 20, 200)], {
  formats: ['wide-1080', 'tall-1080'],
});
const boxes = (template: Template, format = WIDE) => {
  const placed = resolveLayout(resolve(template, { format: format }).template.layers, format, NO_FONTS);
  return template.layers.flatMap(({ id }) => {
    const found = placed.get(id);
    return found === undefined ? [] : [{ id, box: found.box }];
  });
};

describe('lining up', () => {
  test.each<[AlignEdge, (b: { x: number; y: number; width: number; height: number }) => number, number]>([
    ['left', (b) => b.x, 100],
    ['centre', (b) => b.x + b.width / 2, 500],
    ['right', (b) => b.x + b.width, 900],
    ['top', (b) => b.y, 20],
    ['middle', (b) => b.y + b.height / 2, 80],
    ['bottom', (b) => b.y + b.height, 140],
  ])('%s: to what they reach together', (edge, measure, line) => {
    const lined = alignLayers(row, EVERYWHERE, boxes(row), edge, null);
    for (const one of boxes(lined)) expect(measure(one.box)).toBeCloseTo(line, 6);
    expect(parseTemplate(lined)).toEqual(lined);
  });

  test('to an area, and nothing to line up changes nothing', () => {
    const area = { x: 200, y: 0, width: 1000, height: 500 };
    const lined = alignLayers(row, EVERYWHERE, boxes(row).slice(0, 1), 'right', area);
    expect(boxes(lined).map((one) => one.box.x)).toEqual([1100, 260, 700]);
    expect(alignLayers(row, EVERYWHERE, [], 'left', null)).toBe(row);
  });

  test('for one format leaves the others as they are', () => {
    const only: EditPlace = { format: TALL, scope: { kind: 'format', id: TALL.id } };
    const lined = alignLayers(row, only, boxes(row, TALL), 'left', null);
    expect(boxes(lined, TALL).map((one) => one.box.x)).toEqual([100, 100, 100]);
    expect(boxes(lined, WIDE)).toEqual(boxes(row, WIDE));
  });
});

describe('spacing evenly', () => {
  const gaps = (template: Template): number[] => {
    const ordered = boxes(template).toSorted((a, b) => a.box.x - b.box.x);
    return ordered.slice(1).map((one, i) => one.box.x - ordered[i].box.x - ordered[i].box.width);
  };

  test('makes the gaps equal and leaves the first and the last', () => {
    const spaced = spaceLayers(row, EVERYWHERE, boxes(row), 'x', null);
    const [first, second] = gaps(spaced);
    expect(first).toBeCloseTo(second, 6);
    expect(boxes(spaced)[0].box.x).toBe(100);
    expect(boxes(spaced)[2].box.x).toBe(700);
  });

  test('in an area goes to its edges; too few layers are left', () => {
    const area = { x: 0, y: 0, width: 1000, height: 500 };
    const spaced = spaceLayers(row, EVERYWHERE, boxes(row).slice(0, 2), 'x', area);
    expect(
      boxes(spaced)
        .slice(0, 2)
        .map((one) => one.box.x),
    ).toEqual([0, 960]);
    expect(spaceLayers(row, EVERYWHERE, boxes(row).slice(0, 2), 'x', null)).toBe(row);
  });
});

describe('repeating', () => {
  test('gives copies a gap apart, each hanging on the one before', () => {
    const three = repeatLayer(row, 'a', 2, 'y', 16);
    expect(three.layers.map((layer) => layer.id)).toEqual(['a', 'a-2', 'a-3', 'b', 'c']);
    const tops = boxes(three)
      .slice(0, 3)
      .map((one) => one.box.y);
    expect(tops).toEqual([50, 50 + 50 + 16, 50 + 2 * (50 + 16)]);
    expect(parseTemplate(three)).toEqual(three);
  });

  test('repeats a group as linked copies, since its members can be in one place only', () => {
    const grouped = testTemplate([newGroupLayer('group', 'Group', ['a', 'b']), ...row.layers]);
    const twice = repeatLayer(grouped, 'group', 1, 'x', 10);
    expect(twice.layers[1]).toMatchObject({ kind: 'copy', of: 'group' });
    expect(repeatLayer(row, 'gone', 2, 'x', 4)).toBe(row);
  });
});
