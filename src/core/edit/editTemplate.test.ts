import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { addBox, addText } from './addLayer';
import * as fields from './editFields';
import * as edit from './editTemplate';
import { removeLayer } from './removeLayer';
import { SAMPLE_TEXTS, sampleValues } from './sampleTexts';
import { plainText } from '../model/template';
import type { Layer, Template } from '../model/template';
import { parseTemplate } from '../model/templateSchema';

const layer = (template: Template, id: string): Layer => {
  const found = template.layers.find((one) => one.id === id);
  if (found === undefined) throw new Error(`no layer ${id}`);
  return found;
};

describe('removing a layer', () => {
  test('lets what hung on it take its place, and cleans boxes and fields', () => {
    const without = removeLayer(tidelineStrap, 'name');
    expect(layer(without, 'role').place).toEqual(layer(tidelineStrap, 'name').place);
    expect(layer(without, 'panel')).toMatchObject({ encloses: ['role'] });
    expect(without.fields.map((field) => field.id)).toEqual(['role', 'panel-colour']);
    expect(parseTemplate(without)).toEqual(without);
  });

  test('gives a box that matched it a size of its own', () => {
    const without = removeLayer(tidelineStrap, 'panel');
    expect(layer(without, 'edge')).toMatchObject({ height: { kind: 'fixed', u: 120 } });
    expect(parseTemplate(without)).toEqual(without);
  });
});

describe('adding', () => {
  test('a text comes on top with a free id', () => {
    const once = addText(tidelineStrap);
    const twice = addText(once.template);
    expect([once.layerId, twice.layerId]).toEqual(['text-1', 'text-2']);
    expect(twice.template.layers[0].id).toBe('text-2');
    expect(parseTemplate(twice.template)).toEqual(twice.template);
  });

  test('a panel goes right under the layer that it encloses', () => {
    const { template, layerId } = addBox(tidelineStrap, ['role']);
    expect(template.layers.map((one) => one.id)).toEqual(['name', 'role', layerId, 'edge', 'panel']);
    expect(layer(template, layerId)).toMatchObject({ encloses: ['role'], width: { kind: 'encloses' } });
  });
});

describe('enclosing', () => {
  test('puts a box under what it comes to enclose, and leaves it where it is already under', () => {
    const first = addBox(tidelineStrap, ['name']);
    const both = edit.encloseLayer(first.template, first.layerId, 'role', true);
    expect(both.layers.map((one) => one.id)).toEqual(['name', 'role', first.layerId, 'edge', 'panel']);
    expect(layer(both, first.layerId)).toMatchObject({ encloses: ['name', 'role'] });
    const again = edit.encloseLayer(both, 'panel', 'name', false);
    expect(layer(again, 'panel')).toMatchObject({ encloses: ['role'] });
    expect(again.layers).toHaveLength(5);
  });
});

describe('opening a property', () => {
  test('makes a field in the layer’s name, and closing takes it away', () => {
    const opened = fields.toggleField(tidelineStrap, 'name', 'style.sizeU');
    const field = fields.fieldOf(opened, 'name', 'style.sizeU');
    expect(field).toMatchObject({ label: 'Name line, size', kind: 'number', limits: { min: 4, max: 2000 } });
    expect(parseTemplate(opened)).toEqual(opened);
    expect(fields.toggleField(opened, 'name', 'style.sizeU')).toEqual(tidelineStrap);
  });

  test('a choice brings its choices along', () => {
    const opened = fields.toggleField(tidelineStrap, 'name', 'align');
    expect(fields.fieldOf(opened, 'name', 'align')?.limits.choices?.map((c) => c.value)).toEqual([
      'left',
      'centre',
      'right',
      'justify',
    ]);
  });

  test('fields can be put in another order', () => {
    const ordered = fields.orderFields(tidelineStrap, ['panel-colour', 'name']);
    expect(ordered.fields.map((field) => field.id)).toEqual(['panel-colour', 'name', 'role']);
  });
});

test('dragging a panel moves the roots of what it encloses, once each', () => {
  expect(edit.dragRoots(tidelineStrap, 'panel')).toEqual(['name']);
  expect(edit.dragRoots(tidelineStrap, 'role')).toEqual(['role']);
});

test('nudging adds to the offset without rounding dust', () => {
  const moved = edit.nudgeLayer(edit.nudgeLayer(tidelineStrap, 'name', 0.1, 0), 'name', 0.2, -1);
  expect(layer(moved, 'name').place).toMatchObject({ dxU: 30.3, dyU: -75 });
});

test('setting a property of a hidden kind or a missing layer changes nothing', () => {
  expect(edit.setProperty(tidelineStrap, 'name', 'radiusU', 4)).toEqual(tidelineStrap);
  expect(edit.setProperty(tidelineStrap, 'gone', 'text', 'x')).toEqual(tidelineStrap);
});

test('numbers are kept in range and nonsense leaves them as they were', () => {
  const sized = (value: string | number): unknown =>
    layer(edit.setProperty(tidelineStrap, 'name', 'style.sizeU', value), 'name');
  expect(sized(-50)).toMatchObject({ style: { sizeU: 4 } });
  expect(sized('tall')).toMatchObject({ style: { sizeU: 84 } });
});

test('a shorter column cuts the moves in it to fit', () => {
  const short = edit.setTiming(tidelineStrap, { ...tidelineStrap.timing, inSeconds: 0.5 });
  for (const one of short.layers) {
    for (const use of one.motion.in)
      expect(use.startSeconds + use.lengthSeconds).toBeLessThanOrEqual(0.5 + 1e-9);
  }
  expect(parseTemplate(short)).toEqual(short);
});

test('moving a layer keeps the others in their order', () => {
  const ids = (template: Template): string[] => template.layers.map((one) => one.id);
  expect(ids(edit.moveLayer(tidelineStrap, 'panel', 0))).toEqual(['panel', 'name', 'role', 'edge']);
  expect(ids(edit.moveLayer(tidelineStrap, 'name', 99))).toEqual(['role', 'edge', 'panel', 'name']);
});

test('sample texts fill every text field, and “one line” leaves out what need not be filled', () => {
  for (const { id } of SAMPLE_TEXTS.filter((sample) => sample.id !== 'usual')) {
    expect(Object.keys(sampleValues(tidelineStrap, id))).toEqual(['name', 'role']);
  }
  expect(sampleValues(tidelineStrap, 'one-line')).toEqual({ name: 'Ilse Marrow', role: '' });
  expect(sampleValues(tidelineStrap, 'usual')).toEqual({});
  // The role takes 48 characters; long words are cut between two of them.
  expect(sampleValues(tidelineStrap, 'long').role).toBe('Deputy Steward of the Upper Weirs and Lantern');
});

test('typing replaces styled runs by one plain run', () => {
  const typed = layer(edit.setProperty(tidelineStrap, 'name', 'text', 'Teo\nVance'), 'name');
  expect(typed.kind === 'text' && plainText(typed)).toBe('Teo\nVance');
});
