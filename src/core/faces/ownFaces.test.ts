import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, test } from '@jest/globals';
import type { FaceFile } from './faceFile';
import { countLetters, lettersOf, mayTravel } from './faceFile';
import { makeFont } from '../../server/faces/testing/makeFont';
import { faceFile } from '../testing';
import { loadFontLibrary } from '../text/fontLibrary';
import { DEFAULT_FACE_ID, FACES, fontFileNames, italicOf, knowOwnFaces, nearestWeight } from './faces';
import { fallbackFaces } from './fallback';
import { ownFaceId, ownFaces, placeOf } from './ownFaces';

afterEach(() => knowOwnFaces([]));

const file = (more: Partial<FaceFile>): FaceFile =>
  faceFile({ letters: { Greek: 24, Latin: 60, Cyrillic: 3 }, features: ['frac', 'tnum'], ...more });

describe('files make up faces', () => {
  test('by family and slope, each with its weights', () => {
    const made = ownFaces([
      file({ id: 'bold', weight: 700, features: ['tnum'] }),
      file({ id: 'regular' }),
      file({ id: 'slanted', italic: true }),
      file({ id: 'spare', weight: 900, inUse: false }),
    ]);
    expect(made).toEqual([
      {
        id: 'own-marrow-sans',
        label: 'Marrow Sans',
        files: { 400: 'regular', 700: 'bold' },
        scripts: ['Latin', 'Greek'],
        licence: 'not said',
        // What one of its files lacks a style cannot ask for.
        features: ['tnum'],
        options: [],
        own: true,
      },
      expect.objectContaining({
        id: 'own-marrow-sans-italic',
        label: 'Marrow Sans Italic',
        files: { 400: 'slanted' },
        italicOf: 'own-marrow-sans',
      }),
    ]);
  });

  test('offers the axes that all of its files have, and that a style can say', () => {
    const axis = (tag: string) => ({ tag, name: tag, least: 0, usual: 0, most: 1 });
    const many = Array.from({ length: 30 }, (_, i) => axis(`AX${String(i).padStart(2, '0')}`));
    const tags = (...files: FaceFile[]) => ownFaces(files)[0].moreAxes?.map(({ tag }) => tag);
    expect(tags(file({ axes: [axis('A B '), axis('wdth'), axis('SOFT')] }))).toEqual(['SOFT']);
    expect(
      tags(
        file({ id: 'a', axes: [axis('SOFT'), axis('opsz')] }),
        file({ id: 'b', weight: 700, axes: [axis('opsz')] }),
      ),
    ).toEqual(['opsz']);
    expect(tags(file({ axes: many }))).toHaveLength(16);
    expect(tags(file({ axes: [axis('wght')] }))).toBeUndefined();
  });

  test('a variable one is the whole face, with the ranges of its axes', () => {
    const axis = (tag: string, least: number, most: number) => ({
      tag,
      name: tag,
      least,
      usual: least,
      most,
    });
    const [face] = ownFaces([
      file({ id: 'single', weight: 700 }),
      file({ id: 'all', axes: [axis('wght', 250, 820), axis('opsz', 8, 144)] }),
    ]);
    expect(face.files).toEqual({ 400: 'all' });
    expect(face.axes).toEqual({ weight: [250, 820], width: [100, 100] });
    expect(nearestWeight(face, 900)).toBe(820);
  });

  test('the id is the same wherever the family is taken in, and short enough', () => {
    expect(ownFaceId({ family: 'MARROW  sans', italic: false })).toBe('own-marrow-sans');
    expect(ownFaceId({ family: 'M'.repeat(200), italic: true }).length).toBeLessThanOrEqual(64);
    expect(ownFaceId({ family: '✳︎', italic: false })).toMatch(/^own-[\w-]+$/);
  });

  test('only files of one family, weight and slope stand in one place', () => {
    const places = [file({}), file({ weight: 700 }), file({ italic: true }), file({ family: 'Reach' })].map(
      placeOf,
    );
    expect(new Set(places).size).toBe(4);
    expect(placeOf(file({ version: '2.0', id: 'b' }))).toBe(places[0]);
  });
});

describe('faces that the House took in', () => {
  test('are known until others are, and never stand in for others', () => {
    const before = FACES.list;
    knowOwnFaces(ownFaces([file({}), file({ italic: true, id: 'i' })]));
    expect(FACES.get('own-marrow-sans').own).toBe(true);
    expect(italicOf('own-marrow-sans')).toBe('own-marrow-sans-italic');
    expect(fallbackFaces('Latn')).not.toContain('own-marrow-sans');
    expect(fontFileNames().first).not.toContain('a'.repeat(64));
    knowOwnFaces([]);
    expect(FACES.find('own-marrow-sans')).toBeUndefined();
    expect(FACES.list).toEqual(before);
  });

  test('the list stays the same object while nothing in it changes', () => {
    knowOwnFaces(ownFaces([file({})]));
    const before = FACES.list;
    knowOwnFaces(ownFaces([file({})]));
    expect(FACES.list).toBe(before);
  });

  test('one with the name of a shipped face can be told from it', () => {
    knowOwnFaces(ownFaces([file({ family: 'Alegreya' })]));
    expect(FACES.get('own-alegreya').label).toBe('Alegreya (own)');
  });
});

test('letters are counted by script; figures and signs belong to none', () => {
  const letters = countLetters([...'abcαβ12 ,!ع'].map((c) => c.codePointAt(0) ?? 0));
  expect(lettersOf({ letters })).toEqual([
    ['Latin', 3],
    ['Greek', 2],
    ['Arabic', 1],
  ]);
});

test.each([
  ['installable', true],
  ['editable', true],
  ['preview', false],
  ['restricted', false],
] as const)('a font whose permission is %s travels: %s', (permission, travels) => {
  expect(mayTravel({ permission })).toBe(travels);
});

describe('a library of fonts', () => {
  const words = { rightToLeft: false, script: 'Latn', language: 'und', features: [] };

  test('has the default face stand in for one whose file is not here, tells of it, and has it once it came', async () => {
    const shipped = new Map(
      fontFileNames().first.map((name) => [
        name,
        readFileSync(join(import.meta.dirname, '../../../public/fonts', name)),
      ]),
    );
    const missed: string[] = [];
    const library = await loadFontLibrary(shipped, (faceId) => missed.push(faceId));
    knowOwnFaces(ownFaces([file({ id: 'square' })]));
    const advance = (from: typeof library) =>
      from.font('own-marrow-sans', 400).shape('M', 0, 1, words)[0].advance;
    const standIn = library.font(DEFAULT_FACE_ID, 400).shape('M', 0, 1, words)[0].advance;
    expect(advance(library)).toBe(standIn);
    expect(missed).toEqual(['own-marrow-sans']);
    const more = library.with(new Map([['square', makeFont({ family: 'Marrow Sans', advance: 777 })]]));
    expect(more).not.toBe(library);
    expect([advance(more), advance(library)]).toEqual([777, 777]);
    expect(missed).toHaveLength(1);
    expect(() => library.with(new Map([['x', new Uint8Array(8)]]))).toThrow(
      /x is not a TrueType or OpenType font/,
    );
  });
});
