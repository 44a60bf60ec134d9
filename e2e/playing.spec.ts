import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { benchPicture, openCopy, pixels, saved } from './hands';

/** How far the picture is from the one that was noted before, in steps of a colour (255 for none); notes this one. */
const apartFromNoted = (page: Page): Promise<number> =>
  benchPicture(page).evaluate((canvas) => {
    if (!(canvas instanceof HTMLCanvasElement)) throw new Error('not a canvas');
    const data = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
    const noted: unknown = Reflect.get(window, 'noted');
    Reflect.set(window, 'noted', data);
    if (!(noted instanceof Uint8ClampedArray)) return 255;
    return noted.reduce((most, value, i) => Math.max(most, Math.abs(value - data[i])), 0);
  });

test('what goes round is painted ahead while nothing is done, and anew when something changes', async ({
  page,
}) => {
  await openCopy(page);
  const kept = page.getByTestId('painted-frames');
  await page.getByLabel('What loops').selectOption('in');
  await expect(kept).toHaveAttribute('aria-label', /^[1-9]\d* frames are painted ahead$/, {
    timeout: 20_000,
  });
  const words = page.getByRole('textbox', { name: 'Text', exact: true });
  await words.fill('Another name');
  await expect(kept).toHaveAttribute('aria-label', '0 frames are painted ahead');
  await expect(kept).toHaveAttribute('aria-label', /^[1-9]\d* frames/, { timeout: 20_000 });
});

test('a frame looks the same while it plays and when it stands, to the step of a colour', async ({
  page,
}) => {
  await openCopy(page);
  await page.getByLabel('Play background').uncheck();
  await page.getByLabel('What loops').selectOption('hold');
  expect(await apartFromNoted(page)).toBe(255);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible();
  const before = Number(await benchPicture(page).getAttribute('data-painted'));
  await expect
    .poll(async () => Number(await benchPicture(page).getAttribute('data-painted')))
    .toBeGreaterThan(before + 5);
  expect(await apartFromNoted(page)).toBeLessThanOrEqual(2);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
});

test('words are bent, straight again by undo, and bent after a reload', async ({ page }) => {
  await openCopy(page);
  await page.getByRole('tab', { name: 'Motion' }).click();
  const straight = await pixels(benchPicture(page));
  await page.getByRole('button', { name: /^Bend/ }).click();
  await page.getByRole('button', { name: 'Bend it' }).click();
  await page.getByLabel('Arc', { exact: true }).fill('80');
  await page.keyboard.press('Enter');
  await expect.poll(() => pixels(benchPicture(page))).not.toBe(straight);
  const bent = await pixels(benchPicture(page));
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => pixels(benchPicture(page))).toBe(straight);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await page.getByRole('button', { name: /^Redo/ }).click();
  await saved(page);
  await page.reload();
  await expect(benchPicture(page)).toHaveAttribute('data-painted', /./);
  await expect.poll(() => pixels(benchPicture(page))).toBe(bent);
  await page.getByRole('tab', { name: 'Motion' }).click();
  await expect(page.getByLabel('Arc', { exact: true })).toHaveValue('80');
});
