import { readFileSync } from 'node:fs';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { create } from 'fontkit';
import { optionsOf } from '@/core/faces/faceOptions';
import type { FaceFacts } from '@/core/faces/faceFile';
import { DEFAULT_FACE_ID, FACES, knowOwnFaces } from '@/core/faces/faces';
import { ownFaces } from '@/core/faces/ownFaces';
import { bindLayer } from '@/core/layers';
import type { Property } from '@/core/layers/layerKind';
import { findProperty } from '@/core/layers';
import { FIRST_STYLE } from '@/core/model/newLayers';
import type { Layer, TextLayer, TextStyle } from '@/core/model/template';
import { parseTemplate } from '@/core/model/templateSchema';
import { testTemplate, testText } from '@/core/testing';
import type { FontLibrary, ShapingFont } from '@/core/text/fontLibrary';
import { layoutText } from '@/core/text/layoutText';
import { serverFonts } from '../fontFiles';
import { openFaceFile, stopFaces } from './openFaceFile';

let fonts: FontLibrary;
let facts: FaceFacts;
let bytes: Uint8Array;
const FILE = { id: 'soft-one', fileName: 'free.woff2', byteCount: 1, inUse: true };
beforeAll(async () => {
  const free = 'node_modules/@fontsource-variable/fraunces/files/fraunces-latin-full-normal.woff2';
  [{ facts, bytes }] = await openFaceFile(readFileSync(free), 'File "free.woff2"');
  fonts = (await serverFonts()).with(new Map([[FILE.id, bytes]]));
});
afterAll(stopFaces);
afterEach(() => knowOwnFaces([]));

/** The free font as a face of the House; gives its id. */
function takenIn(): string {
  const [face] = ownFaces([{ ...facts, ...FILE }]);
  knowOwnFaces([face]);
  return face.id;
}

function measured(font: ShapingFont, text: string): { readonly advance: number; readonly box: number[] } {
  const [glyph] = font.shape(text, 0, text.length, {
    rightToLeft: false,
    script: 'Latn',
    language: 'und',
    features: [],
  });
  const { coords } = font.outline(glyph.glyphId);
  const [xs, ys] = [0, 1].map((axis) => [...coords].filter((_, i) => i % 2 === axis));
  return {
    advance: glyph.advance,
    box: [Math.min(...xs), -Math.max(...ys), Math.max(...xs), -Math.min(...ys)],
  };
}

describe('axes', () => {
  test('are read with their names and their named places', () => {
    expect(facts.axes.map(({ tag, least, most }) => [tag, least, most])).toEqual([
      ['opsz', 9, 144],
      ['wght', 100, 900],
      ['SOFT', 0, 100],
      ['WONK', 0, 1],
    ]);
    expect(facts.axes.map(({ name }) => name)).toEqual(['Optical size', 'Weight', 'Softness', 'Wonky']);
  });

  test.each([
    { SOFT: 0, WONK: 0, opsz: 9, wght: 400 },
    { SOFT: 100, WONK: 0, opsz: 9, wght: 400 },
    { SOFT: 30, WONK: 1, opsz: 144, wght: 900 },
  ])('draw letters where another reader of fonts has them: %j', (at) => {
    const { wght, ...axes } = at;
    const ours = measured(fonts.font(takenIn(), wght, 100, axes), 'g');
    const other = create(Buffer.from(bytes));
    if (!('getVariation' in other)) throw new Error('not one font');
    const glyph = other.getVariation(at).glyphForCodePoint(0x67);
    const { minX, minY, maxX, maxY } = glyph.path.bbox;
    expect(Math.abs(ours.advance - glyph.advanceWidth)).toBeLessThan(1.5);
    [minX, minY, maxX, maxY].forEach((edge, i) => expect(Math.abs(ours.box[i] - edge)).toBeLessThan(6));
  });

  test('are settings of a text, kept to their ends, and lay it out anew', () => {
    const face = takenIn();
    let layer: Layer = testText('t', 'Osier', { style: { ...FIRST_STYLE, face } });
    const own = bindLayer(layer).properties.filter(({ path }) => path.startsWith('style.axes.'));
    expect(own.map(({ label, value }) => [label, value])).toEqual([
      ['Optical size', 9],
      ['Softness', 0],
      ['Wonky', 1],
    ]);
    const set = (path: string, value: number): void =>
      void (layer = findProperty(layer, path)?.with(value) ?? layer);
    set('style.axes.opsz', 900);
    set('style.axes.SOFT', 50);
    const { style } = layer as TextLayer;
    expect(style.axes).toEqual({ opsz: 144, SOFT: 50 });
    const width = (one: TextStyle): number =>
      layoutText(
        { runs: [{ text: 'Osier' }], style: one, align: 'left', wrapWidthU: Infinity, squeeze: 1 },
        fonts,
      ).width;
    expect(width(style)).toBeLessThan(width({ ...style, axes: { opsz: 9 } }));
    expect(parseTemplate(testTemplate([layer])).layers[0]).toEqual(layer);
    for (const axes of [{ opsz: 'wide' }, { 'a b': 1 }, { opsz: 1e9 }, 5]) {
      const odd = { ...testTemplate([]), layers: [{ ...layer, style: { ...style, axes } }] };
      expect(() => parseTemplate(odd)).toThrow(/axes/);
    }
  });

  test('beyond their ends are one font with what they end at', () => {
    const face = takenIn();
    const at = (opsz: number): ShapingFont => fonts.font(face, 400, 100, { opsz });
    expect(at(500)).toBe(at(144));
    expect(at(143)).not.toBe(at(144));
  });

  test('have a step of a hundredth or less', () => {
    const face = takenIn();
    const { properties } = bindLayer(testText('t', 'Osier', { style: { ...FIRST_STYLE, face } }));
    const step = (path: string): unknown => {
      const control = properties.find((one) => one.path === path)?.control;
      return control?.kind === 'number' && control.slides === true ? control.step : null;
    };
    expect(['SOFT', 'WONK', 'opsz'].map((tag) => step(`style.axes.${tag}`))).toEqual([1, 0.01, 1]);
  });
});

