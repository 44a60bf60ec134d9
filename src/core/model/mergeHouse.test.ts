import { expect, test } from '@jest/globals';
import { FIRST_CAPTIONS } from './captions';
import { FIRST_HOUSE } from './house';
import { mergeHouse } from './mergeHouse';

test('figures of captions and the language are as the one that changed them has them', () => {
  const captions = { ...FIRST_CAPTIONS, charactersPerLine: 37 };
  const mine = { ...FIRST_HOUSE, captions };
  const theirs = { ...FIRST_HOUSE, language: 'cy', captions: { ...FIRST_CAPTIONS, gapFrames: 3 } };
  const merged = mergeHouse(FIRST_HOUSE, mine, theirs);
  expect(merged.captions).toEqual({ ...FIRST_CAPTIONS, charactersPerLine: 37, gapFrames: 3 });
  expect(merged.language).toBe('cy');
  expect(mergeHouse(theirs, { ...theirs, language: undefined }, theirs).language).toBeUndefined();
  // Where nobody says anything, nothing is said.
  expect('captions' in mergeHouse(FIRST_HOUSE, FIRST_HOUSE, FIRST_HOUSE)).toBe(false);
});
