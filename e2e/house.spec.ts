import { expect, test } from '@playwright/test';

test('a change of the House is shown where it lands, left out where it is not wanted, and made', async ({
  page,
}) => {
  await page.goto('/house');
  const gold = page.getByRole('listitem').filter({ has: page.getByLabel('Name of Lamp gold') });
  await expect(gold.getByText(/^\d+ places in /)).toBeVisible();
  await gold.getByLabel('Lamp gold, hex').fill('#c98a2b');
  await expect(page.getByText('changed here, not in force yet')).toBeVisible();
  await page.getByRole('button', { name: 'See where it lands' }).click();
  const dialog = page.getByRole('dialog');
  const count = await dialog.getByRole('checkbox').count();
  expect(count).toBeGreaterThan(2);
  await expect(dialog.getByRole('img', { name: 'Tideline strap, before' })).toBeVisible();
  await dialog.getByRole('checkbox', { name: 'Ribbon bumper' }).uncheck();
  await dialog.getByRole('button', { name: `Make the change in ${count - 1} templates` }).click();
  await expect(page.getByText('as it is in force')).toBeVisible();
  await expect(gold.getByText('Another figure still in Ribbon bumper')).toBeVisible();

  // The bench has it, and a reload of the House too.
  await page.goto('/bench/tideline-strap');
  await expect(page.getByTestId('well')).toBeVisible();
  await page.goto('/house');
  await expect(page.getByLabel('Lamp gold, hex')).toHaveValue(/#c98a2b/i);
});

test('a slower reader makes titles too short: how many is told before it is so, and the desk proofs by it', async ({
  page,
}) => {
  await page.goto('/house');
  await page.getByRole('button', { name: 'Timing and reading' }).click();
  await page.getByLabel('At least', { exact: true }).fill('4.5');
  await page.getByLabel('At least', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'See where it lands' }).click();
  await expect(page.getByText(/Lantern Regatta, day two/)).toBeVisible();
  await expect(page.getByText(/of \d+ titles are too short to read, \d+ until now/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Make the change' }).click();
  await expect(page.getByText('as it is in force')).toBeVisible();
  await page.goto('/desk/lantern-regatta-2');
  await expect(page.getByRole('button', { name: /^[5-9] to fix$|^1\d to fix$/ })).toBeVisible();

  // Back as it was; a desk that is open is told.
  const house = await page.context().newPage();
  await house.goto('/house');
  await house.getByRole('button', { name: 'Timing and reading' }).click();
  await house.getByLabel('At least', { exact: true }).fill('2');
  await house.getByLabel('At least', { exact: true }).press('Enter');
  await house.getByRole('button', { name: 'See where it lands' }).click();
  await house.getByRole('button', { name: 'Make the change' }).click();
  await expect(house.getByText('as it is in force')).toBeVisible();
  await expect(page.getByRole('button', { name: /^[5-9] to fix$|^1\d to fix$/ })).toHaveCount(0);
});
