import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { benchPicture, middle, saved } from './hands';

/** Hands that count what they do: a click, a choice from a list, a text that is typed, a key. */
class Hands {
  actions = 0;
  presses = 0;

  constructor(private readonly page: Page) {}

  async click(target: Locator, modifiers: 'Shift'[] = []): Promise<void> {
    this.actions++;
    await target.click({ modifiers });
  }

  async choose(list: Locator, label: string): Promise<void> {
    // Opening the list, and choosing.
    this.actions += 2;
    await list.selectOption(label);
  }

  /** Types words where the caret is. */
  async type(words: string): Promise<void> {
    this.actions++;
    this.presses += Array.from(words).length;
    await this.page.keyboard.type(words);
  }

  async press(key: string, times = 1): Promise<void> {
    this.actions += times;
    this.presses += times;
    for (let i = 0; i < times; i++) await this.page.keyboard.press(key);
  }
}

const button = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('button', { name, exact: typeof name === 'string' });
const layerName = (page: Page): Locator => page.getByLabel('Layer name');
const entry = (page: Page, name: RegExp): Locator =>
  page.locator('[role="menuitem"][data-focus]', { hasText: name });

/** Where a layer is seen; it is chosen for that. */
async function partBox(
  page: Page,
  layer: string,
): Promise<{ x: number; y: number; width: number; height: number }> {
  await button(page, layer).click();
  const box = await page.getByTestId('well').locator('polygon').last().boundingBox();
  if (box === null) throw new Error(`${layer} is not seen`);
  return box;
}

/** What the lower third is, however it was made: two lines on a panel with a gold edge, each with its move. */
async function expectLowerThird(page: Page): Promise<void> {
  await saved(page);
  for (const move of [
    'Text 1, in: Rise behind a mask',
    'Text 2, in: Rise behind a mask',
    'Panel 1, in: Ribbon unroll',
  ])
    await expect(button(page, new RegExp(`^${move}`))).toBeVisible();
  await button(page, 'Box 2').click();
  await page.getByRole('tab', { name: 'Type', exact: true }).click();
  await expect(page.getByLabel('Fill, hex')).toHaveValue('#e3b94f');
  await page.getByRole('tab', { name: 'Place', exact: true }).click();
  await expect(page.getByLabel('Attached to')).toHaveValue(/panel|box-1/);
  await expect(page.getByRole('textbox', { name: 'Fixed width' })).toHaveValue('8');
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue(/^matches /);
  await expect(page.getByText('2 on this template')).toBeVisible();
  await expect(page.getByText(/leaves title safe/)).toHaveCount(0);
}

test('a lower third from nothing in 35 actions, and its Arabic edition in five more', async ({ page }) => {
  const hands = new Hands(page);
  await page.goto('/bench');
  await hands.click(button(page, 'New template'));
  await hands.type('Reach strap');
  await hands.press('Enter');
  await expect(benchPicture(page)).toHaveAttribute('data-painted', /./);
  // A name, a role below it, a panel round both: a new text can be typed into at once.
  await hands.press('Enter');
  await hands.type('Noor Halloran');
  await hands.click(button(page, 'Layer'));
  await hands.click(page.getByRole('menuitem', { name: /^Text/ }));
  await expect(page.getByLabel('Text of Text 2')).toBeFocused();
  await hands.type('Tide pilot');
  await hands.click(button(page, 'Layer'));
  await hands.click(page.getByRole('menuitem', { name: 'Panel round all 2 texts' }));
  // How they come in.
  await hands.click(page.getByRole('tab', { name: 'Motion' }));
  await hands.click(button(page, 'Move in: Fade'));
  await hands.type('ribbon');
  await hands.press('Enter');
  await hands.click(button(page, 'Text 2'));
  await hands.click(button(page, 'Text 1'), ['Shift']);
  await hands.click(button(page, 'Move in: Fade'));
  await hands.type('rise');
  await hands.press('Enter');
  // A gold edge along the panel.
  await hands.click(button(page, 'Panel 1'));
  await hands.click(button(page, 'Layer'));
  await hands.click(page.getByRole('menuitem', { name: /^Box/ }));
  await hands.click(page.getByRole('tab', { name: 'Place' }));
  await hands.choose(page.getByLabel('Attached to'), 'Panel 1');
  await hands.click(button(page, 'Left'));
  await hands.choose(page.getByLabel('Height', { exact: true }), 'Same as Panel 1');
  await hands.click(page.getByRole('textbox', { name: 'Fixed width' }));
  await hands.type('8');
  await hands.press('Enter');
  await hands.click(page.getByRole('tab', { name: 'Type', exact: true }));
  await hands.click(button(page, /^Fill: .*, choose$/));
  await hands.click(button(page, 'Lamp gold'));
  const made = hands.actions;
  console.log(`A lower third by hand: ${made} actions`);
  expect(made).toBeLessThanOrEqual(35);
  await page.keyboard.press('Escape');
  await expectLowerThird(page);

  // Its Arabic edition: two lines of words, and all of it turns round by them.
  const left = await partBox(page, 'Panel 1');
  for (const [layer, words] of [
    ['Text 1', 'نور الهلالي'],
    ['Text 2', 'مرشدة المد'],
  ]) {
    const line = await partBox(page, layer);
    hands.actions++;
    await page.mouse.dblclick(line.x + line.width / 2, line.y + line.height / 2);
    await expect(page.getByLabel(`Text of ${layer}`)).toBeFocused();
    await hands.type(words);
  }
  await hands.press('Escape');
  console.log(`Its Arabic edition: ${hands.actions - made} actions`);
  expect(hands.actions - made).toBeLessThanOrEqual(5);
  const well = await middle(page.getByTestId('well'));
  expect(left.x).toBeLessThan(well.x);
  await expect.poll(async () => (await partBox(page, 'Panel 1')).x).toBeGreaterThan(well.x);
  await saved(page);
});

