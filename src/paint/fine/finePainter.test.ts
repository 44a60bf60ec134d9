import { createCanvas } from '@napi-rs/canvas';
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_TEMPLATES } from '../../../demo/templates';
import { sampleTemplate, sampleValues } from '@/core/edit/sampleTexts';
import type { DisplayItem, DisplayList } from '@/core/display/list';
import { rectOutline } from '@/core/display/shapes';
import { FORMATS } from '@/core/frame/formats';
import { previewFormat } from '@/core/frame/previewFormat';
import { IDENTITY } from '@/core/kit/matrix';
import { frameToSeconds, RATES } from '@/core/time/rates';
import { designFrames, restingFrame, stretchTiming } from '@/core/titleTime/stretch';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { serverFonts } from '../../server/fontFiles';
import { serverSurfaces } from '../../server/raster';
import { Painter } from '../painter';
import { anyItems, SIZE } from '../testing/anyItems';
import { FinePainter } from './finePainter';
import { toEightBits, toSixteenBits } from './quantise';

const fine = new FinePainter(serverSurfaces);

function painted(list: DisplayList): Uint8ClampedArray {
  const context = createCanvas(list.widthPx, list.heightPx).getContext('2d');
  new Painter(serverSurfaces).paint(context, list);
  return context.getImageData(0, 0, list.widthPx, list.heightPx).data;
}

/** How far two pictures are apart over black, in steps of 255, at the mean of all pixels that either shows. */
function apart(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let [sum, count] = [0, 0];
  for (let at = 0; at < a.length; at += 4) {
    if (a[at + 3] === 0 && b[at + 3] === 0) continue;
    count++;
    sum += Math.abs(a[at + 3] - b[at + 3]);
    for (let i = 0; i < 3; i++) sum += Math.abs(a[at + i] * a[at + 3] - b[at + i] * b[at + 3]) / 255;
  }
  return count === 0 ? 0 : sum / count / 4;
}

test('any display list is painted as the canvas paints it', () => {
  fc.assert(
    fc.property(anyItems, (items) => {
      const list = { widthPx: SIZE, heightPx: SIZE, items };
      expect(apart(toEightBits(fine.paint(list)), painted(list))).toBeLessThan(2.5);
    }),
    { numRuns: 150, seed: 16 },
  );
});

describe('every demo template', () => {
  let fonts: FontLibrary;
  beforeAll(async () => {
    fonts = await serverFonts();
  });

  test.each(DEMO_TEMPLATES.map((template) => [template.name, template] as const))(
    '%s looks alike at rest and on the move',
    (_, template) => {
      const format = previewFormat(FORMATS.get('wide-1080'), 480);
      const compiled = compile(
        sampleTemplate(template, 'usual'),
        sampleValues(template, 'usual'),
        format,
        fonts,
      );
      const rate = RATES.get('25');
      const timing = stretchTiming(template.timing, designFrames(template.timing, rate), rate);
      for (const frame of [8, restingFrame(timing)]) {
        const list = compiled.frame(frameToSeconds(frame, rate), timing);
        expect(apart(toEightBits(fine.paint(list)), painted(list))).toBeLessThan(1);
      }
    },
    60_000,
  );
});

type Fill = Extract<DisplayItem, { kind: 'fill' }>;

const boxOf = (paint: Fill['paint'], opacity = 1): Fill => ({
  kind: 'fill',
  outline: rectOutline({ x: 0, y: 0, width: 1000, height: 8 }),
  paint,
  matrix: IDENTITY,
  opacity,
});

const slow: DisplayItem = boxOf({
  kind: 'linear',
  from: { x: 0, y: 0 },
  to: { x: 1000, y: 0 },
  stops: [
    { at: 0, colour: '#202020', opacity: 1 },
    { at: 1, colour: '#282828', opacity: 1 },
  ],
});

const layerOf = (items: readonly DisplayItem[]) => fine.paint({ widthPx: 1000, heightPx: 8, items });

test('a slow gradient has hundreds of shades in 16 bits, in even steps', () => {
  const pixels = toSixteenBits(layerOf([slow]));
  const row = Array.from({ length: 1000 }, (_, x) => pixels[x * 4]);
  expect(new Set(row).size).toBe(1000);
  // From 0x20 to 0x28: eight steps of 257 across.
  for (const [x, value] of row.entries())
    expect(Math.abs(value - (0x20 * 257 + ((x + 0.5) / 1000) * 8 * 257))).toBeLessThan(1);
});

