import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import { PLAIN_LOOK } from '../model/look';
import {
  newBackdropLayer,
  newCopyLayer,
  newGroupLayer,
  newLightLayer,
  newParticlesLayer,
  newPictureLayer,
  newRowsLayer,
  newStackLayer,
} from '../model/newLayers';
import type { Layer } from '../model/template';
import { parseTemplate } from '../model/templateSchema';
import { FORMATS, pictureSize } from '../frame/formats';
import { resolveLayout } from '../layout/resolveLayout';
import { safeArea } from '../frame/safeAreas';
import { PATTERNS } from '../patterns';
import { motionOf } from '../model/newMove';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import { sayNote } from '../timeline/layerNotes';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import { bindLayer, findProperty } from '.';
import { isFullFrame } from './picture';

const WIDE = FORMATS.get('wide-1080');
let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const boxOf = (layers: readonly Layer[], id: string, format = WIDE) =>
  resolveLayout(layers, format, fonts).get(id)?.box;

const EVERY_KIND: readonly Layer[] = [
  testText('text', 'Noor'),
  testBox('box'),
  newPictureLayer('picture', 'Picture', null),
  newBackdropLayer('backdrop', 'Backdrop'),
  newParticlesLayer('particles', 'Particles'),
  newLightLayer('light', 'Light'),
  newGroupLayer('group', 'Group', ['text']),
  newStackLayer('stack', 'Stack', ['box']),
  newCopyLayer('copy', 'Copy', 'text'),
  newRowsLayer('rows', 'Rows'),
];

describe('layers of every kind', () => {
  test('are valid as they are first put down, together', () => {
    const template = testTemplate(EVERY_KIND);
    expect(parseTemplate(template)).toEqual(template);
  });

  test.each(EVERY_KIND.map((layer) => [layer.kind, layer] as const))(
    '%s: setting any property to what it is changes nothing, and paths are told apart',
    (_kind, layer) => {
      const { properties } = bindLayer(layer);
      expect(new Set(properties.map((one) => one.path)).size).toBe(properties.length);
      for (const property of properties) {
        const same = property.with(property.value);
        expect(findProperty(same, property.path)?.value).toEqual(property.value);
        expect(
          parseTemplate(testTemplate(EVERY_KIND.map((one) => (one === layer ? same : one)))),
        ).toBeDefined();
      }
    },
  );

  test('numbers out of range are brought into it by every numeric property', () => {
    for (const layer of EVERY_KIND) {
      for (const property of bindLayer(layer).properties) {
        if (property.control.kind !== 'number') continue;
        const wild = property.with(1e9);
        expect(() =>
          parseTemplate(testTemplate(EVERY_KIND.map((one) => (one === layer ? wild : one)))),
        ).not.toThrow();
      }
    }
  });
});

describe('a box', () => {
  const left = testBox('left', { place: place({ dxU: 100, dyU: 100 }) });
  const right = testBox('right', { place: place({ dxU: 700, dyU: 100 }) });

  test('fills the room between two layers, whichever is named first', () => {
    const between = (fromId: string, toId: string): Layer =>
      testBox('bridge', { width: { kind: 'between', fromId, toId } });
    expect(boxOf([between('left', 'right'), left, right], 'bridge')).toMatchObject({ x: 200, width: 500 });
    expect(boxOf([between('right', 'left'), left, right], 'bridge')).toMatchObject({ x: 200, width: 500 });
  });

  test('takes a share of an area in every format', () => {
    const half = testBox('half', { width: { kind: 'share', share: 0.5, of: 'titleSafe' } });
    for (const format of FORMATS.list) {
      expect(boxOf([half], 'half', format)?.width).toBeCloseTo(safeArea(format, 'titleSafe').width / 2, 6);
    }
  });

  test('keeps within the limits of its size, about its middle when it encloses', () => {
    const panel = testBox('panel', {
      width: { kind: 'encloses' },
      height: { kind: 'encloses' },
      encloses: ['left'],
      limits: { minWidthU: 300, maxWidthU: null, minHeightU: null, maxHeightU: 30 },
    });
    expect(boxOf([left, panel], 'panel')).toMatchObject({ x: 0, width: 300, y: 110, height: 30 });
  });

  test('that hangs on a turned layer follows its turned corner, and encloses what it covers', () => {
    const turned = testBox('turned', {
      width: { kind: 'fixed', u: 200 },
      place: place({ dxU: 300, dyU: 300, rotateDegrees: 90 }),
    });
    const hanging = testBox('hanging', {
      place: place({ target: { kind: 'layer', layerId: 'turned' }, targetPoint: 'topRight' }),
    });
    const panel = testBox('panel', {
      width: { kind: 'encloses' },
      height: { kind: 'encloses' },
      encloses: ['turned'],
    });
    // Turned about its top left corner, its top right corner lies straight below that.
    expect(boxOf([hanging, turned], 'hanging')?.x).toBeCloseTo(300, 6);
    expect(boxOf([hanging, turned], 'hanging')?.y).toBeCloseTo(500, 6);
    const around = boxOf([turned, panel], 'panel');
    expect(around?.width).toBeCloseTo(boxOf([turned], 'turned')?.height ?? 0, 6);
    expect(around?.height).toBeCloseTo(200, 6);
  });

  test('is pushed back into the area that it must keep inside', () => {
    const far = testBox('far', { place: place({ dxU: 5000, dyU: -300, keepInside: 'titleSafe' }) });
    const safe = safeArea(WIDE, 'titleSafe');
    expect(boxOf([far], 'far')).toMatchObject({ x: safe.x + safe.width - 100, y: safe.y });
  });
});

