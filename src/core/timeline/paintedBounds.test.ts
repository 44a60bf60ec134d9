import { beforeAll, describe, expect, test } from '@jest/globals';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { createRasterFrame, serverSurfaces } from '../../server/raster';
import type { DisplayItem } from '../display/list';
import { FIRST_SHADOW, PLAIN_LOOK } from '../model/look';
import { newCopyLayer, newGroupLayer, newLightLayer } from '../model/newLayers';
import { motionOf, newMoveUse } from '../model/newMove';
import type { GroupLayer, Layer, TextLayer } from '../model/template';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { compile } from './compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';

// 1 u is a third of a pixel, so that painting is quick.
const SMALL = previewFormat(FORMATS.get('wide-1080'), 640);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const itemsOf = (layers: readonly Layer[], seconds: number): readonly DisplayItem[] =>
  compile(testTemplate(layers, { timing: TIMING }), {}, SMALL, fonts).frame(seconds, LENGTH).items;

/** The picture at a time: gives the straight-alpha RGBA of the pixel at a place in design units. */
function picture(layers: readonly Layer[], seconds: number): (x: number, y: number) => number[] {
  const title = compile(testTemplate(layers, { timing: TIMING }), {}, SMALL, fonts);
  const frame = createRasterFrame(SMALL.widthPx, SMALL.heightPx);
  new Painter(serverSurfaces).paint(frame.context, title.frame(seconds, LENGTH));
  const { data } = frame.context.getImageData(0, 0, SMALL.widthPx, SMALL.heightPx);
  return (x, y) => {
    const at = (Math.floor(y / 3) * SMALL.widthPx + Math.floor(x / 3)) * 4;
    return [...data.slice(at, at + 4)];
  };
}

const HIGHLIGHT = { colour: '#0000ff', opacity: 1, padAcrossU: 120, padDownU: 60, radiusU: 0 };

const highlighted = (more: Partial<TextLayer> = {}): TextLayer =>
  testText('name', 'Marrow', {
    highlight: HIGHLIGHT,
    place: place({ dxU: 600, dyU: 400 }),
    ...more,
  });

const boxOf = (layer: Layer): { x: number; y: number; width: number; height: number } => {
  const box = compile(testTemplate([layer], { timing: TIMING }), {}, SMALL, fonts).boxes.get(layer.id);
  if (box === undefined) throw new Error('no box');
  return box;
};

describe('the highlight of a text', () => {
  /** A place in the highlight's padding, left of the letters. */
  const beside = (): [number, number] => {
    const { x, y, height } = boxOf(highlighted());
    return [x - 114, y + height / 2];
  };

  test('is whole also when the layer is half opaque', () => {
    const at = picture([highlighted({ opacity: 0.5 })], 2);
    const [, , blue, alpha] = at(...beside());
    expect(blue).toBeGreaterThan(250);
    expect(Math.abs(alpha - 128)).toBeLessThan(3);
  });

  test('goes where the text is pinned to', () => {
    const pin = [0, 300, 0, 300, 0, 300, 0, 300];
    const at = picture([highlighted({ place: place({ dxU: 600, dyU: 400, pin }) })], 2);
    const [x, y] = beside();
    expect(at(x, y)[3]).toBe(0);
    expect(at(x, y + 300)).toEqual([0, 0, 255, 255]);
  });

  test('tips in depth with it', () => {
    const flat = picture([highlighted()], 2);
    const tipped = picture(
      [highlighted({ motion: motionOf(null, null, { turnY: 89, perspectiveU: 4000 }) })],
      2,
    );
    expect(flat(...beside())[3]).toBe(255);
    expect(tipped(...beside())[3]).toBe(0);
  });

  test('moves with the whole text, fades with it, and is wiped with it', () => {
    const use = (move: string) => motionOf(newMoveUse(move, { lengthSeconds: 1, ease: 'even' }), null);
    const [left, y] = beside();
    const right = 2 * 600 + boxOf(highlighted()).width - left;
    const ends = (at: (x: number, y: number) => number[]): number[] => [at(left, y)[3], at(right, y)[3]];
    expect(ends(picture([highlighted()], 2))).toEqual([255, 255]);
    for (const move of ['slide', 'grow', 'fade', 'wipe']) {
      const at = picture([highlighted({ motion: use(move) })], 0.2);
      expect([move, ...ends(at)]).not.toEqual([move, 255, 255]);
    }
  });

  test('lies under the shadow of the words, which falls on it', () => {
    const shadow = { ...FIRST_SHADOW, distanceU: 0, softnessU: 60, colour: '#000000', opacity: 1 };
    const text = highlighted({ look: { ...PLAIN_LOOK, shadows: [shadow] } });
    const { x, y, height } = boxOf(text);
    const near = picture([text], 2)(x - 9, y + height * 0.6);
    expect(near[3]).toBe(255);
    expect(near[2]).toBeLessThan(235);
    const far = picture([text], 2)(x - 105, y + height * 0.6);
    expect(far).toEqual([0, 0, 255, 255]);
  });
});

describe('a blur of the layer', () => {
  test('takes the shadow along', () => {
    const shadow = { ...FIRST_SHADOW, angleDegrees: 90, distanceU: 150, softnessU: 0, opacity: 1 };
    const box = (blurAcrossU: number): Layer =>
      testBox('box', {
        width: { kind: 'fixed', u: 300 },
        place: place({ dxU: 600, dyU: 300 }),
        look: { ...PLAIN_LOOK, shadows: [shadow], blurAcrossU },
      });
    const shadowEdge = (blurAcrossU: number): number[] => {
      const at = picture([box(blurAcrossU)], 2);
      return [560, 580, 592, 604, 620, 640].map((x) => at(x, 475)[3]);
    };
    expect(shadowEdge(0)).toEqual([0, 0, 0, 255, 255, 255]);
    const soft = shadowEdge(120);
    expect(soft.filter((alpha) => alpha > 10 && alpha < 245).length).toBeGreaterThanOrEqual(4);
  });
});

