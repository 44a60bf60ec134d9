import { expect, test } from '@jest/globals';
import { NO_PICTURES, pictureNames } from './pictureNames';

const names = pictureNames([
  { value: 'a1', label: 'ilse.png' },
  { value: 'video:v1', label: 'Weir at night.mov' },
  { value: 'b1', label: 'leaf.png' },
  { value: 'b2', label: 'leaf.png' },
  { value: 'c1', label: 'gate.png' },
  { value: 'video:c2', label: 'gate.mov' },
]);

test.each([
  ['ilse.png', ['a1']],
  ['ILSE.PNG', ['a1']],
  ['ilse', ['a1']],
  ['weir at night', ['video:v1']],
  // As documents call it.
  ['b2', ['b2']],
  // Two are called so, and nothing says which.
  ['leaf.png', ['b1', 'b2']],
  // Two that differ in their endings alone.
  ['Gate.mov', ['video:c2']],
  ['gate', ['c1', 'video:c2']],
  ['gull.png', []],
  ['', []],
])('a cell that says %j may mean %j', (said, values) => {
  expect(names.find(said)).toEqual(values);
});

test('each has the name that people know it by', () => {
  expect(['a1', 'b2', 'gone'].map((value) => names.nameOf(value))).toEqual([
    'ilse.png',
    'leaf.png',
    undefined,
  ]);
  expect(NO_PICTURES.find('ilse.png')).toEqual([]);
});
