import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { makeFont } from '@/server/faces/testing/makeFont';
import { pixels, saved } from './hands';

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
  await expect(dialog.getByRole('listitem')).toHaveText('Tideline strap');
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
