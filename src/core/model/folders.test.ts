import { describe, expect, test } from '@jest/globals';
import { allFolders, folderFault, folderNames, folderSchema, isWithinFolder, readFolder } from './folders';

describe('folders', () => {
  test.each([
    ['News', 'News'],
    ['  News /  Evening  edition/', 'News/Evening edition'],
    ['//', ''],
    ['', ''],
    ['समाचार/शाम', 'समाचार/शाम'],
  ])('%j is %j', (typed, folder) => {
    expect(readFolder(typed)).toBe(folder);
    expect(folderSchema.isValidSync(folder)).toBe(true);
    expect(folderSchema.isValidSync(typed)).toBe(typed === folder);
  });

  test('only so many lie in one another, and names are only so long', () => {
    expect(folderFault('a/b/c/d/e')).toBeNull();
    expect(folderFault('a/b/c/d/e/f')).toMatch(/at most 5 folders/);
    expect(folderFault('x'.repeat(40))).toBeNull();
    expect(folderFault(`a/${'x'.repeat(41)}`)).toMatch(/at most 40 characters/);
    expect(folderSchema.isValidSync('a/b/c/d/e/f')).toBe(false);
  });

  test('a folder lies in itself and in those before it, not in one that only begins alike', () => {
    expect(isWithinFolder('News/Evening', 'News')).toBe(true);
    expect(isWithinFolder('News', 'News')).toBe(true);
    expect(isWithinFolder('Newsroom', 'News')).toBe(false);
    expect(isWithinFolder('News', 'News/Evening')).toBe(false);
    expect(isWithinFolder('', 'News')).toBe(false);
    expect(isWithinFolder('News', '')).toBe(true);
  });

  test('all of them, those in between too, by name, each before what lies in it', () => {
    expect(allFolders(['News/Evening/Old', 'News 10', 'News 9', 'Alder', '', 'News/Evening'])).toEqual([
      'Alder',
      'News',
      'News/Evening',
      'News/Evening/Old',
      'News 9',
      'News 10',
    ]);
    expect(folderNames('News/Evening')).toEqual(['News', 'Evening']);
    expect(allFolders([''])).toEqual([]);
    // Names that differ in capitals only are two, in one order whoever comes first.
    expect(allFolders(['news', 'News'])).toEqual(allFolders(['News', 'news']));
  });
});
