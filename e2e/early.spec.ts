import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { newProject, saved } from './hands';

/** Holds the page's code back, so that it is as the server sent it until the returned function is called. */
async function holdCode(page: Page): Promise<() => void> {
  let arrives = (): void => undefined;
  const code = new Promise<void>((resolve) => (arrives = resolve));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await code;
    await route.continue();
  });
  return () => arrives();
}

test('what is typed as the page is still on its way is kept', async ({ page, context }) => {
  await newProject(page, 'Credits at once');
  await page.getByRole('tab', { name: 'Credits' }).click();
  await page.getByRole('button', { name: 'Harbour roll' }).click();
  await page.getByRole('button', { name: 'Read a list…' }).click();
  await page.getByRole('textbox', { name: 'List of credits' }).fill('With thanks to\nOsier Harbour');
  await page.getByRole('button', { name: /^Add 2 rows/ }).click();
  await saved(page);
  const words = (on: Page) => on.getByLabel('Words of row 2', { exact: true });
  const other = await context.newPage();
  const arrives = await holdCode(other);
  await other.goto(page.url(), { waitUntil: 'commit' });
  await words(other).click();
  await other.keyboard.press('End');
  await other.keyboard.type(' and all who rowed');
  arrives();
  await expect(words(page)).toHaveValue('Osier Harbour and all who rowed');
  await expect(words(other)).toHaveValue('Osier Harbour and all who rowed');
  await other.keyboard.type(', twice');
  await saved(other);
  await expect(words(page)).toHaveValue('Osier Harbour and all who rowed, twice');
});

test('what is clicked as the page is still on its way is heard', async ({ page }) => {
  const first = await holdCode(page);
  await page.goto('/desk/lantern-regatta-2', { waitUntil: 'commit' });
  await page.getByRole('gridcell', { name: /^Name, row 3: / }).click();
  first();
  const sheet = page.getByRole('region', { name: 'Cue sheet' });
  await expect(sheet.getByLabel('Name, row 3', { exact: true })).toBeFocused();

  const second = await holdCode(page);
  await page.goto('/desk/lantern-regatta-2?sheet=captions', { waitUntil: 'commit' });
  const choose = page.getByRole('button', { name: 'Choose caption 6', exact: true });
  await choose.click();
  second();
  await expect(page.getByRole('row', { selected: true }).filter({ has: choose })).toBeVisible();
  await expect(page.getByRole('row', { selected: true })).toHaveCount(1);
});
