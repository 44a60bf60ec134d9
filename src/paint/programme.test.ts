import { createCanvas } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { DisplayItem } from '@/core/display/list';
import {
  programmeAt,
  programmeBounds,
  programmeCut,
  programmeImage,
  programmeMoment,
  programmeStandIn,
  showsProgramme,
} from '@/core/display/programme';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { IDENTITY } from '@/core/kit/matrix';
import { newGroupLayer, newProgrammeLayer } from '@/core/model/newLayers';
import { motionOf } from '@/core/model/newMove';
import type { Layer } from '@/core/model/template';
import { place, testBox, testTemplate } from '@/core/testing';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { designTiming } from '@/core/titleTime/moments';
import { serverFonts } from '../server/fontFiles';
import { serverSurfaces, surfacesWith } from '../server/raster';
import { Painter } from './painter';
import { anyItems, SIZE } from './testing/anyItems';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

// A ninth of the whole in width and height.
const FORMAT = previewFormat(FORMATS.get('wide-1080'), 192);
const [WIDTH, HEIGHT] = [FORMAT.widthPx, FORMAT.heightPx];
type Pixel = readonly [number, number, number, number];

function paint(items: readonly DisplayItem[], below?: Canvas) {
  const context = createCanvas(WIDTH, HEIGHT).getContext('2d');
  if (below !== undefined) context.drawImage(below, 0, 0);
  const painter = new Painter(
    surfacesWith({ picture: (asset) => (programmeMoment(asset) === null ? null : (below ?? null)) }),
  );
  painter.paint(context, { widthPx: WIDTH, heightPx: HEIGHT, items });
  const { data } = context.getImageData(0, 0, WIDTH, HEIGHT);
  return (x: number, y: number): Pixel => {
    const at = (y * WIDTH + x) * 4;
    return [data[at], data[at + 1], data[at + 2], data[at + 3]];
  };
}

/** Another colour at each place: red grows to the right, green downwards. */
function ramp(): Canvas {
  const canvas = createCanvas(WIDTH, HEIGHT);
  const context = canvas.getContext('2d');
  for (let x = 0; x < WIDTH; x++)
    for (let y = 0; y < HEIGHT; y++) {
      context.fillStyle = `rgb(${x},${y * 2},90)`;
      context.fillRect(x, y, 1, 1);
    }
  return canvas;
}

/** The whole picture at half its size, its top left corner a tenth of the frame inside. */
const PICTURE: Layer = {
  ...newProgrammeLayer('programme', 'Programme', 960),
  place: place({ target: { kind: 'frame' }, dxU: 192, dyU: 108 }),
};
const GROUND = testBox('ground', {
  fill: '#102030',
  width: { kind: 'share', share: 1, of: 'frame' },
  height: { kind: 'share', share: 1, of: 'frame' },
  place: place({ target: { kind: 'frame' } }),
  motion: motionOf(null, null),
});
const SLATE: Pixel = [16, 32, 48, 255];
const NOTHING: Pixel = [0, 0, 0, 0];

function itemsAt(seconds: number, layers: readonly Layer[] = [PICTURE, GROUND]): readonly DisplayItem[] {
  const template = testTemplate([...layers], { timing: { inSeconds: 1, holdSeconds: 2, outSeconds: 1 } });
  return compile(template, {}, FORMAT, fonts).frame(seconds, designTiming(template.timing)).items;
}

const near = (a: Pixel, b: Pixel): void =>
  a.forEach((part, i) => expect(Math.abs(part - b[i])).toBeLessThan(4));

describe('the programme picture', () => {
  test('is the whole picture, smaller, where its layer stands, and nothing else changes', () => {
    const at = paint(itemsAt(2), ramp());
    // The layer covers 19.2 to 115.2 px across and 10.8 to 64.8 down.
    for (const [x, y] of [
      [0.1, 0.1],
      [0.5, 0.5],
      [0.9, 0.8],
    ])
      near(at(Math.round(19.2 + 96 * x), Math.round(10.8 + 54 * y)), [
        Math.round(192 * x),
        Math.round(108 * y) * 2,
        90,
        255,
      ]);
    for (const [x, y] of [
      [17, 30],
      [118, 30],
      [60, 8],
      [60, 67],
    ] as const)
      expect(at(x, y)).toEqual(SLATE);
  });

  test('comes from the whole frame and goes back to it, without a jump at either end', () => {
    const below = ramp();
    const whole = paint([], below);
    for (const seconds of [0, 3.9999]) {
      const at = paint(itemsAt(seconds), below);
      for (const [x, y] of [
        [1, 1],
        [96, 54],
        [190, 106],
      ] as const)
        near(at(x, y), whole(x, y));
    }
    const half = programmeBounds(itemsAt(0.5));
    expect(half?.width).toBeGreaterThan(96 * 1.1);
    expect(half?.width).toBeLessThan(192 * 0.95);
  });

  test('goes on in a layer whose own time stands still, whatever its painter keeps', () => {
    // The same list at every moment, as of a layer that is frozen.
    const frozen = { ...PICTURE, motion: motionOf(null, null), opacity: 0.9 };
    const group = { ...newGroupLayer('group', 'Group', ['programme']), opacity: 0.8 };
    const template = testTemplate([group, frozen, GROUND], {});
    const list = compile(template, {}, FORMAT, fonts).frame(1, designTiming(template.timing));
    const below = createCanvas(WIDTH, HEIGHT);
    const painter = new Painter(
      surfacesWith({ picture: (asset) => (programmeMoment(asset) === null ? null : below) }),
    );
    const seen = ['#ff0000', '#00ff00', '#0000ff', '#ffffff'].map((colour, moment) => {
      below.getContext('2d').fillStyle = colour;
      below.getContext('2d').fillRect(0, 0, WIDTH, HEIGHT);
      const context = createCanvas(WIDTH, HEIGHT).getContext('2d');
      painter.paint(context, programmeAt(list, moment));
      return [...context.getImageData(67, 38, 1, 1).data.subarray(0, 3)].map((part) => part > 128);
    });
    expect(seen).toEqual([
      [true, false, false],
      [false, true, false],
      [false, false, true],
      [true, true, true],
    ]);
  });

  test('of another moment is another picture, so that none is taken for one that was kept', () => {
    expect(itemsAt(1.5)).not.toEqual(itemsAt(1.54));
    expect(programmeCut(itemsAt(1.5))).toEqual(programmeCut(itemsAt(1.54)));
  });
});

