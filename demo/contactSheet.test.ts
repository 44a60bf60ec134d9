import { beforeAll, describe, expect, test } from '@jest/globals';
import { SAMPLE_TEXTS, sampleTemplate, sampleValues } from '@/core/edit/sampleTexts';
import { parseTemplate } from '@/core/model/templateSchema';
import { FORMATS } from '@/core/frame/formats';
import { layoutTrouble } from '@/core/proof/layoutTrouble';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { serverFonts } from '@/server/fontFiles';
import { contactSheet, SHEET_FORMATS } from './contactSheet';
import { differsFromGolden } from './golden';
import { DEMO_TEMPLATES } from './templates';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const cases = DEMO_TEMPLATES.map((template) => [template.name, template] as const);
// What is cut says so, which is right for the longest samples.
const ALLOWED = /^(text is|rows are) cut$/;

describe('every demo template', () => {
  test.each(cases)('%s is a valid document', (_name, template) => {
    expect(parseTemplate(template)).toEqual(template);
  });

  test.each(cases)('%s is right in every format with every sample text', (_name, template) => {
    const wrong = SHEET_FORMATS.flatMap((format) =>
      SAMPLE_TEXTS.flatMap((sample) => {
        const shown = sampleTemplate(template, sample.id);
        const title = compile(shown, sampleValues(template, sample.id), FORMATS.get(format), fonts);
        return layoutTrouble(template, title)
          .filter((words) => !ALLOWED.test(words))
          .map((words) => `${format}, ${sample.id}: ${words}`);
      }),
    );
    expect(wrong).toEqual([]);
  });
});

// Small and without pictures: these guard the layout and the painting; the sheets that are looked at are larger.
const GOLDEN_TILE_PX = 9_000;
describe('golden sheets, each of which was looked at', () => {
  test.each(cases)('%s still looks like its sheet', async (name, template) => {
    const sheet = contactSheet(template, fonts, { pictures: false, tileAreaPx: GOLDEN_TILE_PX });
    expect(await differsFromGolden(sheet, name.toLowerCase().replaceAll(' ', '-'))).toBeLessThan(0.0005);
  });
});
