import { describe, expect, test } from '@jest/globals';
import { setPropertyIn } from '../edit/editInFormat';
import { setOverride } from '../edit/editOverrides';
import { setKey } from '../edit/editTracks';
import { newPictureLayer } from '../model/newLayers';
import type { Field, Moment, Template } from '../model/template';
import { findProperty } from '../layers';
import { FORMATS } from '../frame/formats';
import { testBox, testTemplate, testText } from '../testing';
import { changeAtMoment } from '../timeline/changeAtMoment';
import { stretchTiming } from '../titleTime/stretch';
import { RATES } from '../time/rates';
import { chosenPictures, everyPicture, picturesOf } from './pictures';
import { resolve } from './resolve';

const WIDE = FORMATS.get('wide-1080');
const TALL = FORMATS.get('tall-1080');
const START: Moment = { from: 'start', offsetSeconds: 0, share: 0 };
const TIMING = stretchTiming({ inSeconds: 1, holdSeconds: 4, outSeconds: 1 }, 150, RATES.get('25'));

const field = (id: string, more: Partial<Field>): Field => ({
  id,
  label: id,
  kind: 'number',
  help: '',
  required: false,
  section: '',
  automatic: null,
  targets: [],
  limits: {},
  ...more,
});

const variant = (value: string, dxU: number): NonNullable<Field['limits']['choices']>[number] => ({
  value,
  label: value,
  sets: [{ layerId: 'box', path: 'place.dxU', value: dxU }],
});

/** A box whose offset across everybody can say something about. */
const contested = (): Template => {
  const plain = testTemplate([testBox('box')], {
    formats: ['wide-1080', 'tall-1080'],
    fields: [
      // The figure stands before the variants on the card, and holds over them all the same.
      field('figure', { targets: [{ layerId: 'box', path: 'place.dxU' }] }),
      field('which', { kind: 'choice', limits: { choices: [variant('a', 40), variant('b', 50)] } }),
    ],
  });
  const shaped = setOverride(plain, { kind: 'shape', id: 'tall' }, 'box', 'place.dxU', 20);
  return setOverride(shaped, { kind: 'format', id: 'tall-1080' }, 'box', 'place.dxU', 30);
};

const keyed = (template: Template, value: number): Template => ({
  ...template,
  layers: template.layers.map((layer) => setKey(layer, 'place.dxU', START, value)),
});

const across = (template: Template): number => template.layers[0].place.dxU;

describe('the order in which values hold', () => {
  test.each([
    ['the design', WIDE, {}, 0, 'design'],
    ['what a format has over what its shape has', TALL, {}, 30, 'override'],
    ['a variant over a format', TALL, { which: 'b' }, 50, 'variant'],
    ['what was typed over a variant', TALL, { which: 'b', figure: 60 }, 60, 'editor'],
  ] as const)('%s', (_name, format, values, wanted, origin) => {
    const resolved = resolve(contested(), { format, values });
    expect(across(resolved.template)).toBe(wanted);
    expect(across(resolved.at(2, TIMING))).toBe(wanted);
    expect(resolved.origin('box', 'place.dxU')).toBe(origin);
  });

  test('keys over the design and over formats, but not over what a variant or an editor says', () => {
    const template = keyed(contested(), 70);
    const at = (values: Record<string, string | number>): number =>
      across(resolve(template, { format: TALL, values }).at(2, TIMING));
    expect(at({})).toBe(70);
    expect(resolve(template, { format: TALL }).origin('box', 'place.dxU')).toBe('key');
    expect(at({ which: 'a' })).toBe(40);
    expect(at({ figure: 60 })).toBe(60);
  });

  test('a shape holds for its formats where none of them has its own', () => {
    const template = setOverride(contested(), { kind: 'shape', id: 'wide' }, 'box', 'place.dxU', 11);
    expect(across(resolve(template, { format: FORMATS.get('wide-720') }).template)).toBe(11);
  });

  test('a change at the playhead of what is keyed and otherwise in a format is what is then shown there', () => {
    const template = keyed(contested(), 70);
    const place = { format: TALL, scope: { kind: 'format' as const, id: TALL.id } };
    const next = changeAtMoment(template, { seconds: 2, timing: TIMING }, (now) =>
      setPropertyIn(now, place, 'box', 'place.dxU', 99),
    );
    expect(across(resolve(next, { format: TALL }).at(2, TIMING))).toBeCloseTo(99, 6);
    // The format's own value waits for the day on which the animation is switched off.
    expect(next.overrides).toEqual(template.overrides);
  });
});