describe('in a file that is laid over the programme later', () => {
  test('its place is a hole in what lies below it', () => {
    const at = paint(programmeCut(itemsAt(2)));
    for (const [x, y] of [
      [22, 14],
      [67, 38],
      [112, 62],
    ] as const)
      expect(at(x, y)).toEqual(NOTHING);
    expect(at(17, 30)).toEqual(SLATE);
    expect(at(118, 30)).toEqual(SLATE);
    const first = paint(programmeCut(itemsAt(0)));
    expect([first(1, 1), first(96, 54), first(190, 106)]).toEqual([NOTHING, NOTHING, NOTHING]);
  });

  test('what lies above it stays, and half of it lets half through', () => {
    const above = { ...testBox('above', { fill: '#ff0000', motion: motionOf(null, null) }) };
    const label: Layer = {
      ...above,
      width: { kind: 'fixed', u: 96 },
      height: { kind: 'fixed', u: 96 },
      place: place({ target: { kind: 'frame' }, dxU: 480, dyU: 300 }),
    };
    const at = paint(programmeCut(itemsAt(2, [label, { ...PICTURE, opacity: 0.5 }, GROUND])));
    expect(at(52, 34)).toEqual([255, 0, 0, 255]);
    expect(at(100, 34)[3]).toBeGreaterThan(122);
    expect(at(100, 34)[3]).toBeLessThan(133);
    expect(at(118, 30)).toEqual(SLATE);
  });

  test('a group with it lets through what it shows, and keeps its other layers', () => {
    const frame: Layer = {
      ...testBox('frame', { fill: '#ffffff', motion: motionOf(null, null) }),
      width: { kind: 'fixed', u: 1040 },
      height: { kind: 'fixed', u: 620 },
      place: place({ target: { kind: 'frame' }, dxU: 152, dyU: 68 }),
    };
    const group = { ...newGroupLayer('group', 'Group', ['programme', 'frame']), opacity: 0.999 };
    const items = itemsAt(2, [group, PICTURE, frame, GROUND]);
    expect(showsProgramme(items)).toBe(true);
    const at = paint(programmeCut(items));
    expect(at(67, 38)[3]).toBeLessThan(3);
    near(at(17, 30), [255, 255, 255, 255]);
    expect(at(130, 100)).toEqual(SLATE);
  });

  test('any list without it stays as it is; any with it has none left, and gains nothing', () => {
    const hole: DisplayItem = {
      kind: 'image',
      asset: programmeImage(1),
      sourcePx: { x: 0, y: 0, width: SIZE, height: SIZE },
      rect: { x: 20, y: 20, width: 50, height: 50 },
      matrix: IDENTITY,
      opacity: 1,
    };
    const alpha = (items: readonly DisplayItem[]): Uint8ClampedArray => {
      const context = createCanvas(SIZE, SIZE).getContext('2d');
      new Painter(serverSurfaces).paint(context, { widthPx: SIZE, heightPx: SIZE, items });
      return context.getImageData(0, 0, SIZE, SIZE).data;
    };
    fc.assert(
      fc.property(anyItems, anyItems, (below, above) => {
        expect(programmeCut(below)).toEqual(below);
        const cut = programmeCut([...below, hole, ...above]);
        expect(showsProgramme(cut)).toBe(false);
        const [bare, with_, only] = [alpha([...below, ...above]), alpha(cut), alpha(above)];
        for (let i = 3; i < bare.length; i += 4) {
          const [x, y] = [((i - 3) / 4) % SIZE, Math.floor((i - 3) / 4 / SIZE)];
          const inside = x >= 21 && x < 69 && y >= 21 && y < 69;
          const outside = x < 19 || x > 70 || y < 19 || y > 70;
          if (inside && Math.abs(with_[i] - only[i]) > 40) throw new Error(`no hole at ${x}, ${y}`);
          // Edges are rounded a little otherwise on a surface that begins elsewhere.
          if (outside && Math.abs(with_[i] - bare[i]) > 40) throw new Error(`changed at ${x}, ${y}`);
        }
      }),
      { numRuns: 14, seed: 7, endOnFailure: true },
    );
  });

  test('where there are no pictures at all a plain area stands for it', () => {
    const items = programmeStandIn(itemsAt(2), '#00ff00');
    expect(showsProgramme(items)).toBe(false);
    expect(paint(items)(67, 38)).toEqual([0, 255, 0, 255]);
  });
});
