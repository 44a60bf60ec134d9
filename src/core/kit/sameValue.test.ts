import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sameValue } from './sameValue';

const data = fc.jsonValue({ maxDepth: 4 });

describe('values that say the same', () => {
  test('any value and a copy of it', () => {
    fc.assert(fc.property(data, (value) => sameValue(value, structuredClone(value))));
  });

  test('agree with what they read as', () => {
    // Keys in their order, or what reads the same would be written otherwise.
    const sorted = (value: unknown): string =>
      JSON.stringify(value, (_key, one: unknown) =>
        typeof one === 'object' && one !== null && !Array.isArray(one)
          ? Object.fromEntries(Object.entries(one).toSorted(([a], [b]) => (a < b ? -1 : 1)))
          : Object.is(one, -0)
            ? '-0'
            : one,
      );
    fc.assert(fc.property(data, data, (a, b) => sameValue(a, b) === (sorted(a) === sorted(b))));
  });

  test.each<[string, unknown, unknown]>([
    ['a key more', { a: 1 }, { a: 1, b: 2 }],
    ['a key less', { a: 1, b: 2 }, { a: 1 }],
    ['another key', { a: undefined }, { b: undefined }],
    ['a list and what has its keys', [1], { 0: 1 }],
    ['what has a list’s keys and the list', { 0: 1 }, [1]],
    ['a longer list', [1, 2], [1]],
    ['nothing and an empty thing', null, {}],
    ['a deeper difference', { a: [{ b: 1 }] }, { a: [{ b: 2 }] }],
  ])('not %s', (_what, a, b) => {
    expect(sameValue(a, b)).toBe(false);
    expect(sameValue(b, a)).toBe(false);
  });
});
