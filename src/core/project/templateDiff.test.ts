import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { Template } from '../model/template';
import { templateDifferences } from './templateDiff';

const words = (after: Template, before: Template = tidelineStrap): string[] =>
  templateDifferences(before, after).map((one) => `${one.area}: ${one.words}`);
const [first, ...others] = tidelineStrap.layers;

test('editions that are alike differ in nothing', () => {
  expect(words(structuredClone(tidelineStrap))).toEqual([]);
});

test('timing, fields and layers are told in words', () => {
  expect(words({ ...tidelineStrap, timing: { ...tidelineStrap.timing, holdSeconds: 9 } })).toEqual([
    `timing: Hold: ${tidelineStrap.timing.holdSeconds} s → 9 s`,
  ]);
  const [name, ...rest] = tidelineStrap.fields;
  expect(
    words({ ...tidelineStrap, fields: [{ ...name, label: 'Guest', required: !name.required }] }),
  ).toEqual([
    ...rest.map(({ label }) => `fields: Field “${label}” is gone`),
    `fields: Field “${name.label}” is called “Guest”`,
    `fields: “Guest” ${name.required ? 'may be empty' : 'must be filled'}`,
  ]);
  expect(words({ ...tidelineStrap, layers: others })).toEqual([`layers: “${first.name}” is gone`]);
  expect(words(tidelineStrap, { ...tidelineStrap, layers: others })).toEqual([
    `layers: “${first.name}” is new`,
  ]);
  expect(words({ ...tidelineStrap, layers: [...others, first] })).toEqual([
    'layers: Layers lie in another order',
  ]);
});

test('what is set on a layer is told by its name, and its motion by itself', () => {
  const faded = { ...first, opacity: 0.5 };
  expect(words({ ...tidelineStrap, layers: [faded, ...others] })).toEqual([
    `layout: “${first.name}”: Opacity ${first.opacity * 100} → 50`,
  ]);
  const still = { ...first, motion: { ...first.motion, in: [], out: [] } };
  expect(words({ ...tidelineStrap, layers: [still, ...others] })).toEqual([
    `motion: “${first.name}” moves otherwise`,
  ]);
});