describe('a group', () => {
  const member = (id: string, dxU: number, fill: string, motion = motionOf(null, null)): Layer =>
    testBox(id, { fill, width: { kind: 'fixed', u: 200 }, place: place({ dxU, dyU: 400 }), motion });

  test('that is half opaque shows members also where they move out of it', () => {
    const slide = motionOf(newMoveUse('slide', { lengthSeconds: 1, ease: 'even' }), null);
    const group = (opacity: number): GroupLayer => ({ ...newGroupLayer('g', 'G', ['a', 'b']), opacity });
    const members = [member('a', 600, '#ff0000', slide), member('b', 900, '#00ff00')];
    const whole = picture([group(1), ...members], 0.4);
    const half = picture([group(0.5), ...members], 0.4);
    for (let x = 3; x < 1920; x += 12)
      for (const y of [380, 410, 440, 470]) {
        expect(Math.abs(half(x, y)[3] - whole(x, y)[3] / 2)).toBeLessThanOrEqual(1);
      }
    const moved = Array.from({ length: 200 }, (_, i) => whole(3 + i * 3, 425)[3]).some((alpha) => alpha > 0);
    expect(moved).toBe(true);
  });

  test('keeps the order of its members while they come one by one', () => {
    // Named in the other order than they lie.
    const group: GroupLayer = {
      ...newGroupLayer('g', 'G', ['back', 'front']),
      motion: motionOf(newMoveUse('fade', { unit: 'member', lengthSeconds: 1, overlap: 0.9 }), null),
    };
    const layers = [group, member('front', 600, '#ff0000'), member('back', 650, '#0000ff')];
    for (const seconds of [0.95, 0.99, 2]) {
      const [red, , blue] = picture(layers, seconds)(700, 425);
      expect([seconds, red > blue]).toEqual([seconds, true]);
    }
  });

  test('that is twenty times as large paints no more than what is seen of it', () => {
    const group: GroupLayer = {
      ...newGroupLayer('g', 'G', ['a']),
      motion: motionOf(newMoveUse('fade', { lengthSeconds: 1 }), null),
      place: place({ scaleX: 20, scaleY: 20 }),
    };
    let pixels = 0;
    const counting = {
      ...serverSurfaces,
      surface(width: number, height: number) {
        pixels += width * height;
        return serverSurfaces.surface(width, height);
      },
    };
    const frame = createRasterFrame(SMALL.widthPx, SMALL.heightPx);
    const items = itemsOf([group, member('a', 600, '#ff0000')], 0.5);
    new Painter(counting).paint(frame.context, { ...SMALL, items });
    expect(pixels).toBeGreaterThan(0);
    expect(pixels).toBeLessThan(SMALL.widthPx * SMALL.heightPx * 1.3);
  });

  test('that is hidden hides its members', () => {
    const group = { ...newGroupLayer('g', 'G', ['a']), visible: false };
    expect(itemsOf([group, member('a', 600, '#ff0000')], 2)).toEqual([]);
  });
});

describe('a linked copy', () => {
  test('with a delay is gone when the title is', () => {
    const box = testBox('box', { motion: motionOf(newMoveUse('fade', { lengthSeconds: 1 }), 'mirror') });
    const copy = { ...newCopyLayer('copy', 'Copy', 'box'), delaySeconds: 0.5 };
    const layers = [copy, box];
    expect(itemsOf(layers, 4)).toEqual([]);
    expect(itemsOf(layers, 3.9).length).toBeGreaterThan(0);
    // It comes late all the same.
    expect(itemsOf([copy, { ...box, opacity: 0 }], 0.4)).toEqual([]);
    expect(itemsOf(layers, 2)).toHaveLength(2);
  });
});

describe('lights', () => {
  const countItems = (items: readonly DisplayItem[]): number =>
    items.reduce((sum, item) => sum + 1 + ('items' in item ? countItems(item.items) : 0), 0);
  const lights = (count: number): Layer[] =>
    Array.from({ length: count }, (_, i) => ({
      ...newLightLayer(`l${i}`, `L${i}`),
      motion: motionOf(null, null),
    }));

  test('cost the same each, however many there are', () => {
    const cost = (count: number): number => countItems(itemsOf([...lights(count), testBox('box')], 2));
    expect(cost(16) - cost(8)).toBe(8 * (cost(3) - cost(2)));
  });

  test('are seen on what lies below them and on nothing else', () => {
    const box = testBox('box', {
      fill: '#404040',
      width: { kind: 'fixed', u: 1920 },
      height: { kind: 'fixed', u: 540 },
    });
    const at = picture([...lights(2), box], 1.5);
    const [plain] = picture([box], 1.5)(960, 534);
    expect(at(960, 534)[0]).toBeGreaterThan(plain + 20);
    expect(at(960, 546)[3]).toBe(0);
  });
});

describe('an open shutter', () => {
  test('exposes letters that only fade once, whatever number of them is seen', () => {
    const text = testText('name', 'Bartholomew', {
      motion: motionOf(newMoveUse('fade', { unit: 'letter', overlap: 0.2, lengthSeconds: 1 }), null, {
        shutterDegrees: 180,
      }),
    });
    for (let i = 0; i < 25; i++)
      expect(itemsOf([text], i / 25).every((item) => item.kind !== 'average')).toBe(true);
  });
});
