import { describe, expect, test } from '@jest/globals';
import { newCopyLayer, newGroupLayer, newStackLayer } from '../model/newLayers';
import { referencesOf, renameReferences } from '../model/references';
import { parseTemplate } from '../model/templateSchema';
import type { Template } from '../model/template';
import { place, testBox, testTemplate, testText } from '../testing';
import { toggleField } from './editFields';
import { setOverride } from './editOverrides';
import { copyLayers, pasteLayers } from './layerClip';

const onName = place({ target: { kind: 'layer', layerId: 'name' }, targetPoint: 'bottomLeft', dyU: 8 });
const strap: Template = testTemplate([
  testText('name', 'Marit Osk'),
  testText('role', 'Harbour pilot', { place: onName }),
  testBox('panel', { encloses: ['name', 'role'], width: { kind: 'encloses' }, height: { kind: 'encloses' } }),
]);
const opened = toggleField(toggleField(strap, 'name', 'text'), 'role', 'text');

function paste(template: Template, from: Template, ids: readonly string[], above: string | null = null) {
  const clip = copyLayers(from, ids);
  if (clip === null) throw new Error('nothing was copied');
  const pasted = pasteLayers(template, clip, { above, home: template === from });
  // Whatever is pasted is a template that can be saved.
  expect(parseTemplate(JSON.parse(JSON.stringify(pasted.template)))).toBeDefined();
  return pasted;
}
const layerOf = (template: Template, id: string) => {
  const found = template.layers.find((layer) => layer.id === id);
  if (found === undefined) throw new Error(`no layer ${id}`);
  return found;
};

describe('layers pasted where they come from', () => {
  test('hold to one another as their originals do, right above the chosen one', () => {
    const { template, layerIds } = paste(opened, opened, ['panel', 'role', 'name'], 'role');
    expect(template.layers.map(({ id }) => id)).toEqual([
      'name',
      'name-2',
      'role-2',
      'panel-2',
      'role',
      'panel',
    ]);
    expect(layerIds).toEqual(['name-2', 'role-2', 'panel-2']);
    expect(layerOf(template, 'role-2').place.target).toEqual({ kind: 'layer', layerId: 'name-2' });
    expect(layerOf(template, 'panel-2')).toMatchObject({ encloses: ['name-2', 'role-2'], name: 'panel 2' });
    // The originals are as they were.
    for (const layer of opened.layers) expect(layerOf(template, layer.id)).toBe(layer);
  });

  test('hold to what was not copied with them', () => {
    const { template } = paste(opened, opened, ['role']);
    expect(layerOf(template, 'role-2').place).toEqual(onName);
  });

  test('have fields of their own, under names that are free, for what was open', () => {
    const { template } = paste(opened, opened, ['role']);
    expect(template.fields.map(({ label }) => label)).toEqual(['name', 'role', 'role 2']);
    expect(template.fields[2].targets).toEqual([{ layerId: 'role-2', path: 'text' }]);
    expect(new Set(template.fields.map(({ id }) => id)).size).toBe(3);
  });

  test('have what the originals have otherwise in a format', () => {
    const scope = { kind: 'shape', id: 'tall' } as const;
    const tall = setOverride(opened, scope, 'role', 'style.sizeU', 70);
    const { template } = paste(tall, tall, ['role', 'name']);
    const [own, pasted] = template.overrides;
    expect(own.layerId).toBe('role');
    expect(pasted).toEqual({ ...own, layerId: 'role-2' });
  });

  test('can be pasted again and again', () => {
    const once = paste(opened, opened, ['name']).template;
    const twice = paste(once, once, ['name']).template;
    expect(twice.layers.map(({ name }) => name)).toEqual(['name 3', 'name 2', 'name', 'role', 'panel']);
  });
});

describe('layers pasted into another template', () => {
  const other = testTemplate([testText('name', 'Someone else')]);

  test('keep their place where what they were attached to is not there, whatever has its id', () => {
    const { template, layerIds } = paste(other, opened, ['role', 'panel']);
    expect(layerIds).toEqual(['role', 'panel']);
    expect(layerOf(template, 'role').place.target.kind).not.toBe('layer');
    expect(layerOf(template, 'panel')).toMatchObject({ encloses: ['role'] });
    expect(layerOf(template, 'name')).toBe(other.layers[0]);
  });

  test('do not bring linked copies of what is not there', () => {
    const linked = testTemplate([newCopyLayer('twin', 'Twin', 'name'), ...opened.layers]);
    expect(paste(other, linked, ['twin', 'role']).layerIds).toEqual(['role']);
    expect(paste(linked, linked, ['twin']).layerIds).toEqual(['twin-2']);
    expect(paste(other, linked, ['twin', 'name']).layerIds).toEqual(['twin', 'name-2']);
  });
});

test('a group and a stack bring what they hold, and only they are chosen', () => {
  const grouped = testTemplate([
    newGroupLayer('group', 'Group', ['stack', 'panel']),
    newStackLayer('stack', 'Stack', ['name', 'role']),
    ...opened.layers,
  ]);
  const { template, layerIds } = paste(grouped, grouped, ['group']);
  expect(layerIds).toEqual(['group-2']);
  expect(layerOf(template, 'stack-2')).toMatchObject({ members: ['name-2', 'role-2'] });
  expect(layerOf(template, 'stack')).toMatchObject({ members: ['name', 'role'] });
});

test('nothing is copied of layers that are not there', () => {
  expect(copyLayers(opened, ['gone'])).toBeNull();
});

test('every reference of a layer is renamed', () => {
  const layers = [
    testBox('a', {
      place: onName,
      matte: { layerId: 'm', by: 'alpha', inverted: false },
      width: { kind: 'between', fromId: 'b', toId: 'c' },
      height: { kind: 'matches', layerId: 'd' },
      encloses: ['e', 'f'],
    }),
    newGroupLayer('g', 'G', ['h', 'i']),
    newStackLayer('s', 'S', ['j']),
    newCopyLayer('l', 'L', 'k'),
  ];
  for (const layer of layers)
    expect(referencesOf(renameReferences(layer, (id) => `${id}-2`))).toEqual(
      referencesOf(layer).map((id) => `${id}-2`),
    );
});
