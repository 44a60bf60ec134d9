import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

const SCREENS = ['/shelf', '/bench', '/bench/tideline-strap', '/desk', '/desk/lantern-regatta-2', '/press'];

for (const theme of ['daylight', 'lamplight']) {
  for (const path of SCREENS) {
    test(`${path} in ${theme} has no serious trouble for people who do not see or point`, async ({
      page,
    }) => {
      await page.addInitScript((name) => localStorage.setItem('gilder-theme', name), theme);
      await page.goto(path);
      await expect(page.locator('main')).toBeVisible();
      await page.evaluate(() => document.fonts.ready);
      const { violations } = await new AxeBuilder({ page })
        .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
        .analyze();
      const serious = violations.filter((one) => one.impact === 'serious' || one.impact === 'critical');
      expect(
        serious.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
      ).toEqual([]);
    });
  }
}
