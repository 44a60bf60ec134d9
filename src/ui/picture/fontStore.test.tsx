import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { makeFont } from '@/server/faces/testing/makeFont';
import type { FaceFile } from '@/core/faces/faceFile';
import { FACES, knowOwnFaces } from '@/core/faces/faces';
import { fallbackFaces } from '@/core/faces/fallback';
import { faceFile } from '@/core/testing';
import type { House } from '@/core/model/house';
import { FIRST_HOUSE } from '@/core/model/house';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { jsonAnswer } from '../shared/forTest';
import { loadFonts, loadFontsFor, onFonts, refreshFonts } from './fontStore';

const before = globalThis.fetch;
const fonts: Record<string, Buffer> = {
  marrow: makeFont({ family: 'Marrow Sans', advance: 700 }),
  reach: makeFont({ family: 'Reach', advance: 800 }),
};
const fileOf = (id: string, family: string): FaceFile => faceFile({ id, family });
let list: readonly FaceFile[] = [fileOf('marrow', 'Marrow Sans'), fileOf('reach', 'Reach')];
let house: House = FIRST_HOUSE;
/** The own font files that were asked for. */
const asked: string[] = [];

beforeAll(() => {
  globalThis.fetch = (input) => {
    const url = String(input);
    if (url === '/api/house') return Promise.resolve(jsonAnswer(200, { document: house }));
    if (url === '/api/fonts') return Promise.resolve(jsonAnswer(200, list));
    const own = /^\/api\/fonts\/(\w+)$/.exec(url)?.[1];
    if (own !== undefined) asked.push(own);
    const file = url.startsWith('/fonts/') ? join('public', url) : new URL(url, 'file:');
    const bytes = own === undefined ? readFileSync(file) : fonts[own];
    if (bytes === undefined) return Promise.resolve({ ok: false } as Response);
    const arrayBuffer = (): Promise<ArrayBuffer> => Promise.resolve(Uint8Array.from(bytes).buffer);
    return Promise.resolve({ ok: true, arrayBuffer } as Response);
  };
});
afterAll(() => {
  globalThis.fetch = before;
  knowOwnFaces([]);
});

const words = { rightToLeft: false, script: 'Latn', language: 'und', features: [] };
const advance = (library: FontLibrary, face: string): number =>
  library.font(face, 400).shape('M', 0, 1, words)[0].advance;

test('of the House only what words are set in is fetched, once, and everything is set again then', async () => {
  const library = await loadFonts();
  expect(FACES.find('own-marrow-sans')?.label).toBe('Marrow Sans');
  expect(asked).toEqual([]);
  const came = new Promise<FontLibrary>((resolve) => onFonts(resolve));
  // Another stands in meanwhile, however often it is asked for.
  for (let i = 0; i < 5; i++) expect(advance(library, 'own-marrow-sans')).not.toBe(700);
  const next = await came;
  expect(next).not.toBe(library);
  expect(advance(next, 'own-marrow-sans')).toBe(700);
  expect(asked).toEqual(['marrow']);
});

test('what is needed before anything is laid out is waited for', async () => {
  const library = await loadFontsFor(['own-reach', 'own-marrow-sans', 'barlow-condensed', 'own-nowhere']);
  expect([advance(library, 'own-reach'), advance(library, 'own-marrow-sans')]).toEqual([800, 700]);
  expect(asked).toEqual(['marrow', 'reach']);
  expect(await loadFontsFor(['own-reach'])).toBe(library);
});

test('nothing is set again while the House has the same fonts; one that goes is known no more', async () => {
  let times = 0;
  const stop = onFonts(() => (times += 1));
  await refreshFonts();
  expect(times).toBe(0);
  list = [fileOf('reach', 'Reach')];
  await refreshFonts();
  expect(times).toBe(1);
  expect(FACES.find('own-marrow-sans')).toBeUndefined();
  stop();
});

test('everything is set again when the House names other fonts for what a font lacks, and not otherwise', async () => {
  let times = 0;
  const stop = onFonts(() => (times += 1));
  house = { ...house, fallbacks: [{ script: 'Thai', faces: ['own-reach'] }] };
  await refreshFonts();
  await refreshFonts();
  expect(times).toBe(1);
  expect(fallbackFaces('Thai')[0]).toBe('own-reach');
  house = FIRST_HOUSE;
  await refreshFonts();
  expect(times).toBe(2);
  expect(fallbackFaces('Thai')[0]).toBe('noto-sans-thai');
  stop();
});

test('a file that did not come is not asked for at every layout, but again after a while', async () => {
  list = [...list, fileOf('late', 'Late')];
  await refreshFonts();
  jest.useFakeTimers();
  await expect(loadFontsFor(['own-late'])).rejects.toThrow();
  await expect(loadFontsFor(['own-late'])).rejects.toThrow();
  expect(asked.filter((id) => id === 'late')).toHaveLength(1);
  fonts.late = makeFont({ family: 'Late', advance: 650 });
  jest.advanceTimersByTime(5000);
  expect(advance(await loadFontsFor(['own-late']), 'own-late')).toBe(650);
  jest.useRealTimers();
});

test('who asks for a file that another is waiting for has it when it came, whatever else that one waits for', async () => {
  list = [...list, fileOf('quick', 'Quick'), fileOf('slow', 'Slow')];
  fonts.quick = makeFont({ family: 'Quick', advance: 610 });
  fonts.slow = makeFont({ family: 'Slow', advance: 620 });
  await refreshFonts();
  const { fetch } = globalThis;
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  globalThis.fetch = async (input) => {
    if (String(input) === '/api/fonts/slow') await held;
    return fetch(input);
  };
  const both = loadFontsFor(['own-quick', 'own-slow']);
  expect(advance(await loadFontsFor(['own-quick']), 'own-quick')).toBe(610);
  release();
  expect(advance(await both, 'own-slow')).toBe(620);
  globalThis.fetch = fetch;
});
