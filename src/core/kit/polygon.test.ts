import { expect, test } from '@jest/globals';
import { polygonContains } from './polygon';

test('a point is in a polygon or not, also beside its bends and for none at all', () => {
  const arrow = [
    { x: 0, y: 0 },
    { x: 10, y: 5 },
    { x: 0, y: 10 },
    { x: 4, y: 5 },
  ];
  expect(polygonContains(arrow, { x: 6, y: 5 })).toBe(true);
  expect(polygonContains(arrow, { x: 2, y: 5 })).toBe(false);
  expect(polygonContains(arrow, { x: 11, y: 5 })).toBe(false);
  expect(polygonContains(arrow, { x: 3, y: 2 })).toBe(true);
  expect(polygonContains([], { x: 0, y: 0 })).toBe(false);
});
