import { expect, test } from '@jest/globals';
import { leafBefore } from './leafOrder';

const before = (text: string): (string | null)[] => [0, 1, 3, 11].map((back) => leafBefore(text, back));

test('figures of any script and basic Latin letters go round in their order', () => {
  expect(before('2')).toEqual(['2', '1', '9', '1']);
  expect(before('\u0665')).toEqual(['\u0665', '\u0664', '\u0662', '\u0664']);
  expect(before('\u0966')).toEqual(['\u0966', '\u096f', '\u096d', '\u096f']);
  // Sets of figures that follow one another: double-struck ones after bold ones.
  expect(before('\u{1d7d9}')).toEqual(['\u{1d7d9}', '\u{1d7d8}', '\u{1d7e0}', '\u{1d7d8}']);
  expect(before('b')).toEqual(['b', 'a', 'y', 'q']);
  expect(before('Z')).toEqual(['Z', 'Y', 'W', 'O']);
  expect(leafBefore('a', -1)).toBe('b');
});

test('an accent does not count, and what has no such order has none before it', () => {
  expect(leafBefore('é', 1)).toBe('d');
  for (const text of ['', ' ', ':', 'ab', '12', 'ß', 'م', 'घा', 'я']) expect(leafBefore(text, 1)).toBeNull();
});
