import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import { findProperty } from '../layers';
import { removeLayer } from '../edit/removeLayer';
import type { Attachment } from '../model/attachment';
import {
  ATTACHMENT_PATH,
  ENCLOSES_PATH,
  readAttachment,
  writeAttachment,
  writeIds,
} from '../model/attachment';
import { motionOf } from '../model/newMove';
import { renameReferences } from '../model/references';
import type { BoxLayer, FieldValue, Keyframe, Layer, Template } from '../model/template';
import { parseTemplate } from '../model/templateSchema';
import { place, testBox, testTemplate } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { RATES } from '../time/rates';
import { stretchTiming } from '../titleTime/stretch';
import { trackValue } from '../titleTime/tracks';
import { compile } from './compile';

const WIDE = FORMATS.get('wide-1080');
const DESIGN = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
const TIMING = stretchTiming(DESIGN, 100, RATES.get('25'));

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const key = (seconds: number, value: FieldValue, way: Keyframe['way'] = 'straight'): Keyframe => ({
  moment: { from: 'start', offsetSeconds: seconds, share: 0 },
  value,
  way,
  curve: [0.45, 0, 0.3, 1],
});
const sized = (id: string, width: number, height: number, more: Partial<BoxLayer> = {}): BoxLayer =>
  testBox(id, { width: { kind: 'fixed', u: width }, height: { kind: 'fixed', u: height }, ...more });
const to = (layerId: string | null, more: Partial<Attachment> = {}): string =>
  writeAttachment({
    point: 'topLeft',
    target: layerId === null ? { kind: 'frame' } : { kind: 'layer', layerId },
    targetPoint: layerId === null ? 'topLeft' : 'bottomLeft',
    dxU: 0,
    dyU: 0,
    ...more,
  });

const FREE = sized('left', 200, 100, { place: place({ target: { kind: 'frame' }, dxU: 300, dyU: 200 }) });
const OTHER = sized('right', 100, 60, { place: place({ target: { kind: 'frame' }, dxU: 1200, dyU: 700 }) });
const docked = (keys: readonly Keyframe[]): BoxLayer =>
  sized('dock', 50, 50, {
    motion: motionOf(null, null, { tracks: [{ path: ATTACHMENT_PATH, on: true, keys }] }),
  });
const on = (layers: readonly Layer[]): Template => testTemplate(layers, { timing: DESIGN });
const boxAt = (template: Template, id: string, seconds: number) => {
  const { x, y, width, height } = compile(template, {}, WIDE, fonts).boxesAt(seconds, TIMING).get(id) ?? {};
  return [x, y, width, height];
};

