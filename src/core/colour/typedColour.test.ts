import { expect, test } from '@jest/globals';
import { typedColour } from './typedColour';

test.each([
  ['#10303C', '#10303c'],
  [' 10303c ', '#10303c'],
  ['#abc', '#aabbcc'],
  ['abc', '#aabbcc'],
  ['rgb(16, 48, 60)', '#10303c'],
  ['rgb(16 48 60)', '#10303c'],
  ['rgb(100% 0% 0%)', '#ff0000'],
  ['hsl(0 100% 50%)', '#ff0000'],
  ['Teal', '#008080'],
  ['rgb(999 0 0)', '#ff0000'],
])('%s is %s', (typed, hex) => expect(typedColour(typed)).toBe(hex));

test.each(['', '#12345', 'rgb(16 48', 'deep water', '#10303c80', 'transparent', 'rgb(0 0 0 / 50%)', '12'])(
  '%j is no colour, and never another one',
  (typed) => expect(typedColour(typed)).toBeNull(),
);
