import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { drag, goTo, middle, newProject, paste, redAndBlue, redThenBlue, saved } from './hands';

const LIST = [
  'Lantern Regatta',
  '',
  'Producer .... Mira Stott',
  'Camera: Teo Vance',
  '\tOde Pell',
  '',
  'With thanks to',
  'The Ferry Wardens',
  'Osier Harbour',
].join('\n');

const words = (page: Page, row: number) => page.getByLabel(`Words of row ${row}`, { exact: true });
const role = (page: Page, row: number) => page.getByLabel(`Role of row ${row}`, { exact: true });
const names = async (page: Page, count: number): Promise<string[]> =>
  Promise.all(Array.from({ length: count }, (_, i) => words(page, i + 1).inputValue()));

async function newCredits(page: Page, name: string): Promise<void> {
  await newProject(page, name);
  await page.getByRole('tab', { name: 'Credits' }).click();
  await page.getByRole('button', { name: 'Harbour roll' }).click();
  await expect(page.getByText('Nothing typed yet.', { exact: false })).toBeVisible();
}

async function readList(page: Page, text = LIST): Promise<void> {
  await page.getByRole('button', { name: 'Read a list…' }).click();
  await page.getByRole('textbox', { name: 'List of credits' }).fill(text);
}

test('credits are read from a list, shown as understood first, typed on by keys, and outlive undo and reload', async ({
  page,
}) => {
  await newCredits(page, 'Credits by keys');
  await readList(page);
  const understood = page.getByRole('region', { name: 'Understood as' });
  await expect(understood.getByRole('row', { name: 'Heading Lantern Regatta' })).toBeVisible();
  await expect(understood.getByRole('row', { name: 'Role, name Camera Teo Vance' })).toBeVisible();
  await page.getByRole('button', { name: 'Add 7 rows' }).click();
  await expect(words(page, 7)).toHaveValue('Osier Harbour');
  expect(await names(page, 4)).toEqual(['Lantern Regatta', 'Mira Stott', 'Teo Vance', 'Ode Pell']);
  await expect(role(page, 4)).toHaveAttribute('placeholder', 'as above');

  // Enter begins the next row, the arrows go from row to row, Alt with them moves one.
  await words(page, 4).click();
  await page.keyboard.press('Enter');
  await expect(role(page, 5)).toBeFocused();
  await page.keyboard.type('Sound');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Noor Halloran');
  await expect(words(page, 5)).toHaveValue('Noor Halloran');
  await page.keyboard.press('ArrowUp');
  await expect(words(page, 4)).toBeFocused();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(words(page, 3)).toHaveValue('Ode Pell');
  await page.keyboard.press('Control+z');
  await expect(words(page, 3)).toHaveValue('Teo Vance');

  // Escape gives the keys back to the sheet, where Delete takes the chosen row out; undo brings it again.
  await words(page, 6).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Delete');
  await expect(words(page, 6)).toHaveValue('The Ferry Wardens');
  await page.keyboard.press('Control+z');
  await expect(words(page, 6)).toHaveValue('With thanks to');
  await saved(page);
  await page.reload();
  await expect(words(page, 8)).toHaveValue('Osier Harbour');
  await expect(role(page, 5)).toHaveValue('Sound');
});

test('rows are dragged, sorted by family name, made another kind, pasted and found', async ({ page }) => {
  await newCredits(page, 'Credits by mouse');
  await readList(page, '# Bearers\nUna Zell\nIlse van der Marrow\nTeo Vance\nBram Ashlar');
  await page.getByRole('button', { name: 'Add 5 rows' }).click();
  await page.getByRole('button', { name: 'Sort names' }).click();
  expect(await names(page, 5)).toEqual([
    'Bearers',
    'Bram Ashlar',
    'Ilse van der Marrow',
    'Teo Vance',
    'Una Zell',
  ]);
  const from = await middle(page.getByRole('button', { name: 'Choose row 5' }));
  await drag(page, from, { x: 0, y: -3 * 38 });
  await expect(words(page, 2)).toHaveValue('Una Zell');
  await page.getByLabel('Kind of row 2').selectOption('role');
  await role(page, 2).fill('Guide');
  await page.getByRole('button', { name: 'Add a row of a kind' }).click();
  await page.getByRole('menuitem', { name: 'Gap' }).click();
  await expect(page.getByLabel('Empty lines of row 3')).toHaveValue('1');
  await page.getByLabel('Empty lines of row 3').fill('2.5');
  await page.keyboard.press('Enter');
  await words(page, 4).click();
  await paste(page, 'Cook\tOde Pell\nBaker\tMira Stott');
  await expect(words(page, 5)).toHaveValue('Ode Pell');
  await expect(role(page, 6)).toHaveValue('Baker');
  await page.getByLabel('Find words in the credits').fill('ode');
  await expect(page.getByRole('button', { name: /^Choose row/ })).toHaveCount(1);
  // What is typed into stays in sight, and so does a row that is new.
  await words(page, 5).fill('Nobody');
  await expect(words(page, 5)).toBeVisible();
  await words(page, 5).fill('Ode Pell');
  await page.keyboard.press('Enter');
  await expect(role(page, 6)).toBeFocused();
  // Backspace in an empty row takes it out and goes to the one above.
  await page.keyboard.press('Backspace');
  await expect(role(page, 5)).toBeFocused();
  await expect(role(page, 5)).toHaveValue('Cook');
  await page.getByLabel('Find words in the credits').fill('');
  await page.getByRole('button', { name: 'Choose row 2', exact: true }).click();
  await page.getByRole('button', { name: 'Choose row 4', exact: true }).click({ modifiers: ['Shift'] });
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /^Choose row/ })).toHaveCount(5);
});

