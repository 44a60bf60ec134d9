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

test('fallback fonts of different scripts come together; of one script those of here count', () => {
  const says = (...fallbacks: [string, string][]) => ({
    ...FIRST_HOUSE,
    fallbacks: fallbacks.map(([script, face]) => ({ script, faces: [face] })),
  });
  const base = says(['Grek', 'alegreya']);
  const mine = says(['Grek', 'fraunces'], ['Latn', 'fraunces']);
  const theirs = says(['Grek', 'archivo'], ['Thai', 'alegreya']);
  expect(
    mergeHouse(base, mine, theirs).fallbacks?.toSorted((a, b) => (a.script < b.script ? -1 : 1)),
  ).toEqual([
    { script: 'Grek', faces: ['fraunces'] },
    { script: 'Latn', faces: ['fraunces'] },
    { script: 'Thai', faces: ['alegreya'] },
  ]);
  expect('fallbacks' in mergeHouse(FIRST_HOUSE, FIRST_HOUSE, FIRST_HOUSE)).toBe(false);
});