describe('named styles', () => {
  const property = (layer: Layer): Property => {
    const found = findProperty(layer, 'style.named');
    if (found === undefined) throw new Error('no named styles');
    return found;
  };

  test('say which one it is, and go there', () => {
    const layer = testText('t', 'Osier', {
      style: { ...FIRST_STYLE, face: 'archivo', weight: 400, width: 100 },
    });
    expect(property(layer).value).toBe('Regular');
    const black = property(layer).with('Black') as TextLayer;
    expect(black.style).toMatchObject({ weight: 900, width: 100 });
    expect(property({ ...black, style: { ...black.style, width: 80 } }).value).toBe('');
    expect(property({ ...black, style: { ...black.style, width: 80 } }).with('')).toMatchObject({
      style: { weight: 900, width: 80 },
    });
  });
});

describe('features', () => {
  test('of shipped faces are those that their files have, by the names that they give', async () => {
    for (const face of FACES.list)
      for (const name of Object.values(face.files)) {
        const [shipped] = await openFaceFile(readFileSync(`public/fonts/${name}`), name);
        expect([name, ...face.options]).toEqual([
          name,
          ...optionsOf(shipped.facts.features, shipped.facts.featureNames),
        ]);
        if (face.axes !== undefined) expect(face.styles).toEqual(shipped.facts.styles);
      }
  });

  test('change the glyphs of what is set while they are on', () => {
    const glyphs = (features: readonly string[]): number[] => {
      const style = { ...FIRST_STYLE, face: 'hanken-grotesk', features };
      const { lines } = layoutText(
        { runs: [{ text: 'against' }], style, align: 'left', wrapWidthU: Infinity, squeeze: 1 },
        fonts,
      );
      return lines[0].glyphs.map(({ glyphId }) => glyphId);
    };
    expect(glyphs(['ss01'])).not.toEqual(glyphs([]));
    expect(glyphs(['zzzz'])).toEqual(glyphs([]));
  });

  test('are switches of a text', () => {
    const layer = testText('t', 'Osier', { style: { ...FIRST_STYLE, face: 'alegreya' } });
    const on = findProperty(layer, 'style.features.ss01')?.with(true) as TextLayer;
    expect(findProperty(on, 'style.features.ss01')).toMatchObject({ label: 'Roman numerals', value: true });
    expect(parseTemplate(testTemplate([on])).layers[0]).toEqual(on);
    expect(findProperty(on, 'style.features.ss01')?.with(false)).toMatchObject({ style: { features: [] } });
    const odd = { ...on, style: { ...on.style, features: ['liga=0'] } };
    expect(() => parseTemplate(testTemplate([odd]))).toThrow(/features/);
  });

  test('without a name go by what they are, and two with one name by their tags', () => {
    expect(optionsOf(['ss02', 'kern', 'zero', 'cv11', 'ss03'], { ss03: 'Slashed zero' })).toEqual([
      { tag: 'zero', label: 'Slashed zero' },
      { tag: 'cv11', label: 'Character variant 11' },
      { tag: 'ss02', label: 'Stylistic set 2' },
      { tag: 'ss03', label: 'Slashed zero (ss03)' },
    ]);
  });

  test('of a face that is not here are not offered', () => {
    const layer = testText('t', 'Osier', { style: { ...FIRST_STYLE, face: DEFAULT_FACE_ID } });
    expect(findProperty(layer, 'style.features.ss01')).toBeUndefined();
  });
});