test('a soft shadow has more shades than eight bits', () => {
  const shadow: DisplayItem = {
    kind: 'shadow',
    offsetPx: { x: 0, y: 0 },
    blurPx: 60,
    colour: '#000000',
    opacity: 0.3,
    items: [boxOf({ kind: 'solid', colour: '#ffffff' })],
  };
  const half = { ...shadow, items: [{ ...shadow.items[0], matrix: [0.5, 0, 0, 1, 0, 0] as const }] };
  const pixels = toSixteenBits(layerOf([half as DisplayItem]));
  const alphas = Array.from({ length: 360 }, (_, i) => pixels[(320 + i) * 4 + 3]);
  // Eight bits have 77 up to this opacity.
  expect(new Set(alphas).size).toBeGreaterThan(200);
});

test('in eight bits a slow gradient is dithered and keeps its mean; flat colours stay as they are', () => {
  const dithered = toEightBits(layerOf([slow]));
  const block = (x: number): number[] =>
    Array.from({ length: 8 }, (_, y) =>
      Array.from({ length: 25 }, (_u, i) => dithered[(y * 1000 + x + i) * 4]),
    ).flat();
  for (const x of [40, 310, 555, 800]) {
    const values = block(x);
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    expect(Math.abs(mean - (0x20 + ((x + 12.5) / 1000) * 8))).toBeLessThan(0.2);
    expect(new Set(values).size).toBeLessThanOrEqual(3);
  }
  const flat = toEightBits(layerOf([boxOf({ kind: 'solid', colour: '#37a2c9' })]));
  for (let at = 0; at < flat.length; at += 4)
    expect([flat[at], flat[at + 1], flat[at + 2], flat[at + 3]]).toEqual([0x37, 0xa2, 0xc9, 255]);
});

describe('one on another', () => {
  const at = (items: readonly DisplayItem[], x: number): number[] => {
    const pixels = toSixteenBits(layerOf(items));
    return [...pixels.subarray(x * 4, x * 4 + 4)].map((value) => Math.round(value / 257));
  };
  const left = (colour: string, opacity = 1): Fill => ({
    ...boxOf({ kind: 'solid', colour }, opacity),
    matrix: [0.5, 0, 0, 1, 0, 0],
  });

  test('what lies atop is seen as far as what is below is opaque, and no further', () => {
    const items: DisplayItem[] = [
      left('#ff0000', 0.5),
      { kind: 'atop', items: [boxOf({ kind: 'solid', colour: '#000080' })] },
    ];
    expect(at(items, 100)).toEqual([0, 0, 128, 128]);
    expect(at(items, 900)).toEqual([0, 0, 0, 0]);
  });

  test('a mask takes away what it does not reach, or what it covers', () => {
    const masked = (mode: 'in' | 'out', mask: DisplayItem): DisplayItem => ({
      kind: 'mask',
      mode,
      items: [boxOf({ kind: 'solid', colour: '#00ff00' })],
      mask: [mask],
    });
    expect(at([masked('in', left('#ffffff', 0.25))], 100)).toEqual([0, 255, 0, 64]);
    expect(at([masked('in', left('#ffffff'))], 900)).toEqual([0, 0, 0, 0]);
    expect(at([masked('out', left('#ffffff', 0.25))], 100)).toEqual([0, 255, 0, 191]);
    expect(at([masked('out', left('#ffffff'))], 900)).toEqual([0, 255, 0, 255]);
  });

  test('a conic gradient begins where it says and goes clockwise', () => {
    const stops = [
      { at: 0, colour: '#000000', opacity: 1 },
      { at: 1, colour: '#ffffff', opacity: 1 },
    ];
    // From above, round a point in the middle of the lower edge of the first row: left of it three quarters are gone.
    const turn: DisplayItem = boxOf({
      kind: 'conic',
      centre: { x: 500, y: 4 },
      startRadians: -Math.PI / 2,
      stops,
    });
    const row = (x: number): number => {
      const pixels = toSixteenBits(layerOf([turn]));
      return pixels[(4 * 1000 + x) * 4] / 65_535;
    };
    expect(row(900)).toBeCloseTo(0.25, 2);
    expect(row(100)).toBeCloseTo(0.75, 2);
  });
});
