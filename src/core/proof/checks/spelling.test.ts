import { describe, expect, test } from '@jest/globals';
import { of, prove, title } from '../../../../demo/testing/prove';
import { newClip } from '../../model/project';
import type { Field, Template } from '../../model/template';
import { place, testTemplate, testText } from '../../testing';
import { dictionaryOf } from '../speller';
import type { Speller } from '../speller';

const WORDS: Readonly<Record<string, string>> = {
  en: 'lockkeeper of the boats and at river job',
  fr: 'gardienne du barrage et de l’eau la rivière',
  el: 'κυβερνήτης του ποταμιού',
  ru: 'смотритель шлюза на реке',
};
const spelling: Speller = {
  languages: Object.keys(WORDS),
  correct: (word, language) =>
    (WORDS[dictionaryOf(spelling, language) ?? ''] ?? '').split(' ').includes(word.toLowerCase()),
  suggest: () => [],
};
const clips = [newClip({ id: 'a', picture: '#101418', startFrame: 0, lengthFrames: 1200 })];
const template = (label: string, language?: string): Template => {
  const field: Field = {
    ...{ id: 'line', label, kind: 'text', help: '', required: false, section: '', automatic: null },
    targets: [{ layerId: 'line', path: 'text' }],
    limits: {},
    ...(language === undefined ? {} : { language }),
  };
  const text = testText('line', 'Osier', { place: place({ target: { kind: 'titleSafe' } }) });
  return testTemplate([text], { fields: [field] });
};
const told = async (words: string, language: string, of_ = template('Role')): Promise<string[]> => {
  const titles = [title({ line: words }, { lengthFrames: 900 })];
  const found = await prove({ titles, template: of_, clips, spelling, plan: { language }, only: 'spelling' });
  return of(found, 'spelling').map(({ message }) => message);
};

describe('a word that is misspelt', () => {
  test.each([
    ['en', 'Lockeeper of the boats', '“Lockeeper”?'],
    ['en-GB', 'lockkeeper off the boats', '“off”?'],
    ['fr', 'Gardienne du barage', '“barage”?'],
    ['el', 'Κυβερνήτης του ποταμμιού', '“ποταμμιού”?'],
    ['ru', 'Смотритель шлюзаа', '“шлюзаа”?'],
    // Of a language that nobody named.
    ['und', 'Lockeeper', '“Lockeeper”?'],
  ])('is told in %s: %s', async (language, words, message) => {
    expect(await told(words, language)).toEqual([message]);
  });

  test('is looked up in the language of its field, whatever that of the project', async () => {
    expect(await told('Gardienne du barrage', 'en', template('Role', 'fr'))).toEqual([]);
    expect(await told('Gardienne du barrage', 'en')).not.toEqual([]);
  });

  test('is told of a job title, and not of names', async () => {
    expect(await told('lockeeper', 'en', template('Job title'))).toEqual(['“lockeeper”?']);
    for (const label of ['Name', 'Boat name', 'Speaker', 'Place', 'Title', 'Nom', 'Имя'])
      expect(await told('bickerstaith', 'en', template(label))).toEqual([]);
  });
});

describe('a word that is right, or that no dictionary has to know', () => {
  test.each([
    ['en', 'Lockkeeper of the boats'],
    ['en', 'Lockkeeper at Bickerstaith'],
    ['en', 'Bickerstaith Quay'],
    ['en', 'BBKT and the boats'],
    ['fr', 'Gardienne du barrage et de l’eau'],
    ['fr', 'Gardienne d’Osier'],
    ['ru', 'Смотритель шлюза на Озерке'],
    ['el', 'Κυβερνήτης του Οζιέρ'],
    ['en', '12 – 14:30'],
  ])('is not told in %s: %s', async (language, words) => {
    expect(await told(words, language)).toEqual([]);
  });
});

describe('what there is no dictionary for', () => {
  test.each([
    ['hi', 'नाव चालक'],
    ['de', 'schleusenwärterin'],
    ['en', 'مرشدة المد'],
    ['ru', 'смотритель lockkeeper'],
  ])('is not looked at in %s: %s', async (language, words) => {
    expect(await told(words, language)).toEqual(['spelling not looked at']);
  });
});
