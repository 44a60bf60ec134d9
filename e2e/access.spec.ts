import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';

const SCREENS = [
  '/shelf',
  '/bench',
  '/bench/tideline-strap',
  '/desk',
  '/desk/lantern-regatta-2',
  '/desk/lantern-regatta-2/proof',
  '/press',
  '/house',
  '/house/interface',
];
/** Those that show no titles. */
const WITHOUT_PICTURES = ['/press', '/desk', '/house', '/house/interface'];

/** Dialogs: where they open, the button that opens them, and a heading to wait for. */
const DIALOGS = [
  { path: '/shelf', button: 'New template', heading: 'New template' },
  { path: '/desk', button: 'New project', heading: 'New project' },
  { path: '/desk/lantern-regatta-2', button: 'Send to Press', heading: 'Send to Press' },
  { path: '/shelf', button: 'Keys', heading: 'Keys' },
];

/** What differs from theme to theme: names, roles and order are asked for in daylight. */
const RULES_OF_COLOUR = ['color-contrast', 'link-in-text-block'];

async function expectNothingSerious(page: Page, theme: string, part = 'body'): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  const axe = new AxeBuilder({ page }).include(part);
  const { violations } = await (
    theme === 'daylight'
      ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      : axe.withRules(RULES_OF_COLOUR)
  ).analyze();
  const serious = violations.filter((one) => one.impact === 'serious' || one.impact === 'critical');
  expect(
    serious.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([]);
}

for (const theme of ['daylight', 'lamplight']) {
  for (const path of SCREENS) {
    test(`${path} in ${theme} has no serious trouble for people who do not see or point`, async ({
      page,
    }) => {
      await page.addInitScript((name) => localStorage.setItem('gilder-theme', name), theme);
      await page.goto(path);
      await expect(page.locator('main')).toBeVisible();
      // With what they are about on them: a screen that has stopped has no trouble either.
      if (!WITHOUT_PICTURES.includes(path))
        await expect(page.locator('canvas[data-titles="1"]').first()).toBeVisible();
      await expectNothingSerious(page, theme);
    });
  }
  test(`captions and their dialogs in ${theme} have no serious trouble`, async ({ page }) => {
    await page.addInitScript((name) => localStorage.setItem('gilder-theme', name), theme);
    await page.goto('/desk/lantern-regatta-2');
    await expect(page.locator('canvas[data-titles="1"]').first()).toBeVisible();
    // By keys alone: the sheet is changed with an arrow.
    await page.getByRole('tab', { name: 'Titles' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('tab', { name: 'Captions' })).toBeFocused();
    await page.getByRole('button', { name: 'Choose caption 6', exact: true }).click();
    await expectNothingSerious(page, theme);
    await page.getByRole('radio', { name: 'Programme' }).click();
    await expect(page.getByRole('figure', { name: 'Characters a second along the programme' })).toBeVisible();
    await expectNothingSerious(page, theme);
    for (const item of [
      'Read a caption file…',
      'Write a caption file…',
      'Type a transcript…',
      'Caption tracks…',
    ]) {
      await page.getByRole('button', { name: 'More for captions' }).click();
      await page.getByRole('menuitem', { name: item }).click();
      await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible();
      await expectNothingSerious(page, theme, '[role="dialog"]');
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toBeHidden();
    }
  });
  test(`the bench with every section unfolded in ${theme} has no serious trouble either`, async ({
    page,
  }) => {
    await page.addInitScript((name) => localStorage.setItem('gilder-theme', name), theme);
    await page.goto('/bench/heat-board');
    for (const layer of ['Heading', 'Boats', 'Panel']) {
      await page.getByRole('button', { name: layer, exact: true }).click();
      for (const tab of ['Type', 'Place', 'Motion', 'Card']) {
        await page.getByRole('tab', { name: tab }).click();
        const folded = page.locator('button[data-section][aria-expanded="false"]:visible');
        // Unfolding one takes it out of the list.
        for (let left = await folded.count(); left > 0; left--) await folded.first().click();
        // The score scrolls to the chosen layer, which leaves other rows half covered: not what is asked here.
        await expectNothingSerious(page, theme, 'aside[aria-label="Settings"]');
      }
    }
  });
  for (const { path, button, heading } of DIALOGS) {
    test(`the dialog ${heading} in ${theme} has no serious trouble either`, async ({ page }) => {
      await page.addInitScript((name) => localStorage.setItem('gilder-theme', name), theme);
      await page.goto(path);
      await page.getByRole('button', { name: button, exact: true }).click();
      await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
      await expectNothingSerious(page, theme);
    });
  }
}

test('the bar of a desk with findings stays one row, and its search beside its buttons', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/desk/lantern-regatta-2');
  const bar = page.getByRole('banner');
  await expect(bar.getByRole('button', { name: /not looked at|to look at|to fix/ }).first()).toBeVisible();
  const height = async (): Promise<number> => (await bar.boundingBox())?.height ?? 0;
  expect(await height()).toBeLessThan(56);
  const tools = page.getByRole('region', { name: 'Cue sheet' });
  const [search, add] = await Promise.all(
    [
      tools.getByPlaceholder('Find a name or word'),
      tools.getByRole('button', { name: 'Title', exact: true }),
    ].map((one) => one.boundingBox()),
  );
  expect(Math.abs((search?.y ?? 0) - (add?.y ?? 99))).toBeLessThan(12);
});

for (const [width, height] of [
  [1280, 800],
  [1100, 800],
  [900, 700],
  [640, 400],
] as const) {
  test(`nothing is out of reach in a window of ${width} by ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const path of SCREENS.filter((one) => !one.endsWith('/proof'))) {
      await page.goto(path);
      await expect(page.locator('main')).toBeVisible();
      const { wide, hidden } = await page.evaluate(() => {
        const buttons = [...document.querySelectorAll('header :is(a[href^="/"], button, input)')];
        const isReached = (element: Element): boolean => {
          const { left, top, width: w, height: h } = element.getBoundingClientRect();
          const hit = document.elementFromPoint(left + w / 2, top + h / 2);
          return hit !== null && (element.contains(hit) || hit.contains(element));
        };
        return {
          wide: document.documentElement.scrollWidth > document.documentElement.clientWidth,
          hidden: buttons
            .filter((one) => !isReached(one))
            .map((one) => one.textContent || one.getAttribute('aria-label')),
        };
      });
      expect({ path, wide, hidden }).toEqual({ path, wide: false, hidden: [] });
    }
  });
}

test('on a narrow bench the settings are a drawer, which Escape shuts', async ({ page }) => {
  await page.setViewportSize({ width: 640, height: 400 });
  await page.goto('/bench/tideline-strap');
  const tab = page.getByRole('button', { name: 'Settings', exact: true });
  await expect(page.getByRole('complementary', { name: 'Settings' })).toBeHidden();
  await tab.press('Enter');
  const settings = page.getByRole('complementary', { name: 'Settings' });
  await expect(settings).toBeFocused();
  await settings.getByRole('tab', { name: 'Place' }).click();
  const across = settings.getByLabel('Offset across', { exact: true });
  await across.scrollIntoViewIfNeeded();
  await expect(across).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(settings).toBeHidden();
  await expect(tab).toBeFocused();
  await page.getByRole('button', { name: 'Format wall', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Format wall' })
    .getByRole('button', { name: 'Arabic', exact: true })
    .click();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(settings.getByRole('tab', { name: 'Place' })).toBeVisible();
});
