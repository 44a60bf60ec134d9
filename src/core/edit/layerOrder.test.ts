import { describe, expect, test } from '@jest/globals';
import { newBackdropLayer, newGroupLayer } from '../model/newLayers';
import type { Template } from '../model/template';
import { testBox, testTemplate } from '../testing';
import { addedAbove, addText } from './addLayer';
import { orderLayers, placeAbove } from './layerOrder';
import { shownAlone } from './shownAlone';

const five = testTemplate(['a', 'b', 'c', 'd', 'e'].map((id) => testBox(id)));
const orderOf = ({ layers }: Template): string => layers.map(({ id }) => id).join('');

describe('layers in the order', () => {
  test.each([
    ['front', ['c', 'e'], 'ceabd'],
    ['forward', ['c', 'e'], 'aceBd'.toLowerCase()],
    ['backward', ['a', 'c'], 'bdace'],
    ['back', ['a', 'c'], 'bdeac'],
    ['forward', ['a'], 'abcde'],
    ['back', ['e'], 'abcde'],
  ] as const)('%s of %p', (step, ids, order) => {
    expect(orderOf(orderLayers(five, ids, step))).toBe(order);
  });

  test('what stays where it is is the same template', () => {
    expect(orderLayers(five, ['a'], 'front')).toBe(five);
    expect(orderLayers(five, ['gone'], 'forward')).toBe(five);
  });

  test('nothing goes below a background but another one', () => {
    const covered = testTemplate([...five.layers, newBackdropLayer('z', 'Background')]);
    expect(orderOf(orderLayers(covered, ['a'], 'back'))).toBe('bcdeaz');
    expect(orderOf(orderLayers(covered, ['e'], 'backward'))).toBe('abcdez');
    const two = testTemplate([newBackdropLayer('y', 'Background'), ...covered.layers]);
    expect(orderOf(orderLayers(two, ['y'], 'back'))).toBe('abcdezy');
  });
});

describe('a new layer', () => {
  const added = (template: Template, above: string | null): string =>
    orderOf(addedAbove(addText(template), above).template);

  test('lies right above the chosen one, on top without one', () => {
    expect(added(five, 'c')).toBe('abtext-1cde');
    expect(added(five, null)).toBe('text-1abcde');
    expect(added(five, 'gone')).toBe('text-1abcde');
  });

  test('lies above the group that holds the chosen one, and never below a background', () => {
    const grouped = testTemplate([testBox('x'), newGroupLayer('g', 'G', ['b', 'c']), ...five.layers]);
    expect(placeAbove(grouped, 'c')).toBe(1);
    const hidden = testTemplate([testBox('x'), newBackdropLayer('z', 'Z'), ...five.layers]);
    expect(added(hidden, 'c')).toBe('xtext-1zabcde');
  });
});

test('what is shown alone is shown with what it holds and what holds it, and nothing else', () => {
  const nested = testTemplate([
    newGroupLayer('outer', 'O', ['inner', 'd']),
    newGroupLayer('inner', 'I', ['a', 'b']),
    ...five.layers,
  ]);
  expect([...shownAlone(nested, ['a'])].toSorted()).toEqual(['a', 'inner', 'outer']);
  expect([...shownAlone(nested, ['inner'])].toSorted()).toEqual(['a', 'b', 'inner', 'outer']);
  expect([...shownAlone(nested, ['gone'])]).toEqual([]);
});
