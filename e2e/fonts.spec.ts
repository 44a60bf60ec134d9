import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { makeFont } from '@/server/faces/testing/makeFont';
import { benchPicture, openCopy, pixels, saved } from './hands';

const FREE = 'node_modules/@fontsource-variable/archivo/files/archivo-latin-standard-italic.woff2';
const marrow = (more = {}) => ({
  name: 'marrow-sans.ttf',
  mimeType: 'font/ttf',
  buffer: makeFont({ family: 'Marrow Sans', ...more }),
});

test('fonts come in as files, are used at once in every tab, replaced with a look at where it lands, and go again', async ({
  page,
}) => {
  await page.goto('/house');
  await page.getByRole('button', { name: 'Fonts', exact: true }).click();
  const own = page.getByRole('region', { name: 'Your own fonts' });
  await expect(own.getByText('There is none yet.')).toBeVisible();
  const free = { name: 'free.woff2', mimeType: 'font/woff2', buffer: readFileSync(FREE) };
  const half = { ...marrow(), name: 'half.ttf', buffer: marrow().buffer.subarray(0, 900) };
  await own.getByLabel('Font files').setInputFiles([marrow(), free, half]);
  await expect(page.getByText(/File "half\.ttf": needs a font that is whole/)).toBeVisible();
  await expect(own.getByRole('heading', { name: 'Marrow Sans' })).toBeVisible();
  await expect(
    own
      .getByRole('heading', { name: 'Archivo Italic (own)' })
      .or(own.getByRole('heading', { name: 'Archivo Italic' })),
  ).toBeVisible();
  await expect(own.getByText('100 to 900')).toBeVisible();

  // A bench that was open before has it as soon as its list is opened.
  const bench = await page.context().newPage();
  await bench.goto('/bench/tideline-strap');
  const font = bench.getByRole('button', { name: /^Font: / });
  const picture = bench.getByRole('region', { name: 'Picture' }).locator('canvas');
  await expect(picture).toBeVisible();
  const plain = await pixels(picture);
  await font.click();
  await bench.getByRole('option', { name: /^Marrow Sans/ }).click();
  await expect(bench.getByRole('button', { name: 'Font: Marrow Sans' })).toBeVisible();
  await saved(bench);
  await expect.poll(() => pixels(picture)).not.toBe(plain);
  const inSquares = await pixels(picture);
  await bench.reload();
  // Once its file has come the picture is as it was: nothing stands in.
  await expect.poll(() => pixels(picture)).toBe(inSquares);
  await expect(bench.getByRole('button', { name: 'Font: Marrow Sans' })).toBeVisible();

  // It goes where the template goes.
  const answer = await page.request.get('/api/templates/tideline-strap/package');
  const files = unzipSync(new Uint8Array(await answer.body()));
  expect(Buffer.from(files['fonts/1.ttf']).equals(marrow().buffer)).toBe(true);
  expect(strFromU8(files['manifest.json'])).toContain('own-marrow-sans');

  // Another version waits, and says where it would land.
  await own.getByLabel('Font files').setInputFiles([marrow({ version: '2.0', advance: 750 })]);
  await own.getByRole('button', { name: 'Use Marrow Sans Regular, version 2.0' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('listitem').first()).toHaveText('Tideline strap');
  const report = dialog.getByRole('list', { name: 'What Tideline strap lays out otherwise' });
  await expect(report).toContainText('“Name line” is 25 % wider in Wide');
  await dialog.getByRole('button', { name: 'Use this version' }).click();
  await expect(own.getByRole('button', { name: 'Use Marrow Sans Regular, version 1.0' })).toBeVisible();

  // What is set in it keeps it.
  await own.getByRole('button', { name: 'Remove Marrow Sans Regular, version 2.0' }).click();
  await expect(page.getByText(/is in use by Tideline strap, so it was not removed/)).toBeVisible();
  await bench.getByRole('button', { name: 'Font: Marrow Sans' }).click();
  await bench.getByRole('option', { name: /^Barlow Condensed/ }).click();
  await saved(bench);
  for (const version of ['1.0', '2.0'])
    await own.getByRole('button', { name: `Remove Marrow Sans Regular, version ${version}` }).click();
  await expect(own.getByRole('heading', { name: 'Marrow Sans' })).toBeHidden();
  await bench.getByRole('button', { name: /^Font: / }).click();
  await expect(bench.getByRole('option', { name: /^Marrow Sans/ })).toHaveCount(0);
  await own.getByRole('button', { name: /^Remove Archivo/ }).click();
  await expect(own.getByText('There is none yet.')).toBeVisible();
});

test('words from right to left turn a title round, and what is dragged goes where it is seen to go', async ({
  page,
}) => {
  const late: string[] = [];
  page.on('request', (request) => {
    if (request.url().includes('/fonts/noto-sans-hebrew')) late.push(request.url());
  });
  await page.goto('/bench/tideline-strap');
  const picture = page.getByRole('region', { name: 'Picture' });
  await expect(picture.locator('canvas')).toBeVisible();
  await page.getByRole('tab', { name: 'Place' }).click();
  const across = page.getByLabel('Offset across', { exact: true });
  await expect(across).toHaveValue('30');
  expect(late).toEqual([]);
  await page.getByRole('button', { name: 'Hebrew', exact: true }).click();
  // The face that ships for it comes now, and nothing is left without a letter.
  await expect(picture.getByText(/has characters from Noto Sans Hebrew/)).toBeVisible();
  expect(late.length).toBeGreaterThan(0);
  const well = await page.getByTestId('well').boundingBox();
  if (well === null) throw new Error('There is no picture to drag in');
  const at = (x: number, y: number): [number, number] => [well.x + well.width * x, well.y + well.height * y];
  await page.mouse.move(...at(0.88, 0.85));
  await page.mouse.down();
  await page.mouse.move(...at(0.78, 0.85), { steps: 6 });
  await page.mouse.up();
  // A tenth of the picture to the left, from its right side: the design goes as far from its left one.
  await expect.poll(async () => Math.round(Number(await across.inputValue()) / 10)).toBe(22);
  await page.keyboard.press('Control+z');
  await expect(across).toHaveValue('30');
  await page.keyboard.press('ArrowLeft');
  await expect(across).toHaveValue('31');
  await page.keyboard.press('Control+z');
  await page.locator('[data-section="Right to left"]').click();
  const turned = await pixels(picture.locator('canvas'));
  await page.getByLabel('Mirror the template').selectOption('never');
  await expect.poll(() => pixels(picture.locator('canvas'))).not.toBe(turned);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => pixels(picture.locator('canvas'))).toBe(turned);
});