describe('a stack', () => {
  const words = (id: string, text: string): Layer => testText(id, text, { place: place({ dxU: 999 }) });
  const stack = (more: object = {}): Layer => ({
    ...newStackLayer('stack', 'Stack', ['one', 'two', 'three']),
    place: place({ dxU: 100, dyU: 200 }),
    gapU: 10,
    ...more,
  });

  test('puts members one below the other and closes up when one is empty', () => {
    const full = [words('one', 'A'), words('two', 'B'), words('three', 'C'), stack()];
    const height = boxOf(full, 'one')?.height ?? 0;
    expect(boxOf(full, 'three')).toMatchObject({ x: 100, y: 200 + 2 * (height + 10) });
    const without = [words('one', 'A'), words('two', ''), words('three', 'C'), stack()];
    expect(boxOf(without, 'two')).toBeUndefined();
    expect(boxOf(without, 'three')).toMatchObject({ y: 200 + height + 10 });
    expect(boxOf(without, 'stack')?.height).toBeCloseTo(2 * height + 10, 6);
  });

  test('runs along, lined up in the middle', () => {
    const layers = [
      testBox('one'),
      testBox('two', { height: { kind: 'fixed', u: 150 } }),
      testBox('three'),
      stack({ direction: 'along', align: 'centre' }),
    ];
    expect(boxOf(layers, 'one')).toMatchObject({ x: 100, y: 250 });
    expect(boxOf(layers, 'two')).toMatchObject({ x: 210, y: 200 });
    expect(boxOf(layers, 'stack')).toMatchObject({ width: 320, height: 150 });
  });

  test('a panel round a member follows it, and a member cannot wait for its own stack twice', () => {
    const panel = testBox('panel', {
      width: { kind: 'encloses' },
      height: { kind: 'encloses' },
      encloses: ['two'],
    });
    const layers = [words('one', 'A'), words('two', 'B'), words('three', 'C'), stack(), panel];
    expect(boxOf(layers, 'panel')).toEqual(expect.objectContaining({ y: boxOf(layers, 'two')?.y }));
    const circle = [newStackLayer('a', 'A', ['b']), newStackLayer('b', 'B', ['a'])];
    expect(() => resolveLayout(circle, WIDE, fonts)).toThrow(/"A" → "B" → "A"/);
  });
});

describe('pictures', () => {
  const sizes = {
    size: (asset: string) =>
      ({ full: { widthPx: 3840, heightPx: 2160 }, logo: { widthPx: 300, heightPx: 120 } })[asset],
  };

  test('drawn on a full-frame canvas cover the frame, cropped ones have their own size', () => {
    const full = { ...newPictureLayer('full', 'Full', 'full'), place: place({ dxU: 50 }) };
    const logo = { ...newPictureLayer('logo', 'Logo', 'logo'), place: place({ dxU: 50 }) };
    const placed = resolveLayout([full, logo], WIDE, fonts, sizes);
    expect(placed.get('full')?.box).toMatchObject({ x: 0, y: 0, width: 1920, height: 1080 });
    expect(placed.get('logo')?.box).toMatchObject({ x: 50, y: 0, width: 300, height: 120 });
  });

  test('half a percent decides whether one is full-frame', () => {
    const frame = { x: 0, y: 0, width: 1920, height: 1080 };
    expect(isFullFrame({ widthPx: 1920, heightPx: 1085 }, frame)).toBe(true);
    expect(isFullFrame({ widthPx: 1920, heightPx: 1092 }, frame)).toBe(false);
  });
});

describe('rows', () => {
  test('are as high as they are many, leave empty ones out and stop at the most', () => {
    const rows = (text: string): Layer => ({ ...newRowsLayer('rows', 'Rows'), rows: text, maxRows: 3 });
    expect(boxOf([rows('a\n\nb')], 'rows')?.height).toBe(2 * 72 + 8);
    expect(boxOf([rows('a\nb\nc\nd')], 'rows')?.height).toBe(3 * 72 + 2 * 8);
    expect(boxOf([rows(' \n')], 'rows')).toBeUndefined();
    const notes = compile(testTemplate([rows('a\nb\nc\nd')]), {}, WIDE, fonts).notes;
    expect(notes.map(sayNote)).toEqual(['"Rows" is cut to 3 of 4 rows']);
  });
});

