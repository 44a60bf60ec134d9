import { beforeAll, describe, expect, test } from '@jest/globals';
import { openingLockup, tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { newPlan } from '../model/plan';
import { newTitle } from '../model/project';
import { FORMATS } from '../frame/formats';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import {
  fadeAt,
  nextDelivery,
  showTitle,
  titleIn,
  withDeliveryChange,
  withSharedValues,
  withShift,
} from './deliver';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const rate = RATES.get('25');
const wide = FORMATS.get('wide-1080');
const title = newTitle({
  id: 't',
  editionId: 'e',
  startFrame: 0,
  lengthFrames: 100,
  lane: 0,
  values: { name: 'Ilse' },
});

describe('what a delivery has otherwise', () => {
  test('is words and a place of its own, or nothing at all', () => {
    const other = withDeliveryChange(title, 'tall', {
      values: { name: 'I. Marrow' },
      shift: { dxU: 3, dyU: 4 },
    });
    expect(titleIn(other, 'tall')).toMatchObject({
      values: { name: 'I. Marrow' },
      shift: { dxU: 3, dyU: 4 },
    });
    expect(titleIn(other, 'master')).toBe(other);
    expect(titleIn(withDeliveryChange(title, 'tall', { leftOut: true }), 'tall')).toBeNull();
  });

  test('is gone once it is as in the others', () => {
    const left = withDeliveryChange(title, 'tall', { leftOut: true });
    expect(withDeliveryChange(left, 'tall', { leftOut: false })).toEqual(title);
  });

  test('gives way to words for all that are typed while it is shown, and stays when another is', () => {
    const own = withDeliveryChange(title, 'tall', {
      values: { name: 'I. M.', role: 'Judge' },
      leftOut: true,
    });
    expect(withSharedValues(own, 'tall', { name: 'Noor' })).toEqual({
      ...withDeliveryChange(title, 'tall', { values: { role: 'Judge' }, leftOut: true }),
      values: { name: 'Noor' },
    });
    const short = withDeliveryChange(title, 'tall', { values: { name: 'I. M.' } });
    expect(withSharedValues(short, 'tall', { name: 'Noor' })).toEqual({ ...title, values: { name: 'Noor' } });
    expect(withSharedValues(short, 'master', { name: 'Noor' })).toEqual({
      ...short,
      values: { name: 'Noor' },
    });
  });

  test('deliveries come round', () => {
    const plan = newPlan('wide-1080');
    const two = {
      ...plan,
      deliveries: [...plan.deliveries, { id: 'b', name: 'B', format: 'tall-1080', interlaced: false }],
    };
    expect(nextDelivery(two, 'master').id).toBe('b');
    expect(nextDelivery(two, 'b').id).toBe('master');
  });
});

describe('fades', () => {
  const faded = { ...title, fadeInFrames: 3, fadeOutFrames: 1 };

  test('are even steps, the first seen at once and the last still seen', () => {
    expect([0, 1, 2, 3, 98, 99].map((frame) => fadeAt(faded, frame))).toEqual([0.25, 0.5, 0.75, 1, 1, 0.5]);
    expect(fadeAt(title, 0)).toBe(1);
  });

  test('lay one opacity over everything that the title shows', () => {
    const shown = showTitle(faded, tidelineStrap, title.values, wide, rate, fonts);
    expect(shown.frame(99).items).toMatchObject([{ kind: 'group', opacity: 0.5 }]);
    expect(shown.frame(50).items.length).toBeGreaterThan(1);
  });
});

describe('a title that is moved', () => {
  const shift = { dxU: 100, dyU: -50 };

  test('has all its boxes there, on whole pixels, and paints them there', () => {
    const still = showTitle(title, tidelineStrap, title.values, wide, rate, fonts);
    const moved = showTitle({ ...title, shift }, tidelineStrap, title.values, wide, rate, fonts);
    for (const [id, box] of still.compiled.boxes)
      expect(moved.compiled.boxes.get(id)).toMatchObject({ x: box.x + 100, y: box.y - 50 });
    const matrixOf = (list: ReturnType<typeof still.frame>): unknown => {
      const fill = list.items.find((item) => item.kind === 'fill');
      return fill?.kind === 'fill' ? fill.matrix.slice(4) : null;
    };
    expect(matrixOf(moved.frame(50))).toEqual([100, -50]);
    expect(matrixOf(still.frame(50))).toEqual([0, 0]);
  });

  test('leaves what covers the whole frame where it is', () => {
    const moved = showTitle({ ...title, shift }, openingLockup, {}, wide, rate, fonts);
    const whole = [...moved.compiled.boxes.values()].filter((box) => box.width >= 1920 && box.height >= 1080);
    for (const box of whole) expect(box).toMatchObject({ x: 0, y: 0 });
  });
});

test('a scrim lies under the title, over the whole picture, and comes and goes with it', () => {
  const scrim = { colour: '#000000', opacity: 0.5 };
  const shown = showTitle({ ...title, scrim }, tidelineStrap, title.values, wide, rate, fonts);
  const at = (frame: number): unknown => shown.frame(frame).items[0];
  expect(at(50)).toMatchObject({ kind: 'fill', opacity: 0.5, paint: { colour: '#000000' } });
  expect(at(0)).toMatchObject({ kind: 'fill' });
  const first = shown.frame(0).items[0];
  expect(first.kind === 'fill' && first.opacity > 0 && first.opacity < 0.1).toBe(true);
  expect(shown.frame(100).items).toEqual([]);
});

test('a title is moved in all deliveries, or in one alone that then says so', () => {
  const plain = newTitle({ id: 'm', editionId: 'e', startFrame: 0, lengthFrames: 50, lane: 0 });
  const by = { dxU: 10, dyU: -4 };
  const home = { dxU: 0, dyU: 0 };
  const everywhere = withShift(plain, 'tall', by, false);
  expect(everywhere).toEqual({ ...plain, shift: by });
  const here = withShift(plain, 'tall', by, true);
  expect(titleIn(here, 'tall')?.shift).toEqual(by);
  expect(titleIn(here, 'master')?.shift).toBeNull();
  // Moved everywhere, it goes along in a delivery that had a place of its own too.
  expect(titleIn(withShift(here, 'tall', { dxU: 1, dyU: 1 }, false), 'tall')?.shift).toEqual({
    dxU: 1,
    dyU: 1,
  });
  // Back in one delivery alone, while it stays moved in the others.
  expect(titleIn(withShift(everywhere, 'tall', null, true), 'tall')?.shift).toEqual(home);
  expect(withShift(here, 'tall', home, true)).toEqual(plain);
  expect(withShift(everywhere, 'tall', null, false)).toEqual(plain);
});