test('Thai, which has no spaces, is parted alike here and on the server', async ({ page }) => {
  await page.goto('/house');
  const sentences = [
    'เจ้าหน้าที่ดูแลประตูน้ำและเรือโคมไฟในแม่น้ำยามค่ำคืน',
    'ผู้หญิงคนนั้นพายเรือข้ามแม่น้ำทุกเช้าก่อนพระอาทิตย์ขึ้น',
    'ครูสอนทำเครื่องปั้นดินเผาที่หมู่บ้านริมคลองเล่าเรื่องเตาเผาเก่า',
    'การแข่งขันเรือโคมไฟประจำปีจะเริ่มตอนสองทุ่มที่สะพานไม้',
    'วิศวกรตรวจระดับน้ำขึ้นน้ำลงสูงสุดในรอบสิบปี',
  ];
  const parts = (list: readonly string[]): string[][] =>
    list.map((text) =>
      Array.from(new Intl.Segmenter('th', { granularity: 'word' }).segment(text), ({ segment }) => segment),
    );
  expect(await page.evaluate(parts, sentences)).toEqual(parts(sentences));
});

test('the axes, named styles and features of a font are settings, by mouse and by keys', async ({ page }) => {
  await openCopy(page);
  const picture = benchPicture(page);
  const other = (than: number): Promise<void> => expect.poll(() => pixels(picture)).not.toBe(than);
  const setIn = async (font: RegExp): Promise<void> => {
    await page.getByRole('button', { name: /^Font: / }).click();
    await page.getByRole('option', { name: font }).click();
    await expect(page.getByRole('button', { name: /^Font: / })).toHaveAccessibleName(font);
  };
  await setIn(/^(Font: )?Archivo( Latin|$)/);
  const named = page.getByLabel('Named style', { exact: true });
  await named.selectOption('Thin');
  await expect(page.getByRole('textbox', { name: 'Weight', exact: true })).toHaveValue('100');
  const thin = await pixels(picture);
  await page.getByLabel('Weight, slider').focus();
  await page.keyboard.press('End');
  await expect(named).toHaveValue('Black');
  await other(thin);
  await page.getByLabel('Width, slider').focus();
  await page.keyboard.press('Home');
  await expect(named).toHaveValue('');
  await page.keyboard.press('ControlOrMeta+z');
  await expect(named).toHaveValue('Black');

  await setIn(/^(Font: )?Alegreya( Latin|$)/);
  await page.getByRole('button', { name: 'Advanced' }).click();
  const numerals = page.getByRole('switch', { name: 'Roman numerals' });
  const plain = await pixels(picture);
  await numerals.click();
  await other(plain);
  await saved(page);
  // At once after a change, which is no conflict with itself.
  await page.getByRole('switch', { name: 'Ligatures', exact: true }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Advanced' }).click();
  await expect(numerals).toBeChecked();
  await expect(page.getByRole('switch', { name: 'Ligatures', exact: true })).not.toBeChecked();
  await numerals.click();
  await saved(page);
  await expect(page.getByText(/changed elsewhere/)).toHaveCount(0);
});
