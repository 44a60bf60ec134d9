import { expect, test } from '@jest/globals';
import { freeName } from './freeName';

test('a name that is taken gets the next number that is free, and stays short enough', () => {
  const taken = new Set(['Drop', 'Drop 2', 'Rise 4', 'Lanterns']);
  expect(freeName('Fall', taken, 60)).toBe('Fall');
  expect(freeName('Drop', taken, 60)).toBe('Drop 3');
  expect(freeName('Drop 2', taken, 60)).toBe('Drop 3');
  expect(freeName('Rise 4', taken, 60)).toBe('Rise 2');
  expect(freeName('Lanterns', taken, 8)).toBe('Lanter 2');
});
