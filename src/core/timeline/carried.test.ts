import { beforeAll, describe, expect, test } from '@jest/globals';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { createRasterFrame, serverSurfaces } from '../../server/raster';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { newGroupLayer } from '../model/newLayers';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import type { BoxLayer, Layer, Motion } from '../model/template';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { stretchTiming } from '../titleTime/stretch';
import { compile } from './compile';

const SMALL = previewFormat(FORMATS.get('wide-1080'), 480);
const DESIGN = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const TIMING = stretchTiming(DESIGN, 100, RATES.get('25'));

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

function pixelsOf(layers: readonly Layer[], seconds: number): Uint8ClampedArray {
  const title = compile(testTemplate(layers, { timing: DESIGN }), {}, SMALL, fonts);
  const frame = createRasterFrame(SMALL.widthPx, SMALL.heightPx);
  new Painter(serverSurfaces).paint(frame.context, title.frame(seconds, TIMING));
  return frame.readPixels();
}

const sized = (id: string, fill: string, width: number, more: Partial<BoxLayer>): BoxLayer =>
  testBox(id, { fill, width: { kind: 'fixed', u: width }, height: { kind: 'fixed', u: 120 }, ...more });
const panel = (motion: Motion): BoxLayer =>
  sized('panel', '#d04020', 600, { place: place({ dxU: 600, dyU: 400 }), motion });
const tag = (more: Partial<BoxLayer> = {}): BoxLayer =>
  sized('tag', '#2040d0', 200, {
    place: place({ target: { kind: 'layer', layerId: 'panel' }, targetPoint: 'bottomLeft' }),
    followsMoves: true,
    ...more,
  });
/** How many values differ by more than rounding, as they are seen: colours by how opaque they are. */
function differing(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  const seen = (of: Uint8ClampedArray, i: number): number =>
    i % 4 === 3 ? of[i] : (of[i] * of[i - (i % 4) + 3]) / 255;
  return a.reduce((count, _, i) => count + (Math.abs(seen(a, i) - seen(b, i)) > 2 ? 1 : 0), 0);
}

describe('a layer that goes along with the moves of what it is attached to', () => {
  const slide = motionOf(newMoveUse('slide', { lengthSeconds: 1, ease: 'even' }), 'mirror', {
    hold: [newHoldUse('sway', { pivot: 'topLeft' })],
  });

  test('looks as if a group of the two were moved', () => {
    const still = motionOf(null, null);
    const slideOnly = { ...slide, hold: [] };
    const group: Layer = { ...newGroupLayer('group', 'Group', ['panel', 'tag']), motion: slideOnly };
    for (const seconds of [0.1, 0.5, 0.9, 2, 3.4]) {
      const along = pixelsOf([panel(slideOnly), tag()], seconds);
      const grouped = pixelsOf([panel(still), tag({ followsMoves: false }), group], seconds);
      expect([seconds, differing(along, grouped)]).toEqual([seconds, 0]);
    }
    // One that does not go along is seen at rest from the first frame on.
    expect(
      differing(
        pixelsOf([panel(slide), tag({ followsMoves: false })], 0),
        pixelsOf([panel(slide), tag()], 0),
      ),
    ).toBeGreaterThan(1000);
  });

  test('turns in depth with it, edge on edge', () => {
    const fold = motionOf(
      newMoveUse('fold', { lengthSeconds: 1, ease: 'even', params: { shade: 0 } }),
      'mirror',
    );
    // One box twice as high against a box with another below it that goes along.
    const tall = sized('panel', '#d04020', 600, {
      height: { kind: 'fixed', u: 240 },
      place: place({ dxU: 600, dyU: 400 }),
      motion: fold,
    });
    const below = sized('tag', '#d04020', 600, {
      place: place({ target: { kind: 'layer', layerId: 'panel' }, targetPoint: 'bottomLeft' }),
      followsMoves: true,
    });
    const [one, two] = [pixelsOf([tall], 0.6), pixelsOf([panel(fold), below], 0.6)];
    // The seam and the edges of the warped box are softened a little.
    expect(differing(one, two)).toBeLessThan(one.length * 0.004);
    expect(differing(one, pixelsOf([panel(fold), { ...below, followsMoves: false }], 0.6))).toBeGreaterThan(
      one.length * 0.008,
    );
  });

  test('is carried on by what carries that, and its words are known to be there when it is', () => {
    const words = testText('words', 'Osier', {
      place: place({ target: { kind: 'layer', layerId: 'tag' }, targetPoint: 'bottomLeft' }),
      followsMoves: true,
    });
    const fade = motionOf(newMoveUse('slide', { lengthSeconds: 1, ease: 'even' }), null);
    const title = compile(testTemplate([panel(fade), tag(), words], { timing: DESIGN }), {}, SMALL, fonts);
    const [early] = title.wordsAt(0.5, TIMING);
    const [rest] = title.wordsAt(2, TIMING);
    expect(early.opacity).toBeLessThan(1);
    expect(rest.opacity).toBe(1);
    expect(early.corners[0].x).not.toBeCloseTo(rest.corners[0].x, 0);
  });

  test('is gone while that has a span without it', () => {
    const moment = (seconds: number) => ({ from: 'start' as const, offsetSeconds: seconds, share: 0 });
    const span = { from: moment(0), to: { from: 'inEnd' as const, offsetSeconds: 0, share: 0 } };
    const gone = pixelsOf([panel({ ...slide, hold: [], span }), tag()], 2);
    expect(gone.some((value) => value > 0)).toBe(false);
  });
});
