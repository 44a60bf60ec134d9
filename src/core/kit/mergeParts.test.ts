import { describe, expect, test } from '@jest/globals';
import { mergeEntry, mergeList } from './mergeParts';

describe('two lists', () => {
  const one = (id: string, value = 0): { id: string; value: number } => ({ id, value });
  const merge = (mine: ReturnType<typeof one>[], theirs: ReturnType<typeof one>[]): string[] =>
    mergeList([one('a'), one('b')], mine, theirs, (_, here) => here).map(({ id, value }) => `${id}${value}`);

  test('what either adds is there, what either removes is gone', () => {
    expect(merge([one('a'), one('b'), one('m')], [one('a'), one('t')])).toEqual(['a0', 'm0', 't0']);
  });

  test('what was changed here is not taken away by the other, nor the other way round', () => {
    expect(merge([one('a', 1), one('b')], [one('b')])).toEqual(['a1', 'b0']);
    expect(merge([one('b')], [one('a', 1), one('b')])).toEqual(['b0', 'a1']);
    expect(merge([one('a', 1), one('b')], [one('a', 2), one('b', 3)])).toEqual(['a1', 'b3']);
  });
});

test('an entry that two changed has what each of them changed, and this one’s where both did', () => {
  const base = { id: 'c', label: 'Weir', startFrame: 0, lengthFrames: 50 };
  const mine = { ...base, label: 'Upper weir', lengthFrames: 60 };
  const theirs = { ...base, lengthFrames: 70, startFrame: 9 };
  expect(mergeEntry(base, mine, theirs)).toEqual({ ...mine, startFrame: 9 });
});