test('the same wholly by keys, in 150 presses with the letters', async ({ page }) => {
  const hands = new Hands(page);
  const openLayers = async (): Promise<void> => {
    await hands.press('a');
    await expect(entry(page, /^Text/)).toBeVisible();
  };
  await page.goto('/bench');
  await expect(button(page, 'New template')).toBeVisible();
  await page.waitForFunction(() => document.querySelectorAll('canvas').length > 0);
  await hands.press('n');
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await hands.type('Reach strap');
  await hands.press('Enter');
  await expect(benchPicture(page)).toHaveAttribute('data-painted', /./);
  await hands.press('Enter');
  await expect(page.getByLabel('Text of Text 1')).toBeFocused();
  await hands.type('Noor Halloran');
  await hands.press('Escape');
  await openLayers();
  await hands.press('Enter');
  await expect(page.getByLabel('Text of Text 2')).toBeFocused();
  await hands.type('Tide pilot');
  await hands.press('Escape');
  await openLayers();
  await hands.type('pan');
  await expect(entry(page, /^Panel round all 2 texts/)).toBeVisible();
  await hands.press('Enter');
  await expect(layerName(page)).toHaveValue('Panel 1');
  // From the panel up: what each comes in with.
  for (const [layer, move] of [
    ['Panel 1', 'ribbon'],
    ['Text 1', 'rise'],
    ['Text 2', 'rise'],
  ]) {
    await expect(layerName(page)).toHaveValue(layer);
    await hands.press('3');
    await hands.press('Tab', 2);
    await expect(button(page, 'Move in: Fade')).toBeFocused();
    await hands.press('Enter');
    await expect(page.getByLabel('Find a move')).toBeFocused();
    await hands.type(move);
    await hands.press('Enter');
    await expect(button(page, /^Move in: (Ribbon|Rise)/)).toBeFocused();
    if (layer !== 'Text 2') await hands.press('PageUp');
  }
  await hands.press('PageDown', 2);
  await expect(layerName(page)).toHaveValue('Panel 1');
  await openLayers();
  await hands.type('bo');
  await expect(entry(page, /^Box/)).toBeVisible();
  await hands.press('Enter');
  await expect(layerName(page)).toHaveValue('Box 2');
  // Its fill, then where it is and how large: Tab goes through the settings.
  await hands.press('1');
  await hands.press('Tab', 4);
  await expect(page.getByLabel('Fill, hex')).toBeFocused();
  await hands.type('#e3b94f');
  await hands.press('Enter');
  await hands.press('Escape');
  await hands.press('2');
  await hands.press('Tab', 4);
  await expect(page.getByLabel('Attached to')).toBeFocused();
  await hands.type('pan');
  await hands.press('Tab', 4);
  await expect(button(page, 'Left')).toBeFocused();
  await hands.press('Space');
  await hands.press('Tab', 13);
  await expect(page.getByLabel('Height', { exact: true })).toBeFocused();
  await hands.type('same as pan');
  await hands.press('Tab');
  await expect(page.getByRole('textbox', { name: 'Fixed width' })).toBeFocused();
  await hands.type('8');
  await hands.press('Enter');
  console.log(`A lower third by keys: ${hands.presses} presses`);
  expect(hands.presses).toBeLessThanOrEqual(150);
  await expectLowerThird(page);
});