describe('steps for long text', () => {
  test('can differ in one format, as any other property', () => {
    const text = testText('name', 'Ilse Marrow', { whenLong: [{ kind: 'wrap', maxLines: 2 }] });
    const template = testTemplate([text], { formats: ['wide-1080', 'tall-1080'] });
    const place = { format: TALL, scope: { kind: 'format' as const, id: TALL.id } };
    const next = setPropertyIn(template, place, 'name', 'whenLong', 'squeeze 80, wrap 3, cut');
    expect(resolve(next, { format: WIDE }).template.layers[0]).toMatchObject({ whenLong: text.whenLong });
    expect(resolve(next, { format: TALL }).template.layers[0]).toMatchObject({
      whenLong: [{ kind: 'squeeze', minPercent: 80 }, { kind: 'wrap', maxLines: 3 }, { kind: 'cut' }],
    });
  });

  test.each(['wrap', 'wrap two', 'stretch 2', 'wrap 2, wrap 3', 'cut 3', 'wrap 2,'])(
    'a line that is none leaves them: %s',
    (line) => {
      const text = testText('name', 'x');
      expect(findProperty(text, 'whenLong')?.with(line)).toEqual(text);
    },
  );

  test('figures are kept in their ranges, and no steps at all are none', () => {
    const text = testText('name', 'x');
    const steps = (line: string) => findProperty(text, 'whenLong')?.with(line);
    expect(steps('wrap 900, squeeze 1')).toMatchObject({
      whenLong: [
        { kind: 'wrap', maxLines: 40 },
        { kind: 'squeeze', minPercent: 20 },
      ],
    });
    expect(steps('')).toMatchObject({ whenLong: [] });
  });
});

describe('the pictures of a template', () => {
  const logo = newPictureLayer('logo', 'Logo', 'by-design');
  const base = testTemplate([logo, testBox('box')], {
    fields: [
      field('sign', {
        kind: 'choice',
        limits: {
          choices: [
            {
              value: 'x',
              label: 'X',
              sets: [{ layerId: 'box', path: 'look.picture', value: 'in-a-variant' }],
            },
          ],
        },
      }),
      field('photo', { kind: 'picture', targets: [{ layerId: 'logo', path: 'asset' }] }),
    ],
  });
  const overridden = setOverride(base, { kind: 'shape', id: 'tall' }, 'logo', 'asset', 'in-tall');
  const template: Template = {
    ...overridden,
    layers: overridden.layers.map((layer) =>
      layer.id === 'box' ? setKey(layer, 'look.picture', START, 'at-a-key') : layer,
    ),
  };

  test('are those of the format, the variant and the keys that hold', () => {
    expect(picturesOf(template, { format: WIDE })).toEqual(['by-design', 'at-a-key']);
    expect(picturesOf(template, { format: TALL })).toEqual(['in-tall', 'at-a-key']);
    expect(picturesOf(template, { format: WIDE, values: { sign: 'x', photo: 'typed' } })).toEqual([
      'typed',
      'in-a-variant',
    ]);
  });

  test('are all that any format, variant or key shows when nobody has asked for one yet', () => {
    expect(new Set(everyPicture(template))).toEqual(
      new Set(['by-design', 'in-tall', 'in-a-variant', 'at-a-key']),
    );
    expect(chosenPictures(template, { photo: 'typed', sign: 'x' })).toEqual(['typed']);
  });
});