test('a roll tells the ways to meet its length, takes another, refuses a wrong length, and goes where a row is', async ({
  page,
}) => {
  await page.goto('/desk/lantern-regatta-closing');
  await page.getByRole('tab', { name: 'Credits' }).click();
  const ways = page.getByRole('region', { name: 'Ways to meet this length' });
  await expect(ways.getByRole('button', { pressed: true })).toContainText('nearest to the design');
  const others = ways.getByRole('button', { pressed: false });
  // By its speed: gaps are set anew when a font comes that only some names need.
  const [speed = ''] = /^\d+ px a frame/.exec((await others.first().textContent()) ?? '') ?? [];
  await others.first().click();
  await expect(ways.getByRole('button', { pressed: true })).toContainText(speed);
  expect(speed).not.toBe('');
  await page.keyboard.press('Control+z');
  await expect(ways.getByRole('button', { pressed: true })).toContainText('nearest to the design');

  const length = page.getByLabel('Length of the credits');
  await length.fill('soon');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Needs' })).toBeVisible();
  await length.fill('20:00');
  await page.keyboard.press('Enter');
  await expect(length).toHaveValue('20:00');
  await page
    .getByRole('button', { name: '52:20' })
    .or(page.getByRole('figure').getByRole('button').first())
    .first()
    .click();
  await expect(ways.getByRole('button', { pressed: true })).toContainText('gaps 100 %, size 100 %');

  const playhead = page.getByLabel('Timecode of the playhead');
  const before = await playhead.inputValue();
  await words(page, 9).click();
  await expect(playhead).not.toHaveValue(before);
  const early = await playhead.inputValue();
  await words(page, 9).press('ArrowDown');
  await words(page, 10).press('ArrowDown');
  await expect(playhead).not.toHaveValue(early);
});

test('what one desk changes in credits comes to the other by itself', async ({ page, context }) => {
  await newCredits(page, 'Credits twice');
  await readList(page);
  await page.getByRole('button', { name: 'Add 7 rows' }).click();
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('tab', { name: 'Credits' }).click();
  await expect(words(other, 7)).toHaveValue('Osier Harbour');
  await words(other, 7).fill('Withy Beds');
  await saved(other);
  // Nothing of one's own is in the way, so it comes by itself.
  await expect(words(page, 7)).toHaveValue('Withy Beds');
});

test('a video plays beside a roll, from the moment when it comes; a file that is none is refused', async ({
  page,
}, info) => {
  const clip = redThenBlue(info);
  await newCredits(page, 'Credits with a video');
  await readList(page, '# Bearers\nUna Zell\nTeo Vance');
  await page.getByRole('button', { name: 'Add 3 rows' }).click();
  await page.getByRole('button', { name: 'Add a row of a kind' }).click();
  await page.getByRole('menuitem', { name: 'Beside the roll' }).click();
  const file = page.getByLabel('Picture or video of row 2: file');
  await file.setInputFiles({ name: 'odd.webm', mimeType: 'video/webm', buffer: Buffer.from('no video') });
  await expect(page.getByText(/"?odd\.webm/).first()).toBeVisible();
  const box = page.getByLabel('Picture or video of row 2', { exact: true });
  await expect(box).toHaveValue('');
  await file.setInputFiles({ name: 'two.webm', mimeType: 'video/webm', buffer: clip });
  await expect(box.locator('option:checked')).toHaveText('two.webm');
  await page.getByLabel('When the picture of row 2 comes', { exact: true }).selectOption('some');
  await page.getByLabel('How long the picture of row 2 stands', { exact: true }).selectOption('some');
  const comes = page.getByLabel('When the picture of row 2 comes, seconds');
  await comes.fill('1');
  await comes.press('Enter');

  await goTo(page, '00:00:01:20');
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await goTo(page, '00:00:03:00');
  await expect.poll(() => redAndBlue(page)).toEqual([false, true]);
  await goTo(page, '00:00:01:20');
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Credits' }).click();
  await expect(box.locator('option:checked')).toHaveText('two.webm');
  await goTo(page, '00:00:03:00');
  await expect.poll(() => redAndBlue(page)).toEqual([false, true]);
  // Proof has waited for it.
  await page.getByText('Proof', { exact: true }).first().click();
  await expect(page.getByText('All looked at')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('a picture of it is missing')).toHaveCount(0);
  await box.selectOption('');
  await expect.poll(() => redAndBlue(page)).toEqual([false, false]);
  await box.press('Control+z');
  await expect.poll(() => redAndBlue(page)).toEqual([false, true]);
});
