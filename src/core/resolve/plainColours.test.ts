import { describe, expect, test } from '@jest/globals';
import { DEMO_TEMPLATES } from '../../../demo/templates';
import { nameColours } from '../model/houseChanges';
import { newBoxLayer } from '../model/newLayers';
import type { Layer, Moment, Template } from '../model/template';
import { FORMATS } from '../frame/formats';
import { setKey } from '../edit/editTracks';
import { serverFonts } from '../../server/fontFiles';
import { findProperty } from '../layers';
import { parseTemplate } from '../model/templateSchema';
import { testBox, testTemplate, testText } from '../testing';
import { mixValues } from '../titleTime/tracks';
import { RATES } from '../time/rates';
import { compile } from '../timeline/compile';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import { designValue } from './fieldValue';
import { plainColours } from './plainColours';

const TIMING = { inSeconds: 1, holdSeconds: 4, outSeconds: 1 };
const LENGTH = stretchTiming(TIMING, designFrames(TIMING, RATES.get('25')), RATES.get('25'));

const withPlainKeys = (layer: Layer): Layer =>
  JSON.parse(JSON.stringify(layer).replaceAll(/@(sky|night)/g, ''));

/** Every figure that a template has, as a colour with a name each. */
function everyColour(document: unknown): { id: string; name: string; colour: string }[] {
  const found = new Set(JSON.stringify(document).match(/#[0-9a-f]{6}/g));
  return [...found].map((colour, i) => ({ id: `c_${i}-`, name: `Colour ${i}`, colour }));
}

describe('colours of the House', () => {
  test('come to their figures, in every demo template', () => {
    for (const template of DEMO_TEMPLATES) {
      const named = nameColours(template, everyColour(template));
      expect(named).not.toBe(template);
      expect(plainColours(named)).toEqual(template);
      expect(plainColours(template)).toBe(template);
    }
  });

  test('leave words alone, and layers that have none are the same objects', () => {
    const text = testText('name', '#10303c@deep-water');
    const template = testTemplate([
      text,
      { ...newBoxLayer('panel', 'Panel', []), fill: '#10303c@deep-water' },
    ]);
    const { layers } = plainColours(template);
    expect(layers[0]).toBe(text);
    expect(layers[1]).toMatchObject({ fill: '#10303c' });
    // And the same again, so that what was laid out for a layer stays.
    expect(plainColours(template).layers[1]).toBe(layers[1]);
  });

  test('are painted as their figures: plain, keyed between two of them, set by a format', async () => {
    const fonts = await serverFonts();
    const box = testBox('panel', { fill: '#336699@sky' });
    const at = (offsetSeconds: number): Moment => ({ from: 'start', offsetSeconds, share: 0 });
    const keyed = setKey(setKey(box, 'fill', at(0), '#336699@sky'), 'fill', at(2), '#000000@night');
    const painted = (layer: Layer, seconds: number, more: Partial<Template> = {}): string => {
      const title = compile(testTemplate([layer], more), {}, FORMATS.get('wide-1080'), fonts);
      return JSON.stringify(title.frame(seconds, LENGTH).items);
    };
    const override = { layerId: 'panel', path: 'fill', value: '#ff0000@red' };
    const overrides = [{ ...override, scope: { kind: 'shape', id: 'wide' } as const }];
    expect(painted(box, 1)).toContain('"#336699"');
    expect(painted(keyed, 2)).toContain('"#000000"');
    expect(painted(keyed, 1)).toBe(painted(withPlainKeys(keyed), 1));
    expect(painted(box, 1, { overrides })).toContain('"#ff0000"');
  });

  test('are kept by what the bench sets, and nothing else is taken for one', () => {
    const fill = (value: string): unknown => findProperty(testBox('panel'), 'fill')?.with(value);
    expect(fill('#336699@sky')).toMatchObject({ fill: '#336699@sky' });
    expect(fill('#33669A')).toMatchObject({ fill: '#33669a' });
    for (const none of ['#336699@', '#336699@two words', '336699@sky', 'sky'])
      expect(fill(none)).toMatchObject({ fill: '#203040' });
    const document = { ...testTemplate([testBox('panel', { fill: '#336699@sky' })]) };
    expect(parseTemplate(document)).toEqual(document);
    expect(() => parseTemplate(testTemplate([testBox('panel', { fill: '#336699@' })]))).toThrow(/#10303c/);
  });

  test('are themselves at their keys, and a figure between two', () => {
    const [from, to] = ['#000000@night', '#ffffff@paper'];
    expect(mixValues(from, to, 0)).toBe(from);
    expect(mixValues(from, to, 1)).toBe(to);
    expect(mixValues(from, to, 0.5)).toBe(mixValues('#000000', '#ffffff', 0.5));
  });

  test('editors have them as figures', () => {
    const [template] = DEMO_TEMPLATES.filter(({ fields }) => fields.some(({ kind }) => kind === 'colour'));
    const named = nameColours(template, everyColour(template));
    const field = named.fields.find(({ kind }) => kind === 'colour');
    if (field === undefined) throw new Error('no colour field');
    expect(designValue(named, field)).toBe(designValue(template, field));
    expect(designValue(named, field)).toMatch(/^#[0-9a-f]{6}$/);
  });
});
