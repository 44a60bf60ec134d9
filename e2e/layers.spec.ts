import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { drag, middle, pixels, saved } from './hands';

/** A template of its own with one text over a box, the box chosen; its Place panel is open. */
async function withBox(page: Page, name: string): Promise<void> {
  await page.goto('/bench');
  await page.getByRole('button', { name: 'New template' }).click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('dialog').getByRole('button', { name: 'Start on the bench' }).click();
  await expect(page.getByLabel('Template name')).toHaveValue(name);
  await page.getByRole('button', { name: 'Layer', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Box/ }).click();
  await expect.poll(() => namesOf(page)).toEqual(['Box 1', 'Text 1']);
  await page.keyboard.press('Alt+Shift+ArrowDown');
  await page.getByRole('tab', { name: 'Place' }).click();
}

const layers = (page: Page) => page.getByRole('list', { name: /^Layers/ }).getByRole('listitem');
const namesOf = (page: Page): Promise<string[]> =>
  layers(page).locator('button[aria-pressed]').allTextContents();
const figure = (page: Page, label: string): Promise<string> =>
  page.getByRole('textbox', { name: label, exact: true }).inputValue({ timeout: 20_000 });
const grip = (page: Page, name: string) => page.locator(`[data-grip="${name}"]`);

test('a layer is sized, turned, pinned and put back by its grips', async ({ page }) => {
  await withBox(page, 'Grip strap');
  const scale = (await middle(page.getByTestId('well'))).width / 1920;
  const [width, height] = [
    Number(await figure(page, 'Fixed width')),
    Number(await figure(page, 'Fixed height')),
  ];

  const corner = await middle(grip(page, 'Size, bottom right'));
  await drag(page, corner, { x: 60, y: 30 }, true);
  await expect(page.getByTestId('well').locator('text').last()).toHaveText(/ × .* u$/);
  await page.mouse.up();
  const off = async (label: string, wanted: number): Promise<number> =>
    Math.abs(Number(await figure(page, label)) - wanted);
  await expect.poll(() => off('Fixed width', width + 60 / scale)).toBeLessThan(4);
  await expect.poll(() => off('Fixed height', height + 30 / scale)).toBeLessThan(4);

  // Escape takes the drag back while the button is still down, and one step of undo takes back a whole drag.
  const sized = await figure(page, 'Fixed width');
  await drag(page, await middle(grip(page, 'Size, right')), { x: 80, y: 0 }, true);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  // Settings follow what is done in the picture a moment later.
  await expect.poll(() => figure(page, 'Fixed width')).toBe(sized);
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(async () => Number(await figure(page, 'Fixed width'))).toBe(width);
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect.poll(() => figure(page, 'Fixed width')).toBe(sized);

  // Turned a quarter, in steps with Shift.
  await page.getByRole('button', { name: /^Rotation and scale/ }).click();
  const turn = await middle(grip(page, 'Turn'));
  await page.mouse.move(turn.x, turn.y);
  await page.mouse.down();
  await page.keyboard.down('Shift');
  await page.mouse.move(turn.x + 40, turn.y + 10, { steps: 4 });
  await page.keyboard.up('Shift');
  await page.mouse.up();
  const turned = Number((await figure(page, 'Rotation')).replace('−', '-'));
  expect(turned).not.toBe(0);
  expect(turned % 15).toBe(0);

  // A corner is pinned with Ctrl.
  await page.keyboard.down('Control');
  await drag(page, await middle(grip(page, 'Size, top left')), { x: -20, y: -10 });
  await page.keyboard.up('Control');
  await page.getByRole('button', { name: /^Keep inside, corner pin/ }).click();
  await expect(page.getByRole('checkbox', { name: /corners/i })).toBeChecked();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Template name')).toHaveValue('Grip strap');
});