describe('content that moves by itself', () => {
  const timing = stretchTiming({ inSeconds: 1, holdSeconds: 4, outSeconds: 1 }, 150, RATES.get('25'));

  test.each(PATTERNS.list.map((pattern) => [pattern.id]))(
    '%s is a function of seed and time and stays within its frame',
    (pattern) => {
      const { widthU, heightU } = pictureSize(WIDE);
      const rect = { x: 0, y: 0, width: widthU, height: heightU };
      const { colours, still } = PATTERNS.get(pattern);
      const draw = (seconds: number, seed: number): string =>
        JSON.stringify(PATTERNS.get(pattern).draw({ rect, seconds, seed, colours, grain: 1 }));
      expect(draw(2, 3)).toBe(draw(2, 3));
      expect(draw(2, 3) === draw(9, 3)).toBe(still);
    },
  );

  test('grain changes twelve times a second and is drawn once for each change', () => {
    const layer = { ...newBackdropLayer('grain', 'Grain'), pattern: 'grain', motion: motionOf(null, null) };
    const title = compile(testTemplate([layer]), {}, WIDE, fonts);
    const outlineAt = (seconds: number): unknown => {
      const [, specks] = title.frame(seconds, timing).items;
      return specks.kind === 'fill' ? specks.outline : null;
    };
    expect(outlineAt(2.01)).toBe(outlineAt(2.05));
    expect(outlineAt(2.01)).not.toEqual(outlineAt(2.09));
    // Two seconds later it begins again.
    expect(outlineAt(4.01)).toBe(outlineAt(2.01));
  });

  test('particles repeat for a seed and differ between seeds', () => {
    const at = (seed: number, seconds: number): string => {
      const layer = { ...newParticlesLayer('p', 'P'), seed, motion: motionOf(null, null) };
      return JSON.stringify(compile(testTemplate([layer]), {}, WIDE, fonts).frame(seconds, timing).items);
    };
    expect(at(1, 2)).toBe(at(1, 2));
    expect(at(1, 2)).not.toBe(at(2, 2));
    expect(at(1, 2)).not.toBe(at(1, 3));
  });

  test('a light is seen on what lies below it only', () => {
    const light = { ...newLightLayer('light', 'Light'), motion: motionOf(null, null) };
    const alone = compile(testTemplate([light]), {}, WIDE, fonts).frame(2, timing);
    expect(alone.items).toEqual([]);
    const over = compile(testTemplate([light, testBox('box')]), {}, WIDE, fonts).frame(2, timing);
    expect(over.items).toEqual([
      expect.objectContaining({
        kind: 'group',
        items: [expect.objectContaining({ kind: 'fill' }), expect.objectContaining({ kind: 'atop' })],
      }),
    ]);
  });
});

describe('groups and linked copies', () => {
  const timing = stretchTiming({ inSeconds: 1, holdSeconds: 4, outSeconds: 1 }, 150, RATES.get('25'));

  test('a group paints its members at its own place in the order, as one with one opacity', () => {
    const layers: Layer[] = [
      testBox('front'),
      { ...newGroupLayer('group', 'Group', ['a', 'b']), opacity: 0.5 },
      testBox('middle'),
      testBox('a'),
      testBox('b'),
    ];
    const { items } = compile(testTemplate(layers), {}, WIDE, fonts).frame(2, timing);
    expect(items.map((item) => item.kind)).toEqual(['fill', 'group', 'fill']);
    expect(items[1]).toMatchObject({ opacity: 0.5 });
  });

  test('a linked copy shows what its original shows, moved, and later by its delay', () => {
    const original = testBox('original', { place: place({ dxU: 100, dyU: 100 }) });
    const copy = { ...newCopyLayer('copy', 'Copy', 'original'), delaySeconds: 1 };
    const title = compile(testTemplate([original, copy]), {}, WIDE, fonts);
    expect(title.boxes.get('copy')).toMatchObject({ x: 140, y: 140, width: 100, height: 50 });
    expect(title.frame(0.5, timing).items).toHaveLength(1);
    const [copied, shown] = title.frame(2, timing).items;
    expect(copied).toMatchObject({ kind: 'fill', matrix: [1, 0, 0, 1, 40, 40] });
    expect(copied.kind === 'fill' && shown.kind === 'fill' && copied.outline === shown.outline).toBe(true);
  });
});

test('a turned layer is turned about its own point', () => {
  const turned = testBox('box', {
    place: place({ dxU: 300, dyU: 300, rotateDegrees: 90 }),
    look: PLAIN_LOOK,
  });
  const template = testTemplate([turned]);
  const timing = stretchTiming(
    template.timing,
    designFrames(template.timing, RATES.get('25')),
    RATES.get('25'),
  );
  const [item] = compile(template, {}, WIDE, fonts).frame(2, timing).items;
  const matrix = item.kind === 'fill' ? item.matrix : [];
  // The top left corner stays; the right edge comes to point down.
  const at = (x: number, y: number): number[] => [
    Math.round(matrix[0] * x + matrix[2] * y + matrix[4]),
    Math.round(matrix[1] * x + matrix[3] * y + matrix[5]),
  ];
  expect(at(300, 300)).toEqual([300, 300]);
  expect(at(400, 300)).toEqual([300, 400]);
});
