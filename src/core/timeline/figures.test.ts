import { beforeAll, describe, expect, test } from '@jest/globals';
import { Painter } from '../../paint/painter';
import { serverFonts } from '../../server/fontFiles';
import { createRasterFrame, serverSurfaces } from '../../server/raster';
import type { DisplayItem } from '../display/list';
import { FIRST_SHADOW, PLAIN_LOOK } from '../model/look';
import { newGroupLayer } from '../model/newLayers';
import { motionOf, newHoldUse, newMoveUse } from '../model/newMove';
import type { Layer } from '../model/template';
import { HOLD_MOVES } from '../holdMoves';
import { FORMATS } from '../frame/formats';
import { previewFormat } from '../frame/previewFormat';
import { paramReader } from '../moves/move';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { compile } from './compile';
import { unitPlaces } from './motion';
import { designFrames, stretchTiming } from '../titleTime/stretch';

// Figures that a viewer would notice if they were others.
const SMALL = previewFormat(FORMATS.get('wide-1080'), 640);
const TIMING = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const RATE = RATES.get('25');
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATE), RATE);

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const itemsOf = (layers: readonly Layer[], seconds: number, timing = LENGTH): readonly DisplayItem[] =>
  compile(testTemplate(layers, { timing: TIMING }), {}, SMALL, fonts).frame(seconds, timing).items;

function picture(layers: readonly Layer[], seconds: number): (x: number, y: number) => number[] {
  const frame = createRasterFrame(SMALL.widthPx, SMALL.heightPx);
  new Painter(serverSurfaces).paint(frame.context, { ...SMALL, items: itemsOf(layers, seconds) });
  const { data } = frame.context.getImageData(0, 0, SMALL.widthPx, SMALL.heightPx);
  return (x, y) => {
    const at = (Math.floor(y / 3) * SMALL.widthPx + Math.floor(x / 3)) * 4;
    return [...data.slice(at, at + 4)];
  };
}

const box = (more: Partial<Layer> = {}): Layer =>
  ({
    ...testBox('box', { width: { kind: 'fixed', u: 300 }, height: { kind: 'fixed', u: 150 } }),
    place: place({ dxU: 600, dyU: 300 }),
    ...more,
  }) as Layer;

describe('a move of the hold', () => {
  const use = newHoldUse('float');
  const floats = box({ motion: motionOf(null, null, { hold: [use] }) });

  /** How far a floating box is moved down, in design units, at a time of a hold of two seconds. */
  const moved = (seconds: number): number => {
    const [item] = itemsOf([floats], 1 + seconds);
    if (item?.kind !== 'fill') throw new Error('no fill');
    return item.matrix[5] / item.matrix[3];
  };
  /** The same if it were by itself, without beginning or end. */
  const alone = (seconds: number): number => {
    const title = compile(testTemplate([floats], { timing: TIMING }), {}, SMALL, fonts);
    const rect = title.boxes.get('box') ?? { x: 0, y: 0, width: 0, height: 0 };
    const unit = { box: rect, ink: rect, shapes: [] };
    const around = { layer: rect, frame: rect, lastLine: rect, marks: [], mirrored: false };
    const move = HOLD_MOVES.get('float');
    return move.pose(seconds, unitPlaces([unit], around, use.seed)[0], paramReader(move, use.params)).yU ?? 0;
  };

  test('swells from rest over six tenths of a second and dies down alike', () => {
    expect(moved(0)).toBeCloseTo(0, 9);
    // A smooth step: 3 x² − 2 x³ of the way.
    expect(moved(0.3) / alone(0.3)).toBeCloseTo(0.5, 6);
    expect(moved(0.15) / alone(0.15)).toBeCloseTo(0.15625, 6);
    expect(moved(0.6) / alone(0.6)).toBeCloseTo(1, 6);
    expect(moved(1.2) / alone(1.2)).toBeCloseTo(1, 6);
    expect(moved(1.7) / alone(1.7)).toBeCloseTo(0.5, 6);
    expect(moved(1.9999)).toBeCloseTo(0, 3);
  });
});

describe('a highlight', () => {
  test('is as strong as the strongest of its letters while they fade in one by one', () => {
    const text = testText('name', 'Marrow', {
      highlight: { colour: '#0000ff', opacity: 0.8, padAcrossU: 60, padDownU: 30, radiusU: 0 },
      motion: motionOf(
        newMoveUse('fade', { unit: 'letter', overlap: 0, lengthSeconds: 1, ease: 'even' }),
        null,
      ),
    });
    // Of six letters one after the other, each takes a sixth of the second; half way through the first, 50 %.
    const [first] = itemsOf([text], 1 / 12);
    expect(first).toMatchObject({ kind: 'fill', paint: { colour: '#0000ff' } });
    expect('opacity' in first && first.opacity).toBeCloseTo(0.8 * 0.5, 6);
    const [later] = itemsOf([text], 1 / 4);
    expect('opacity' in later && later.opacity).toBeCloseTo(0.8, 6);
  });
});

describe('a shadow', () => {
  test('that is spread stands out all round by so much', () => {
    const shadow = { ...FIRST_SHADOW, distanceU: 0, softnessU: 0, spreadU: 60, opacity: 1 };
    const at = picture([box({ look: { ...PLAIN_LOOK, shadows: [shadow] } })], 2);
    for (const [x, y] of [
      [546, 375],
      [954, 375],
      [750, 246],
      [750, 504],
    ])
      expect(at(x, y)[3]).toBe(255);
    for (const [x, y] of [
      [534, 375],
      [966, 375],
      [750, 234],
      [750, 516],
    ])
      expect(at(x, y)[3]).toBe(0);
  });

  test('in what is reflected falls the other way', () => {
    const shadow = {
      ...FIRST_SHADOW,
      angleDegrees: 90,
      distanceU: 60,
      softnessU: 0,
      opacity: 1,
      colour: '#0000ff',
    };
    const group = {
      ...newGroupLayer('g', 'G', ['box']),
      look: { ...PLAIN_LOOK, reflection: { distanceU: 0, opacity: 1, fade: 4 } },
    };
    const at = picture([group, box({ look: { ...PLAIN_LOOK, shadows: [shadow] } })], 2);
    // The box is 300 to 450; below it its shadow to 510; mirrored about 450 the shadow lies from 390 to 450 and the
    // box from 450 to 600: the shadow falls upwards and is hidden by what is above it.
    expect(at(750, 480)).toEqual([0, 0, 255, 255]);
    expect(at(750, 540)[2]).toBeLessThan(100);
    expect(at(750, 540)[3]).toBeGreaterThan(100);
    expect(at(750, 640)[3]).toBe(0);
  });
});

describe('an open shutter', () => {
  const exposures = (blur: number): number => {
    const moves = [newMoveUse('slide', { lengthSeconds: 1, ease: 'even', params: { distanceU: 1500 } })];
    const uses = blur > 0 ? [...moves, newMoveUse('focus', { lengthSeconds: 1, ease: 'even' })] : moves;
    const [item] = itemsOf([box({ motion: motionOf(uses, null, { shutterDegrees: 360 }) })], 0.3);
    const inner = item.kind === 'blur' ? item.items[0] : item;
    return inner.kind === 'average' ? inner.exposures.length : 1;
  };

  test('needs fewer exposures of what is blurred anyway', () => {
    expect(exposures(0)).toBeGreaterThan(4);
    expect(exposures(1)).toBeLessThan(exposures(0));
    expect(exposures(1)).toBeGreaterThan(1);
  });
});