test('layers are copied, duplicated, put in order, locked, shown alone and pasted into another template', async ({
  page,
}) => {
  await withBox(page, 'Copied strap');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 1']);
  await page.keyboard.press('ControlOrMeta+d');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 2', 'Box 1']);
  // What was made is chosen, twice in a row.
  await page.keyboard.press('ControlOrMeta+d');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 3', 'Box 2', 'Box 1']);
  await page.keyboard.press('Alt+Shift+ArrowUp');
  await expect.poll(() => namesOf(page)).toEqual(['Box 3', 'Text 1', 'Box 2', 'Box 1']);
  await page.keyboard.press('Alt+ArrowDown');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 3', 'Box 2', 'Box 1']);

  // Locked, a layer is not removed, and the picture does not let it be dragged.
  await page.keyboard.press('l');
  await expect(layers(page).nth(1).getByRole('img', { name: 'Locked' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText(/“Box 3” locked and stays/)).toBeVisible();
  await expect.poll(() => namesOf(page)).toHaveLength(4);
  await expect(grip(page, 'Turn')).toHaveCount(0);

  // The menu, from the keyboard too, says what can be done; shown alone, the text is all that is painted.
  const picture = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  await page.getByRole('button', { name: 'Text 1', exact: true }).click();
  const all = await pixels(picture);
  await layers(page).first().click({ button: 'right' });
  await page.getByRole('menuitem', { name: /^Show only this/ }).click();
  await expect.poll(() => pixels(picture)).not.toBe(all);
  await page.getByRole('button', { name: 'Show all layers again' }).click();
  await expect.poll(() => pixels(picture)).toBe(all);

  // The look of one on another, taken back by one step.
  await page.keyboard.press('ControlOrMeta+c');
  await expect(page.getByText('“Text 1” copied', { exact: true })).toBeVisible();
  await saved(page);

  await withBox(page, 'Pasted strap');
  await page.keyboard.press('ControlOrMeta+v');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Text 2', 'Box 1']);
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 1']);
  await saved(page);
});

test('a band drawn round layers chooses them; the picture is zoomed at the pointer and back', async ({
  page,
}) => {
  await withBox(page, 'Banded strap');
  const well = await middle(page.getByTestId('well'));
  const corner = { x: well.x - well.width / 2 + 3, y: well.y - well.height / 2 + 3 };
  await drag(page, corner, { x: well.width - 6, y: well.height - 6 });
  await expect(layers(page).locator('button[aria-pressed="true"]')).toHaveCount(2);
  // What is chosen goes together and apart again.
  await page.keyboard.press('ControlOrMeta+g');
  await expect.poll(() => namesOf(page)).toEqual(['Group 1', 'Text 1', 'Box 1']);
  await page.keyboard.press('ControlOrMeta+Shift+g');
  await expect.poll(() => namesOf(page)).toEqual(['Text 1', 'Box 1']);

  const shown = page.getByRole('button', { name: /; fit the picture$/ });
  const fitting = await shown.textContent();
  const at = { x: well.x + 100, y: well.y + 50 };
  const unitsAt = async (): Promise<{ x: number; y: number }> => {
    const now = await middle(page.getByTestId('well'));
    const scale = now.width / 1920;
    return { x: (at.x - now.x + now.width / 2) / scale, y: (at.y - now.y + now.height / 2) / scale };
  };
  const before = await unitsAt();
  await page.mouse.move(at.x, at.y);
  await page.keyboard.down('Control');
  for (let i = 0; i < 4; i++) await page.mouse.wheel(0, -200);
  await page.keyboard.up('Control');
  await expect(shown).not.toHaveText(fitting ?? '');
  await expect(async () => {
    const after = await unitsAt();
    expect(Math.hypot(after.x - before.x, after.y - before.y)).toBeLessThan(4);
  }).toPass();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Equal');
  await expect(shown).toHaveText('800 %');
  await page.keyboard.press('0');
  await expect(shown).toHaveText(fitting ?? '');
});
