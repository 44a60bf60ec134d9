import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import type { Layer } from '../model/template';
import { InputError } from '../kit/inputError';
import { place, testBox, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { FORMATS, pictureSize, unitsToPixels } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { resolveLayout } from './resolveLayout';
import { safeArea } from '../frame/safeAreas';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const wide = FORMATS.get('wide-1080');
const boxes = (
  layers: readonly Layer[],
  format = wide,
): Record<string, { x: number; y: number; width: number; height: number }> =>
  Object.fromEntries(
    [...resolveLayout(layers, format, fonts)].map(([id, { box }]) => [
      id,
      { x: box.x, y: box.y, width: box.width, height: box.height },
    ]),
  );

describe('formats', () => {
  test('the short side is 1080 u in all of them', () => {
    for (const format of FORMATS.list) {
      const { widthU, heightU } = pictureSize(format);
      expect(Math.min(widthU, heightU)).toBeCloseTo(1080, 6);
    }
  });

  test('standard definition shows 4:3 in the middle 704 of 720 columns', () => {
    const sd = FORMATS.get('classic-576');
    const { widthU } = pictureSize(sd);
    expect(widthU).toBeCloseTo(1440, 6);
    const [sx, , , , ex] = unitsToPixels(sd);
    expect(ex).toBe(8);
    expect(ex + widthU * sx).toBeCloseTo(712, 6);
  });

  test('a preview has the same picture at another size', () => {
    const preview = previewFormat(FORMATS.get('classic-576'), 400);
    expect([preview.widthPx, preview.heightPx]).toEqual([400, 300]);
    expect(pictureSize(preview).widthU).toBeCloseTo(1440, 6);
  });
});

describe('safe areas', () => {
  test('are 90 and 93 % of a wide picture (EBU R 95)', () => {
    const title = safeArea(wide, 'titleSafe');
    expect([title.x, title.y, title.width, title.height].map(Math.round)).toEqual([96, 54, 1728, 972]);
    const action = safeArea(wide, 'actionSafe');
    expect(action.width / 1920).toBeCloseTo(0.93, 9);
  });

  test('leave room above and below a tall picture', () => {
    const title = safeArea(FORMATS.get('tall-1080'), 'titleSafe');
    expect(title.y / 1920).toBeCloseTo(0.12, 9);
    expect((title.y + title.height) / 1920).toBeCloseTo(0.82, 9);
  });
});

describe('placing', () => {
  test('a point of a layer lies on a point of an area', () => {
    const layer = testBox('a', {
      place: place({
        point: 'bottomRight',
        target: { kind: 'titleSafe' },
        targetPoint: 'bottomRight',
        dxU: -10,
      }),
    });
    expect(boxes([layer]).a.x).toBeCloseTo(1824 - 110, 6);
    expect(boxes([layer]).a.y).toBeCloseTo(1026 - 50, 6);
  });

  test('a chain of attached layers is placed whatever order the layers have', () => {
    const a = testBox('a', { place: place({ dxU: 100, dyU: 100 }) });
    const b = testBox('b', {
      place: place({ target: { kind: 'layer', layerId: 'a' }, targetPoint: 'bottomLeft', dyU: 5 }),
    });
    const c = testBox('c', {
      place: place({ target: { kind: 'layer', layerId: 'b' }, targetPoint: 'topRight', dxU: 7 }),
    });
    const expected = { a: [100, 100], b: [100, 155], c: [207, 155] };
    for (const order of [
      [a, b, c],
      [c, b, a],
      [b, c, a],
    ]) {
      const found = boxes(order);
      for (const [id, [x, y]] of Object.entries(expected)) expect(found[id]).toMatchObject({ x, y });
    }
  });

  test('texts sit on one another’s baselines', () => {
    const big = testText('big', 'Big', { place: place({ dxU: 50, dyU: 200 }) });
    const style = { ...big.style, sizeU: 40 };
    const small = testText('small', 'small', {
      style,
      place: place({
        point: 'baselineStart',
        target: { kind: 'layer', layerId: 'big' },
        targetPoint: 'baselineEnd',
        dxU: 12,
      }),
    });
    const placed = resolveLayout([big, small], wide, fonts);
    const line = (id: string): number => {
      const box = placed.get(id)?.box;
      return box === undefined ? NaN : box.y + box.firstBaseline;
    };
    expect(line('small')).toBeCloseTo(line('big'), 6);
  });
});

describe('a box that encloses', () => {
  const name = testText('name', 'Ilse Marrow', { place: place({ dxU: 300, dyU: 400 }) });
  const role = testText('role', 'Lockkeeper', {
    place: place({ target: { kind: 'layer', layerId: 'name' }, targetPoint: 'bottomLeft' }),
  });
  const panel = testBox('panel', {
    width: { kind: 'encloses' },
    height: { kind: 'encloses' },
    encloses: ['name', 'role'],
    padding: { leftU: 10, topU: 20, rightU: 30, bottomU: 40 },
  });

  test('lies round all of them with its four paddings', () => {
    const found = boxes([name, role, panel]);
    const widest = Math.max(found.name.width, found.role.width);
    expect(found.panel.x).toBeCloseTo(290, 6);
    expect(found.panel.y).toBeCloseTo(380, 6);
    expect(found.panel.width).toBeCloseTo(widest + 40, 6);
    expect(found.panel.height).toBeCloseTo(found.name.height + found.role.height + 60, 6);
  });

  test('closes up when a text is empty, and goes when all are', () => {
    const without = boxes([name, { ...role, runs: [{ text: ' ' }] }, panel]);
    expect(without.role).toBeUndefined();
    expect(without.panel.height).toBeCloseTo(without.name.height + 60, 6);
    const empty = { ...name, runs: [{ text: '' }] };
    expect(boxes([empty, { ...role, runs: [{ text: '' }] }, panel])).toEqual({});
  });

  test('a layer attached to an empty text takes its place', () => {
    const found = boxes([{ ...name, runs: [{ text: '' }] }, role, panel]);
    expect(found.role).toMatchObject({ x: 300, y: 400 });
    expect(found.panel.x).toBeCloseTo(290, 6);
  });

  test('an edge that matches the panel’s height follows it', () => {
    const edge = testBox('edge', {
      place: place({ target: { kind: 'layer', layerId: 'panel' } }),
      width: { kind: 'fixed', u: 8 },
      height: { kind: 'matches', layerId: 'panel' },
    });
    const found = boxes([edge, name, role, panel]);
    expect(found.edge).toEqual({ x: found.panel.x, y: found.panel.y, width: 8, height: found.panel.height });
  });
});

test('layers that wait for one another are refused by name', () => {
  const a = testBox('Edge', { place: place({ target: { kind: 'layer', layerId: 'Panel' } }) });
  const b = testBox('Panel', {
    width: { kind: 'encloses' },
    height: { kind: 'encloses' },
    encloses: ['Edge'],
  });
  expect(() => boxes([a, b])).toThrow(InputError);
  expect(() => boxes([a, b])).toThrow(/"Edge" → "Panel" → "Edge"/);
});
