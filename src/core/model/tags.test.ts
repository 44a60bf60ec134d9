import { expect, test } from '@jest/globals';
import { LONGEST_TAG, MOST_TAGS, readTags, tagsToText } from './tags';

test('tags are read as they are typed: each once, without empty ones, no longer and no more than there may be', () => {
  expect(readTags(' dusk, river ,,dusk,')).toEqual(['dusk', 'river']);
  expect(readTags('')).toEqual([]);
  const many = Array.from({ length: MOST_TAGS + 5 }, (_, i) => `t${i}`);
  expect(readTags(tagsToText(many))).toEqual(many.slice(0, MOST_TAGS));
  expect(readTags('a'.repeat(LONGEST_TAG + 9))).toEqual(['a'.repeat(LONGEST_TAG)]);
});
