import { expect, test } from '@playwright/test';
import { drag, middle, saved } from './hands';

test('a layer is there for a part of its title: typed, dragged, tied, undone, and kept through a reload', async ({
  page,
}) => {
  await page.goto('/bench/place-corner');
  const words = page.getByRole('button', { name: 'Place', exact: true });
  await words.click();
  await page.getByRole('tab', { name: 'Motion' }).click();
  const section = page.locator('[data-section="There for"]');
  await section.click();
  await page.getByText('A part of it').click();

  const comes = page.getByRole('button', { name: /^Place comes at/ });
  const at = async (): Promise<number> =>
    Number(/at ([\d.]+) s/.exec((await comes.getAttribute('aria-label')) ?? '')?.[1]);
  await expect(comes).toBeVisible();
  const first = await at();
  await comes.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(at).toBeCloseTo(first + 0.04, 2);
  await page.keyboard.press('Control+z');
  await expect.poll(at).toBeCloseTo(first, 2);
  await drag(page, await middle(comes), { x: -40, y: 0 });
  await expect.poll(at).toBeLessThan(first - 0.1);

  const time = page.getByRole('textbox', { name: 'Comes at' });
  await time.fill('soon');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Not a number: “soon”/)).toBeVisible();
  await page.keyboard.press('Escape');
  await time.fill('2');
  await page.keyboard.press('Enter');
  await expect.poll(at).toBe(2);
  // Tied to something else it stays when it is.
  await page.getByLabel('Comes, tied to').selectOption({ label: 'Very end' });
  await expect(time).toHaveValue('2');
  await saved(page);
  await page.reload();
  await expect.poll(at).toBe(2);
  await words.click();
  await page.getByRole('tab', { name: 'Motion' }).click();
  await expect(page.getByLabel('Comes, tied to')).toHaveValue('end');
  await page.getByText('All of the title', { exact: true }).click();
  await expect(comes).toHaveCount(0);
});
