import { describe, expect, test } from '@jest/globals';
import { parseTemplate } from '../model/templateSchema';
import type { Template } from '../model/template';
import { testBox, testTemplate, testText } from '../testing';
import { addTextLine } from './addTextLine';

const textOf = (template: Template, id: string) => {
  const found = template.layers.find((layer) => layer.id === id);
  if (found?.kind !== 'text') throw new Error(`no text ${id}`);
  return found;
};
const name = testText('name', 'Marit Osk');

describe('another text', () => {
  test('comes below the one there is, attached to it, smaller, of its style and open to editors', () => {
    const { template, layerId } = addTextLine(testTemplate([name]), null);
    const line = textOf(template, layerId);
    expect(line.place).toMatchObject({
      point: 'topLeft',
      target: { kind: 'layer', layerId: 'name' },
      targetPoint: 'bottomLeft',
      dxU: 0,
    });
    expect(line.style).toEqual({ ...name.style, sizeU: Math.round(name.style.sizeU * 0.6) });
    expect(template.fields).toMatchObject([{ label: 'Text 1', targets: [{ layerId, path: 'text' }] }]);
    expect(parseTemplate(JSON.parse(JSON.stringify(template)))).toBeDefined();
  });

  test('hangs by the edge that the one above is set to', () => {
    const right = addTextLine(testTemplate([{ ...name, align: 'right' }]), null);
    expect(textOf(right.template, right.layerId).place).toMatchObject({
      point: 'topRight',
      targetPoint: 'bottomRight',
    });
  });

  test('comes below the chosen one, else below the last of a chain', () => {
    const two = addTextLine(testTemplate([name]), null);
    const three = addTextLine(two.template, null);
    expect(textOf(three.template, three.layerId).style).toEqual(textOf(two.template, two.layerId).style);
    expect(textOf(three.template, three.layerId).place.target).toEqual({
      kind: 'layer',
      layerId: two.layerId,
    });
    const chosen = addTextLine(two.template, 'name');
    expect(textOf(chosen.template, chosen.layerId).place.target).toEqual({ kind: 'layer', layerId: 'name' });
  });

  test('comes below the furthest back of several that stand by themselves', () => {
    const apart = addTextLine(testTemplate([testText('front', 'A'), testText('back', 'B')]), null);
    expect(textOf(apart.template, apart.layerId).place.target).toEqual({ kind: 'layer', layerId: 'back' });
  });

  test('stands where the last one stood, where lines stand on a lower edge; elsewhere nothing is moved', () => {
    const below = { point: 'bottomLeft', target: { kind: 'titleSafe' }, targetPoint: 'bottomLeft' } as const;
    const standing = { ...name, place: { ...name.place, ...below, dyU: -10 } };
    const two = addTextLine(testTemplate([standing]), null);
    const role = textOf(two.template, two.layerId);
    const height = Math.ceil(role.style.sizeU * role.style.leading) + role.place.dyU;
    expect(textOf(two.template, 'name').place.dyU).toBe(-10 - height);
    const three = addTextLine(two.template, two.layerId);
    expect(textOf(three.template, 'name').place.dyU).toBe(-10 - 2 * height);
    expect(textOf(three.template, two.layerId).place).toEqual(role.place);
    const hanging = { ...name, place: { ...standing.place, point: 'topLeft' as const } };
    expect(textOf(addTextLine(testTemplate([hanging]), null).template, 'name').place).toEqual(hanging.place);
  });

  test('leaves what the lines stand in where it is', () => {
    const inBand = {
      point: 'bottomLeft',
      target: { kind: 'layer', layerId: 'band' },
      targetPoint: 'bottomLeft',
    } as const;
    const band = testBox('band', {
      place: { ...name.place, point: 'bottom', target: { kind: 'frame' }, targetPoint: 'bottom' },
    });
    const standing = { ...name, place: { ...name.place, ...inBand, dyU: -10 } };
    const { template } = addTextLine(testTemplate([standing, band]), null);
    expect(template.layers.find(({ id }) => id === 'band')).toEqual(band);
    expect(textOf(template, 'name').place.dyU).toBeLessThan(-10);
  });

  test('is taken into the panel round the one above', () => {
    const panel = testBox('panel', { encloses: ['name'], width: { kind: 'encloses' } });
    const { template, layerId } = addTextLine(testTemplate([name, panel]), null);
    expect(template.layers.find(({ id }) => id === 'panel')).toMatchObject({ encloses: ['name', layerId] });
  });
});

test('the first text stands by itself, open to editors', () => {
  const { template, layerId } = addTextLine(testTemplate([testBox('a')]), 'a');
  expect(textOf(template, layerId).place.target).toEqual({ kind: 'frame' });
  expect(template.fields).toHaveLength(1);
});
