import { expect, test } from '@playwright/test';
import { framesOfMov, newProject, paste, saved } from './hands';

test('a chain is made from nothing on the desk, gets a fourth line, and pushes each to the frame in its file', async ({
  page,
}) => {
  await newProject(page, 'Places in a chain');
  await page.getByTestId('under-playhead').click();
  await page.keyboard.press('t');
  await page.keyboard.type('place chain');
  await expect(page.getByRole('button', { name: /^Place chain/ })).toBeVisible();
  await page.keyboard.press('Enter');
  const card = page.getByRole('region', { name: 'Card' });
  await card.getByLabel('Places, row 1').click();
  await paste(page, 'Lantern Gate\nUpper Weir\nOsier Harbour\nNight Ferry quay');
  await expect(card.getByLabel('Places, row 4')).toHaveValue('Night Ferry quay');
  // Two lines are given their moments, the others follow in their rhythm.
  const moment = (row: number) => card.getByLabel(`Row ${row} comes after`);
  await card.getByRole('button', { name: 'Evenly' }).click();
  for (const [row, seconds] of [
    [1, '0.4'],
    [2, '2'],
    [3, '4'],
    [4, '6'],
  ] as const) {
    await moment(row).fill(seconds);
    await page.keyboard.press('Enter');
  }
  await saved(page);
  await page.reload();
  await expect(moment(4)).toHaveValue('6');

  const hashes = await framesOfMov(page);
  // A push takes 0.5 s: twelve frames and a half; between two nothing moves, and four lines are four pictures.
  const stands = [30, 49, 70, 99, 115, 149, 170, 180].map((frame) => hashes[frame]);
  expect(stands[0]).toBe(stands[1]);
  expect(stands[2]).toBe(stands[3]);
  expect(stands[4]).toBe(stands[5]);
  expect(stands[6]).toBe(stands[7]);
  expect(new Set(stands).size).toBe(4);
  for (const [moves, frame] of [
    ['second', 51],
    ['third', 101],
    ['fourth', 151],
  ] as const)
    expect([moves, hashes[frame] !== hashes[frame - 2], hashes[frame + 12] === hashes[frame + 14]]).toEqual([
      moves,
      true,
      true,
    ]);
});
