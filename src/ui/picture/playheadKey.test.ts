import { expect, test } from '@jest/globals';
import { playheadKey } from './playheadKey';

test.each([
  ['ArrowLeft', false, 9],
  ['ArrowRight', false, 11],
  ['ArrowLeft', true, 0],
  ['ArrowRight', true, 35],
  ['Home', false, 0],
  ['End', false, 100],
  ['Enter', false, null],
] as const)('%s, with Shift %p', (key, shiftKey, to) => {
  expect(playheadKey({ key, shiftKey }, 10, 100, 25)).toBe(to);
});

test('stays within the title', () => {
  expect(playheadKey({ key: 'ArrowLeft', shiftKey: false }, 0, 100, 25)).toBe(0);
  expect(playheadKey({ key: 'ArrowRight', shiftKey: true }, 90, 100, 25)).toBe(100);
});
