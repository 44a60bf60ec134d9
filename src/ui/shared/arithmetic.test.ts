import { expect, test } from '@jest/globals';
import { evaluateNumber } from './arithmetic';

test.each([
  ['12', 12],
  ['-4.5', -4.5],
  ['1080/3', 360],
  ['2*(3+4)', 14],
  ['10-2-3', 5],
  ['1,5', 1.5],
  ['+12', 112],
  ['*2', 200],
  ['/4', 25],
  ['-(2+3)', -5],
  [' 7 u ', 7],
  ['2f', 0.08],
  ['0.5s+1f', 0.54],
])('%s is %d', (typed, value) => {
  expect(evaluateNumber(typed, 100, { u: 1, s: 1, f: 0.04 })).toBeCloseTo(value, 10);
});

test.each(['', 'abc', '1/0', '2+', '(1', '1)', '3 4', '5q', '2**3', '__proto__', '1constructor'])(
  '"%s" is no number',
  (typed) => {
    expect(evaluateNumber(typed, 100, { u: 1 })).toBeNull();
  },
);
