import { expect, test } from '@jest/globals';
import type { NameFacts } from './namePattern';
import { nameApart, parseFolderPattern, parseNamePattern, USUAL_FOLDERS, USUAL_NAMES } from './namePattern';

const FACTS: NameFacts = {
  number: '004',
  words: 'Téo Vance: “on air”',
  in: '10:00:25:12',
  template: 'Tideline strap',
  edition: '3',
  project: 'Morning / Harbour',
  delivery: 'Master',
  size: '1920x1080',
  rate: '25p',
  id: 'Ab_9',
};

test.each([
  [USUAL_NAMES, '004-téo-vance-on-air'],
  ['{project}_{number}.{in}', 'morning-harbour_004.10-00-25-12'],
  ['OSIER {template} e{edition}', 'OSIER tideline-strap e3'],
  ['{size}-{rate}', '1920x1080-25p'],
  // What no file system takes is a hyphen.
  ['a/b\\c:d*e?{number}', 'a-b-c-d-e-004'],
  ['..{number}..', '004'],
])('%s becomes %s', (pattern, name) => {
  expect(parseNamePattern(pattern)(FACTS)).toBe(name);
});

test('what is empty takes no separator with it, and nothing at all is a title', () => {
  const bare = { ...FACTS, words: '', delivery: '  ' };
  expect(parseNamePattern('{number}-{words}-{delivery}-{rate}')(bare)).toBe('004-25p');
  expect(parseNamePattern('{words}')(bare)).toBe('title');
});

test('names stay short, and none is a device', () => {
  const long = { ...FACTS, words: 'x'.repeat(400), project: 'y'.repeat(400), template: 'z'.repeat(400) };
  const name = parseNamePattern('{project}{words}{template}{words}')(long);
  expect(name).toHaveLength(120);
  expect(parseNamePattern('{words}')({ ...FACTS, words: 'CON' })).toBe('con-title');
});

test.each([
  ['plain', 'a pattern with a token'],
  ['{nummer}', '{nummer}'],
  ['{number', '{'],
  ['{}', '{}'],
  ['{number}'.repeat(40), 'at most 200 letters'],
])('%s is refused with what is wrong', (pattern, words) => {
  expect(() => parseNamePattern(pattern)).toThrow(words);
});

test('names that are alike get figures, also where only their case differs', () => {
  expect(nameApart(['a', 'A', 'b', 'a', 'a-2'])).toEqual({
    names: ['a', 'A-2', 'b', 'a-3', 'a-2-2'],
    alike: 3,
  });
  expect(nameApart(['a', 'b']).alike).toBe(0);
});

test.each([
  [USUAL_FOLDERS, 'morning-harbour/master/mov-prores'],
  ['Titles of {project}/{size}', 'Titles of morning-harbour/1920x1080'],
  // Nothing leads out of where it begins, and what is empty is no folder.
  ['../../{project}', 'morning-harbour'],
  ['/etc/{kind}', 'etc/mov-prores'],
  ['a\\..\\b/./ /c', 'a-b/c'],
  ['con/{kind}', 'con-title/mov-prores'],
  ['', ''],
])('the folders %s become %s', (pattern, folders) => {
  const facts = { ...FACTS, kind: 'mov-prores' };
  expect(parseFolderPattern(pattern)(facts)).toBe(folders);
});

test('a token that only files have is none of folders', () => {
  expect(() => parseFolderPattern('{project}/{words}')).toThrow('{words}');
});
