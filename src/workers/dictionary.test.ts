import { readFileSync } from 'node:fs';
import { beforeAll, expect, test } from '@jest/globals';
import type { Speller } from '@/core/proof/speller';
import { createSpeller } from './dictionary';

let speller: Speller;
beforeAll(() => {
  const read = (name: string): string => readFileSync(`node_modules/dictionary-${name}`, 'utf8');
  speller = createSpeller(
    ['en-gb', 'en'].map((language) => ({
      aff: read(`${language}/index.aff`),
      dic: read(`${language}/index.dic`),
    })),
  );
});

test.each(['harbour', 'harbor', 'Weirs', 'it’s', 'low-water', 'steward'])('“%s” is right', (word) => {
  expect(speller.correct(word)).toBe(true);
});

test.each([
  ['stewrad', 'steward'],
  ['recieve', 'receive'],
  ['ferrry', 'ferry'],
  ['lanterm', 'lantern'],
])('“%s” is wrong, and “%s” is proposed', (wrong, right) => {
  expect(speller.correct(wrong)).toBe(false);
  expect(speller.suggest(wrong)).toContain(right);
});

test('a word that is like none gets no proposal', () => {
  expect(speller.suggest('qzxvvk')).toEqual([]);
});
