import { beforeAll, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import { FORMATS } from '../frame/formats';
import type { TextLayer } from '../model/template';
import { testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import type { LayoutDifference } from './layoutDifferences';
import { layoutDifferences } from './layoutDifferences';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

/** What differs when the words of a layer are set in another face. */
function between(words: string, from: string, to: string, more: Partial<TextLayer> = {}): LayoutDifference[] {
  const layer = testText('name', words, more);
  const set = (face: string) => {
    const layers = [{ ...layer, style: { ...layer.style, face } }, testBox('panel')];
    return { layers, title: compile(testTemplate(layers), {}, FORMATS.get('wide-1080'), fonts) };
  };
  const before = set(from);
  return layoutDifferences(before.layers, before.title, set(to).title);
}

test('nothing differs in the same face, nor by less than is seen', () => {
  expect(between('Ilse Marrow', 'fraunces', 'fraunces')).toEqual([]);
});

test('a wider face says how much wider, and what is done to fit in it', () => {
  const [width, ...others] = between('Ilse Marrow', 'barlow-condensed', 'hanken-grotesk');
  expect(others).toEqual([]);
  expect(width).toMatchObject({ layerId: 'name', layerName: 'name', kind: 'width' });
  expect(width.kind === 'width' && width.share).toBeGreaterThan(1.2);
  const long = 'Bartholomew Quillfeather-Oduya of the Weirs';
  const steps = [{ kind: 'shrink', minSizeU: 4 }] as const;
  const told = between(long, 'barlow-condensed', 'hanken-grotesk', { whenLong: steps, maxWidthShare: 0.55 });
  expect(told.map(({ kind }) => kind)).toContain('fitted');
  const fitted = told.find(({ kind }) => kind === 'fitted');
  expect(fitted).toMatchObject({ now: [{ kind: 'shrunk' }] });
});

test('what no longer fits comes first, and the way back says that it fits now', () => {
  const more = { whenLong: [], maxWidthShare: 0.5 };
  const words = 'Lanterns on the Upper Weirs';
  const width = between(words, 'barlow-condensed', 'hanken-grotesk', { ...more, maxWidthShare: 2 });
  expect(width.map(({ kind }) => kind)).toEqual(['width']);
  const there = between(words, 'barlow-condensed', 'hanken-grotesk', more);
  const back = between(words, 'hanken-grotesk', 'barlow-condensed', more);
  expect(there[0]).toMatchObject({ kind: 'overflow', fitsNow: false });
  expect(back[0]).toMatchObject({ kind: 'overflow', fitsNow: true });
});
