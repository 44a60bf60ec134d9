import { beforeAll, describe, expect, test } from '@jest/globals';
import { serverFonts } from '../../server/fontFiles';
import type { Layer } from '../model/template';
import { FORMATS } from '../frame/formats';
import { newRowsLayer } from '../model/newLayers';
import { place, testBox, testTemplate, testText } from '../testing';
import type { FontLibrary } from '../text/fontLibrary';
import { compile } from '../timeline/compile';
import { sayNote } from '../timeline/layerNotes';
import { layoutTrouble } from './layoutTrouble';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const inside = place({ target: { kind: 'titleSafe' } });
const trouble = (layers: readonly Layer[], format = 'wide-1080'): string[] => {
  const template = testTemplate(layers);
  return layoutTrouble(template, compile(template, {}, FORMATS.get(format), fonts));
};

describe('the trouble of a layout', () => {
  test('is nothing where all texts lie in title safe; a shape may leave it', () => {
    expect(trouble([testText('name', 'Ilse Marrow', { place: inside }), testBox('panel')])).toEqual([]);
  });

  test('names the text that leaves title safe', () => {
    expect(trouble([testText('name', 'Ilse Marrow', { name: 'Name line', place: place({}) })])).toEqual([
      'Name line leaves title safe',
    ]);
  });

  test('says that a text is too wide when its steps are used up, and that one was cut', () => {
    const long = 'Bartholomew Quillfeather-Oduya of the Upper Weirs and Lantern Gates';
    const narrow = { maxWidthShare: 0.2, place: inside };
    expect(trouble([testText('name', long, { ...narrow, whenLong: [] })])).toContain('text too wide');
    expect(trouble([testText('name', long, { ...narrow, whenLong: [{ kind: 'cut' }] })])).toContain(
      'text is cut',
    );
  });

  test('goes by what was done, not by what a layer is called', () => {
    const name = 'the cut line';
    const squeezed = testText('name', 'Ilse Marrow', {
      name,
      place: inside,
      maxWidthShare: 0.12,
      whenLong: [{ kind: 'squeeze', minPercent: 20 }],
    });
    expect(compile(testTemplate([squeezed]), {}, FORMATS.get('wide-1080'), fonts).notes.map(sayNote)).toEqual(
      [expect.stringMatching(/^"the cut line" is squeezed to \d+ %$/)],
    );
    expect(trouble([squeezed])).toEqual([]);
  });

  test('says that rows were cut', () => {
    const rows = { ...newRowsLayer('rows', 'Rows'), place: inside, rows: 'a\nb\nc\nd', maxRows: 3 };
    expect(trouble([rows])).toContain('rows are cut');
    expect(trouble([{ ...rows, maxRows: 4 }])).not.toContain('rows are cut');
  });

  test('says that a character is missing', () => {
    expect(trouble([testText('name', 'Ilse \u{13000}', { place: inside })])).toContain(
      'a character is missing',
    );
  });

  test('depends on the format: what fits a wide one leaves a tall one', () => {
    const far = testText('name', 'Ilse Marrow', { place: place({ dxU: 1200, dyU: 500 }), name: 'Far' });
    expect(trouble([far])).toEqual([]);
    expect(trouble([far], 'tall-1080')).toEqual(['Far leaves title safe']);
  });
});
