import { expect, test } from '@jest/globals';
import { testBox, testText } from '../testing';
import { findLayers } from './findLayers';

const layers = [
  testText('a', 'Ilse Marrow', { name: 'Name line' }),
  testText('b', 'Lockkeeper', { name: 'Role line' }),
  testBox('c', { name: 'Gold edge' }),
];
const found = (wanted: string): string[] => findLayers(layers, wanted).map(({ id }) => id);

test('layers are found by what they are called, what they say and what they are, by all words of a search', () => {
  expect(found('line')).toEqual(['a', 'b']);
  expect(found('LINE role')).toEqual(['b']);
  expect(found('marrow')).toEqual(['a']);
  expect(found('box')).toEqual(['c']);
  expect(found('gold line')).toEqual([]);
  expect(findLayers(layers, '  ')).toBe(layers);
});