describe('an attachment with keys', () => {
  const template = on([FREE, OTHER, docked([key(1, to('left')), key(2, to('right'))])]);

  test('goes from what it is attached to to the next, and stays there', () => {
    const at = (seconds: number) => boxAt(template, 'dock', seconds).slice(0, 2);
    expect(at(0)).toEqual([300, 300]);
    expect(at(1)).toEqual([300, 300]);
    expect(at(1.5)).toEqual([750, 530]);
    expect(at(2)).toEqual([1200, 760]);
    expect(at(3.9)).toEqual([1200, 760]);
  });

  test('from a place of its own to a layer, by the way of its key', () => {
    const free = to(null, { dxU: 100, dyU: 100 });
    const stepped = on([FREE, docked([key(1, free, 'stepped'), key(2, to('left'))])]);
    expect(boxAt(stepped, 'dock', 1.9).slice(0, 2)).toEqual([100, 100]);
    expect(boxAt(stepped, 'dock', 2).slice(0, 2)).toEqual([300, 300]);
  });

  test('what hangs on it goes with it, and what it hangs on can move too', () => {
    const moving = {
      ...FREE,
      motion: motionOf(null, null, {
        tracks: [{ path: 'place.dxU', on: true, keys: [key(1, 300), key(2, 400)] }],
      }),
    };
    const follower = sized('tag', 10, 10, {
      place: place({ target: { kind: 'layer', layerId: 'dock' }, point: 'topLeft', targetPoint: 'topRight' }),
    });
    const all = on([moving, OTHER, docked([key(1, to('left')), key(2, to('right'))]), follower]);
    expect(boxAt(all, 'tag', 1.5)[0]).toBeCloseTo((350 + 1200) / 2 + 50, 6);
    expect(boxAt(all, 'tag', 3)[0]).toBeCloseTo(1250, 6);
  });

  test('two that change at the same time, and two at different times, each go their own way', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.9, noNaN: true }), (later) => {
        const second = { ...docked([key(1 + later, to('left')), key(2 + later, to('right'))]), id: 'second' };
        const both = on([FREE, OTHER, docked([key(1, to('left')), key(2, to('right'))]), second]);
        const at = 1.95;
        expect(boxAt(both, 'dock', at)[0]).toBeCloseTo(300 + 900 * 0.95, 4);
        expect(boxAt(both, 'second', at)[0]).toBeCloseTo(300 + 900 * Math.max(0, 0.95 - later), 4);
      }),
      { numRuns: 20 },
    );
  });

  test('has the one of the key before where one value is asked for, whatever figures names have', () => {
    const named = docked([key(1, to('layer-1')), key(2, to('layer-3'))]);
    const property = findProperty(named, ATTACHMENT_PATH);
    const value = trackValue(named.motion.tracks[0], 1.5, DESIGN, TIMING, property);
    expect(readAttachment(value ?? '')?.target).toEqual({ kind: 'layer', layerId: 'layer-1' });
    // Pasted onto the layer that it names it stays as it was: nothing is attached to itself.
    const other = sized('layer-1', 10, 10);
    expect(findProperty(other, ATTACHMENT_PATH)?.with(to('layer-1'))).toBe(other);
  });

  test('in a circle through its keys is refused, by name', () => {
    const circle = { ...FREE, place: place({ target: { kind: 'layer', layerId: 'dock' } }) };
    const round = on([circle, OTHER, docked([key(1, to('right')), key(2, to('left'))])]);
    expect(() => compile(round, {}, WIDE, fonts)).toThrow(/circle/);
  });

  test('loses the keys that refer to a layer that is removed, and refers to copies by their names', () => {
    const without = removeLayer(template, 'right');
    const kept = without.layers.find(({ id }) => id === 'dock')?.motion.tracks[0];
    expect(kept?.keys.map(({ value }) => readAttachment(value)?.target)).toEqual([
      { kind: 'layer', layerId: 'left' },
    ]);
    expect(removeLayer(without, 'left').layers[0].motion.tracks).toEqual([]);
    const renamed = renameReferences(template.layers[2], (id) => `${id}-2`);
    expect(renamed.motion.tracks[0].keys.map(({ value }) => readAttachment(value)?.target)).toEqual([
      { kind: 'layer', layerId: 'left-2' },
      { kind: 'layer', layerId: 'right-2' },
    ]);
  });

  test('of a layer that is not there is refused when it comes from outside', () => {
    const wrong = on([FREE, docked([key(1, to('nobody'))])]);
    expect(() => parseTemplate(JSON.parse(JSON.stringify(wrong)))).toThrow(/nobody/);
  });
});

test('a panel with keys for what it encloses grows from the one to the other', () => {
  const panel = testBox('panel', {
    width: { kind: 'encloses' },
    height: { kind: 'encloses' },
    encloses: ['left'],
    motion: motionOf(null, null, {
      tracks: [
        {
          path: ENCLOSES_PATH,
          on: true,
          keys: [key(1, writeIds(['left'])), key(2, writeIds(['left', 'right']))],
        },
      ],
    }),
  });
  const { padding } = panel;
  const template = on([FREE, OTHER, panel]);
  const wide = (inner: number): number => inner + padding.leftU + padding.rightU;
  expect(boxAt(template, 'panel', 1)[2]).toBe(wide(200));
  expect(boxAt(template, 'panel', 1.5)[2]).toBe((wide(200) + wide(1000)) / 2);
  expect(boxAt(template, 'panel', 2)[2]).toBe(wide(1000));
});
