import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { SAMPLE_TEXTS, sampleValues } from '@/core/document/sampleTexts';
import { parseTemplate } from '@/core/document/templateSchema';
import { FORMATS } from '@/core/layout/formats';
import { layoutTrouble } from '@/core/proof/layoutTrouble';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { serverFonts } from '@/server/fontFiles';
import { contactSheet, SHEET_FORMATS } from './contactSheet';
import { DEMO_TEMPLATES } from './templates';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const cases = DEMO_TEMPLATES.map((template) => [template.name, template] as const);
// A text that is cut says so, which is right for the longest samples.
const ALLOWED = /^text is cut$/;

describe('every demo template', () => {
  test.each(cases)('%s is a valid document', (_name, template) => {
    expect(parseTemplate(template)).toEqual(template);
  });

  test.each(cases)('%s is right in every format with every sample text', (_name, template) => {
    const wrong = SHEET_FORMATS.flatMap((format) =>
      SAMPLE_TEXTS.flatMap((sample) => {
        const title = compile(template, sampleValues(template, sample.id), FORMATS.get(format), fonts);
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
const golden = (name: string): string =>
  join(import.meta.dirname, 'golden', `${name.toLowerCase().replaceAll(' ', '-')}.png`);

/** The share of pixels that differ by more than a rounding of the raster library could. */
function share(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let differ = 0;
  for (let i = 0; i < a.length; i += 4) {
    if (Math.max(Math.abs(a[i] - b[i]), Math.abs(a[i + 1] - b[i + 1]), Math.abs(a[i + 2] - b[i + 2])) > 6)
      differ++;
  }
  return differ / (a.length / 4);
}

describe('golden sheets, each of which was looked at', () => {
  test.each(cases)('%s still looks like its sheet', async (name, template) => {
    const sheet = contactSheet(template, fonts, { pictures: false, tileAreaPx: GOLDEN_TILE_PX });
    const file = golden(name);
    if (process.env.NEW_GOLDEN === 'yes') writeFileSync(file, sheet.toBuffer('image/png'));
    const kept = await loadImage(readFileSync(file));
    expect([kept.width, kept.height]).toEqual([sheet.width, sheet.height]);
    const old = createCanvas(kept.width, kept.height).getContext('2d');
    old.drawImage(kept, 0, 0);
    const pixels = (context: typeof old): Uint8ClampedArray =>
      context.getImageData(0, 0, kept.width, kept.height).data;
    expect(share(pixels(sheet.getContext('2d')), pixels(old))).toBeLessThan(0.0005);
  });
});
