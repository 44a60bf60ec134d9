import { afterEach, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { serverFonts } from '../../server/fontFiles';
import { makeFont } from '../../server/faces/testing/makeFont';
import { DEFAULT_FACE_ID, knowOwnFaces } from '../faces/faces';
import { ownFaces } from '../faces/ownFaces';
import { FORMATS } from '../frame/formats';
import type { Layer, Template } from '../model/template';
import { RATES } from '../time/rates';
import { designFrames, stretchTiming } from '../titleTime/stretch';
import type { FontLibrary } from '../text/fontLibrary';
import { faceFile } from '../testing';
import { compile } from './compile';
import { sayNote } from './layerNotes';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = (await serverFonts()).with(
    new Map([['square', makeFont({ family: 'Marrow Sans', letters: 'Ilse Marow', advance: 500 })]]),
  );
});
afterEach(() => knowOwnFaces([]));

const MARROW = faceFile({ id: 'square' });
const [words] = tidelineStrap.layers.filter((layer) => layer.kind === 'text');
/** A template of one text in a face. */
const setIn = (face: string, text = 'Ilse Marrow'): Template => ({
  ...tidelineStrap,
  fields: [],
  overrides: [],
  layers: [{ ...words, runs: [{ text }], style: { ...words.style, face, tracking: 0 } } as Layer],
});
const RATE = RATES.get(tidelineStrap.rate);
const TIMING = stretchTiming(tidelineStrap.timing, designFrames(tidelineStrap.timing, RATE), RATE);
const laidOut = (template: Template) => compile(template, {}, FORMATS.get('wide-1080'), fonts);
const said = (template: Template): string[] => laidOut(template).notes.map(sayNote);

test('a font that is not here is told, and the default one stands in until the House has it', () => {
  const [note, ...others] = said(setIn('own-marrow-sans'));
  expect(note).toMatch(/asks for the font "own-marrow-sans", which is not here; Barlow Condensed stands in/);
  expect(others).toEqual([]);
  const plain = laidOut(setIn(DEFAULT_FACE_ID)).frame(2, TIMING);
  expect(laidOut(setIn('own-marrow-sans')).frame(2, TIMING).items).toEqual(plain.items);
  knowOwnFaces(ownFaces([MARROW]));
  expect(said(setIn('own-marrow-sans'))).toEqual([]);
  expect(laidOut(setIn('own-marrow-sans')).frame(2, TIMING).items).not.toEqual(plain.items);
});

test('what a font of the House lacks is set in another, and that is told', () => {
  knowOwnFaces(ownFaces([MARROW]));
  expect(said(setIn('own-marrow-sans', 'Marrow & Kiln'))).toEqual([
    expect.stringMatching(/has characters from Hanken Grotesk, since its own font lacks them/),
  ]);
});
