import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { drag, middle, pixels, saved } from './hands';

test('a lower third from nothing to release, with mouse and keyboard', async ({ page }) => {
  await page.goto('/bench');
  await page.getByRole('button', { name: 'New template' }).click();
  const dialog = page.getByRole('dialog');
  await page.getByLabel('Name', { exact: true }).fill('Weir strap');
  await dialog.getByRole('button', { name: 'Start on the bench' }).click();
  await expect(page.getByLabel('Template name')).toHaveValue('Weir strap');
  const picture = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  await expect(picture).toHaveAttribute('data-titles', '1');

  // The name: typed on the picture, moved by the keyboard, its style set.
  await page.getByTestId('part-now').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Noor Halloran');
  await page.keyboard.press('Escape');
  const reads = page.getByRole('textbox', { name: 'Text', exact: true });
  await expect(reads).toHaveValue('Noor Halloran');
  await page.getByRole('button', { name: 'Font: Barlow Condensed' }).click();
  await page.getByRole('option', { name: /^Fraunces/ }).click();
  await page.getByRole('tab', { name: 'Place' }).click();
  const down = page.getByRole('textbox', { name: 'Offset down' });
  await down.fill('-90');
  await down.press('Enter');

  // The role: a second text, which comes attached below the name and open to editors, part of it set apart, with a dash from the picker.
  await page.getByRole('button', { name: 'Layer', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Text/ }).click();
  await page.getByRole('tab', { name: 'Type' }).click();
  await reads.fill('Tide pilot');
  await page.getByRole('button', { name: 'Ω Character' }).click();
  await page.getByLabel('Look for a character').fill('em dash');
  await page.keyboard.press('Enter');
  await expect(reads).toHaveValue('Tide pilot—');
  await reads.pressSequentially(' Osier Reach');
  await reads.press('Home');
  for (let i = 0; i < 'Tide pilot'.length; i++) await reads.press('Shift+ArrowRight');
  await page.getByLabel('Weight of the part').selectOption('Bold');
  await page.getByRole('textbox', { name: 'Size', exact: true }).fill('46');
  await page.getByRole('textbox', { name: 'Size', exact: true }).press('Enter');
  await page.getByRole('tab', { name: 'Place' }).click();
  await page.getByLabel('Attached to').selectOption('Text 1');
  await page
    .getByRole('radiogroup', { name: 'Anchor of this layer' })
    .getByRole('radio', { name: 'Top left' })
    .click();
  await page
    .getByRole('radiogroup', { name: 'Anchor of the target' })
    .getByRole('radio', { name: 'Bottom left' })
    .click();

  // A panel round both, chosen together in the timeline, with round corners, a gradient and a shadow.
  await page.getByRole('button', { name: 'Text 1', exact: true }).click();
  await page.getByRole('button', { name: 'Text 2', exact: true }).click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Layer', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Panel round 2 layers/ }).click();
  await page.getByRole('tab', { name: 'Type' }).click();
  const before = await pixels(picture);
  await page.getByRole('textbox', { name: 'Corner radius', exact: true }).fill('12');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Gradient/ }).click();
  await page.getByLabel('Gradient shape').selectOption('Straight across');
  await page.getByRole('button', { name: /^Edges and shadows/ }).click();
  await page.getByRole('button', { name: 'Shadow', exact: true }).click();
  await expect.poll(() => pixels(picture)).not.toBe(before);

  // Dragging the panel moves what it encloses; the distance is shown while it moves, and it can be taken back.
  const well = await middle(page.getByTestId('well'));
  const scale = well.width / 1920;
  const panelPoint = { x: well.x - well.width / 2 + 80 * scale, y: well.y - well.height / 2 + 850 * scale };
  await page.getByRole('button', { name: 'Text 1', exact: true }).click();
  await page.getByRole('tab', { name: 'Place' }).click();
  const across = page.getByRole('textbox', { name: 'Offset across' });
  await drag(page, panelPoint, { x: 60, y: 0 });
  await page.getByRole('button', { name: 'Text 1', exact: true }).click();
  await expect(across).not.toHaveValue('0');
  await page.keyboard.press('ControlOrMeta+z');
  await page.getByRole('button', { name: 'Text 1', exact: true }).click();
  await expect(across).toHaveValue('0');

  // Another format, where one thing is otherwise, marked, and taken back again.
  await page.getByRole('button', { name: '+ Add a format' }).click();
  await page.getByRole('button', { name: /^Tall 9:16/ }).click();
  await page.getByRole('button', { name: /^Tall 9:16/ }).click();
  await page.getByLabel('Changes are made for').selectOption('Tall 9:16 only');
  await down.fill('-300');
  await down.press('Enter');
  const mark = page.getByRole('button', { name: 'Offset down is set for Tall only; take that back' });
  await expect(mark).toBeVisible();
  await expect(page.getByText('1 setting of its own')).toBeVisible();
  await mark.click();
  // As the second line raised it.
  await expect(down).toHaveValue('-151');

  // What editors may change, tried on the card.
  await page.getByRole('button', { name: 'Text 2', exact: true }).click();
  await page.getByRole('tab', { name: 'Type' }).click();
  await page.getByRole('tab', { name: 'Card' }).click();
  await page.getByLabel('Name of the field for Text 2: text').fill('Role');
  await page.getByRole('button', { name: 'All about Role' }).click();
  await page.getByLabel('Section of Role').fill('Words');
  await page.getByRole('textbox', { name: 'Role', exact: true }).fill('Lamp keeper');
  await expect(page.getByText('Tried on the card: Role')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the design’s words' }).click();
  await expect(page.getByText('Tried on the card: Role')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Role', exact: true }).fill('Lamp keeper');
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Card' }).click();
  await expect(page.getByRole('textbox', { name: 'Role', exact: true })).toHaveValue(
    'Tide pilot— Osier Reach',
  );

  // A package of it comes back in as another template.
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as a package' }).click();
  const path = await (await download).path();
  expect(readFileSync(path).subarray(0, 2).toString()).toBe('PK');

  await page.getByRole('button', { name: 'Publish edition 1' }).click();
  await expect(page.getByText('Edition 1 is on the shelf')).toBeVisible();
  await page.getByRole('button', { name: 'Use it in a project' }).click();
  await expect(page.getByRole('complementary', { name: 'About Weir strap' })).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByLabel('Package to import').setInputFiles(path);
  await expect(page.getByLabel('Template name')).toHaveValue('Weir strap');
  await page.getByLabel('Template name').fill('Weir strap again');
  await saved(page);
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Weir strap/ })).toHaveCount(1);
});

test('a release whose own words cannot be read in their time asks first', async ({ page }) => {
  await page.goto('/bench/quote-slip');
  const hold = page.getByRole('spinbutton', { name: 'Hold' }).or(page.getByRole('textbox', { name: 'Hold' }));
  await hold.fill('2');
  await page.keyboard.press('Enter');
  const release = page.getByRole('button', { name: /^Publish edition \d+$/ });
  await release.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('list', { name: 'What was found' })).toContainText('reads in 5.9 s');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(release).toBeEnabled();
  // Long enough, nothing is asked.
  await hold.fill('6.5');
  await page.keyboard.press('Enter');
  await release.click();
  await expect(page.getByText(/^Edition \d+ is on the shelf$/)).toBeVisible();
  await expect(dialog).toHaveCount(0);
});
