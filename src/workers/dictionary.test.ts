import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { Dictionaries } from './dictionary';

const shipped = (name: string): Promise<string> => {
  const [language, ending] = name.split('.');
  return Promise.resolve(readFileSync(`node_modules/dictionary-${language}/index.${ending}`, 'utf8'));
};

describe('English', () => {
  const dictionaries = new Dictionaries(shipped);
  beforeAll(() => dictionaries.load([]));

  test.each(['harbour', 'harbor', 'Weirs', 'it’s', 'low-water', 'steward'])('“%s” is right', (word) => {
    expect(dictionaries.correct(word, 'und')).toBe(true);
    expect(dictionaries.correct(word, 'en-GB')).toBe(true);
  });

  test.each([
    ['stewrad', 'steward'],
    ['recieve', 'receive'],
    ['ferrry', 'ferry'],
    ['lanterm', 'lantern'],
  ])('“%s” is wrong, and “%s” is proposed', (wrong, right) => {
    expect(dictionaries.correct(wrong, 'en')).toBe(false);
    expect(dictionaries.suggest(wrong, 'en')).toContain(right);
  });

  test('a word that is like none gets no proposal', () => {
    expect(dictionaries.suggest('qzxvvk', 'en')).toEqual([]);
  });
});

describe('other languages', () => {
  test.each([
    ['es', 'navegación', 'navegasión'],
    ['nl', 'sluiswachter', 'sluiswachtre'],
    ['el', 'ποτάμι', 'ποτάμμι'],
  ])('%s has its own dictionary: “%s”, not “%s”', async (language, right, wrong) => {
    const dictionaries = new Dictionaries(shipped);
    await dictionaries.load([`${language}-XX`]);
    expect(dictionaries.languages).toEqual(['en', language]);
    expect(dictionaries.correct(right, language)).toBe(true);
    expect(dictionaries.correct(wrong, language)).toBe(false);
    expect(dictionaries.suggest(wrong, language)).toContain(right);
  });

  test('one that is not shipped is not asked for', async () => {
    const dictionaries = new Dictionaries(shipped);
    await dictionaries.load(['hi', 'ar']);
    expect(dictionaries.languages).toEqual(['en']);
  });

  test('one that cannot be fetched is as one that is not here, and is tried again', async () => {
    let away = true;
    const dictionaries = new Dictionaries((name) =>
      away && name.startsWith('es') ? Promise.reject(new Error('away')) : shipped(name),
    );
    await dictionaries.load(['es']);
    expect(dictionaries.languages).toEqual(['en']);
    away = false;
    await dictionaries.load(['es']);
    expect(dictionaries.languages).toEqual(['en', 'es']);
  });

  test('none counts as that of words whose language nobody named', async () => {
    const dictionaries = new Dictionaries((name) =>
      name.startsWith('en') ? Promise.reject(new Error('away')) : shipped(name),
    );
    await dictionaries.load(['es']);
    expect(dictionaries.languages).toEqual([]);
    expect(dictionaries.correct('navegasión', 'und')).toBe(true);
  });
});
