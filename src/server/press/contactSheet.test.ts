import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { serverFonts } from '../fontFiles';
import type { SheetEntry } from './contactSheet';
import { contactSheetPdf } from './contactSheet';

/* The sheet as poppler reads and paints it. */
let folder: string;
let fonts: FontLibrary;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-sheet-'));
  fonts = await serverFonts();
});
afterAll(() => rmSync(folder, { recursive: true }));

function redPicture(): string {
  const canvas = createCanvas(160, 90);
  const context = canvas.getContext('2d');
  context.fillStyle = '#c81020';
  context.fillRect(0, 45, 160, 45);
  const path = join(folder, 'red.png');
  writeFileSync(path, canvas.toBuffer('image/png'));
  return path;
}

const entry = (number: string, words: string, picture: string | null): SheetEntry => ({
  number,
  words,
  times: '00:00:27:00 · 5.0 s',
  picture,
});

async function paintPage(pdf: Buffer, page: number): Promise<(x: number, y: number) => number[]> {
  const path = join(folder, 'sheet.pdf');
  writeFileSync(path, pdf);
  const to = join(folder, `page-${page}`);
  // A pixel a point.
  const asked = ['-r', '72', '-png', '-singlefile', '-f', String(page), '-l', String(page)];
  execFileSync('pdftoppm', [...asked, path, to]);
  const image = await loadImage(readFileSync(`${to}.png`));
  const context = createCanvas(image.width, image.height).getContext('2d');
  context.drawImage(image, 0, 0);
  return (x, y) => [...context.getImageData(x, y, 1, 1).data.subarray(0, 3)];
}

// What poppler makes of a picture that it shows smaller: a hundredth darker.
const RED = [0xc8, 0x10, 0x20];
function expectRed(colour: number[]): void {
  colour.forEach((value, i) => expect(Math.abs(value - RED[i])).toBeLessThanOrEqual(3));
}

test('pictures lie over grey in rows of four, numbers and words of every script below, twelve a page', async () => {
  const words = ['Ilse Marrow', 'نور الهلالي', 'सीमा घाटे', 'Ярослава Ивчук'];
  const entries = Array.from({ length: 13 }, (_, i) =>
    entry(
      String(i + 1).padStart(3, '0'),
      words[i % 4],
      i === 2 ? null : i === 5 ? join(folder, 'gone.png') : redPicture(),
    ),
  );
  const pdf = await contactSheetPdf({ heading: 'Thirteen titles', entries, shape: 16 / 9, fonts });
  const said = (writeFileSync(join(folder, 'a.pdf'), pdf), execFileSync('pdfinfo', [join(folder, 'a.pdf')]));
  expect(said.toString()).toMatch(/Title:\s+Thirteen titles/);
  expect(said.toString()).toMatch(/Pages:\s+2/);
  expect(said.toString()).toMatch(/842 x 595 pts \(A4\)/);
  const at = await paintPage(pdf, 1);
  // 182 points wide, 102 high, from 36 across and 62 down.
  for (const column of [0, 1, 3]) {
    expect(at(36 + column * 196 + 90, 62 + 20)).toEqual([0x5d, 0x64, 0x62]);
    expectRed(at(36 + column * 196 + 90, 62 + 90));
  }
  // One that is not made, or is gone, has no picture.
  expect(at(36 + 196 + 90, 62 + 146 + 90)).toEqual([0x5d, 0x64, 0x62]);
  expect(at(36 + 2 * 196 + 90, 62 + 90)).toEqual([0x5d, 0x64, 0x62]);
  const inkIn = (left: number, right: number, top: number, bottom: number): number => {
    let ink = 0;
    for (let x = left; x < right; x++) for (let y = top; y < bottom; y++) if (at(x, y)[0] < 140) ink++;
    return ink;
  };
  for (const column of [0, 1, 2, 3]) {
    const left = 36 + column * 196;
    expect(inkIn(left, left + 22, 168, 180)).toBeGreaterThan(8);
    expect(inkIn(left + 24, left + 180, 168, 180)).toBeGreaterThan(25);
    expect(inkIn(left, left + 180, 180, 192)).toBeGreaterThan(25);
  }
  const second = await paintPage(pdf, 2);
  expectRed(second(36 + 90, 62 + 90));
  expect(second(36 + 196 + 90, 62 + 90)).toEqual([255, 255, 255]);
});

test('tall pictures stand six in a row, and words that are too long stay within their cell', async () => {
  const long =
    'Bartholomew Quillfeather-Oduya, chair of the committee for the lantern regatta and its wharves';
  const entries = Array.from({ length: 7 }, () => entry('', long, redPicture()));
  const at = await paintPage(await contactSheetPdf({ heading: 'Tall', entries, shape: 9 / 16, fonts }), 1);
  // 116 points wide, 206 high.
  expectRed(at(36 + 5 * 130 + 58, 62 + 180));
  for (let y = 62 + 206 + 4; y < 62 + 206 + 28; y++)
    for (let x = 36 + 117; x < 36 + 129; x++) expect(at(x, y)[0]).toBeGreaterThan(200);
});
