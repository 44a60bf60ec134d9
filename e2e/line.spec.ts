import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { cellBox, drag, middle, pixels, saved } from './hands';

const decodeFrame = (path: string, frame: number): Buffer =>
  execFileSync(
    'ffmpeg',
    [
      '-v',
      'error',
      '-i',
      path,
      '-vf',
      `select=eq(n\\,${frame})`,
      '-frames:v',
      '1',
      '-f',
      'rawvideo',
      '-pix_fmt',
      'rgba',
      '-',
    ],
    { maxBuffer: 64 * 1024 * 1024 },
  );

test('from the shelf over bench, release and desk to a file that is proven', async ({ page }) => {
  // The shelf: a tile plays while it is pointed at, and rests again afterwards.
  await page.goto('/shelf');
  const tile = page.getByRole('button', { name: /^Tideline strap/ });
  const preview = tile.locator('canvas');
  // A tile is painted once it comes into view.
  await tile.scrollIntoViewIfNeeded();
  await expect(preview).toHaveAttribute('data-titles', '1');
  await page.getByLabel('Find a template').fill('role');
  await expect(page.getByRole('button', { name: /^Place corner/ })).toHaveCount(0);
  await page.getByLabel('Find a template').fill('');
  const rest = await pixels(preview);
  await tile.hover();
  await expect.poll(() => pixels(preview)).not.toBe(rest);
  await page.getByLabel('Find a template').hover();
  await expect.poll(() => pixels(preview)).toBe(rest);
  await tile.click();
  await page.getByRole('link', { name: 'Open on Bench' }).click();

  // The bench: type on the picture, drag, nudge, set a colour, open it, undo and redo.
  await expect(page.getByLabel('Template name')).toHaveValue('Tideline strap');
  await page.getByRole('button', { name: 'Name line', exact: true }).click();
  const well = page.getByTestId('well');
  await expect(well).toBeVisible();
  const picture = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  const before = await pixels(picture);
  await page.getByTestId('part-now').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Mira Stott');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('textbox', { name: 'Text', exact: true })).toHaveValue('Mira Stott');
  await expect.poll(() => pixels(picture)).not.toBe(before);

  await page.getByRole('tab', { name: 'Place' }).click();
  const down = page.getByRole('textbox', { name: 'Offset down' });
  await expect(down).toHaveValue('-74');
  const frame = await well.boundingBox();
  if (frame === null) throw new Error('no well');
  const scale = frame.width / 1920;
  await drag(page, { x: frame.x + 200 * scale, y: frame.y + 900 * scale }, { x: 0, y: -70 });
  await expect(down).not.toHaveValue('-74');
  await page.keyboard.press('ControlOrMeta+z');
  await expect(down).toHaveValue('-74');
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect(down).not.toHaveValue('-74');
  await page.keyboard.press('ControlOrMeta+z');
  await page.getByTestId('part-now').click();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(down).toHaveValue('-84');

  await page.getByRole('button', { name: 'Gold edge', exact: true }).click();
  await page.getByRole('tab', { name: 'Type' }).click();
  await page.getByLabel('Fill, hex').fill('#e05a3c');
  await page.getByRole('button', { name: 'Fill, open to editors' }).click();
  await page.getByRole('tab', { name: 'Card' }).click();
  await page.getByLabel('Name of the field for Gold edge: fill').fill('Edge colour');

  // Reloaded in the middle, everything is still there.
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Card' }).click();
  await expect(page.getByLabel('Edge colour, hex')).toHaveValue('#e05a3c');
  await page.getByRole('button', { name: 'Publish edition 2' }).click();
  await expect(page.getByText('Edition 2 is on the shelf')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Edition 2 published' })).toBeDisabled();

  // The shelf again: placed on the project.
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await page.getByRole('button', { name: /^Tideline strap/ }).click();
  await page.getByRole('button', { name: 'Place on a project' }).click();
  await page.getByRole('menuitem', { name: 'Lantern Regatta, day two' }).click();

  // The desk: the new title is chosen; its name is typed, then it is stretched.
  await expect(page.getByText('11 titles')).toBeVisible();
  const sheet = page.getByRole('region', { name: 'Cue sheet' });
  await expect(sheet.getByRole('row', { selected: true })).toHaveCount(1);
  await expect(sheet.getByRole('textbox', { name: /^Name, row/ })).toBeFocused();
  await page.keyboard.type('Wim Ferrow');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Ferry cook');
  await expect(page.getByRole('region', { name: 'Card' }).getByLabel('Name', { exact: true })).toHaveValue(
    'Wim Ferrow',
  );
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Home');
  const start = sheet.getByRole('textbox', { name: /^In, row/ });
  await start.fill('1:45:00');
  await page.keyboard.press('Enter');
  await expect(start).toHaveValue('00:01:45:00');
  const onStrip = page
    .getByRole('region', { name: 'Strip' })
    .getByRole('button', { name: /^Wim Ferrow, from 00:01:45:00/ });
  const bar = await middle(onStrip);
  await drag(page, { x: bar.x + bar.width / 2 - 3, y: bar.y }, { x: 60, y: 0 }, true);
  await expect(onStrip).toContainText(/lasts \d+:\d+ · reads in/);
  await page.mouse.up();
  const lasts = await cellBox(page, 'Duration, row 11');
  await expect(lasts).not.toHaveValue('05:20');
  await lasts.fill('6s');
  await page.keyboard.press('Enter');
  await expect(lasts).toHaveValue('06:00');
  await expect(page.getByRole('region', { name: 'Picture' }).locator('canvas')).toBeVisible();

  // A wrong time stays as typed, says what is wrong, and changes nothing.
  await lasts.fill('soon');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Needs a time such as' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(lasts).toHaveValue('06:00');

  // The other straps are compared with the new edition, and all follow it.
  await page.getByRole('button', { name: 'Newer editions for 7 titles' }).click();
  await page.getByRole('button', { name: 'Bring all 7 titles up to date' }).click();
  await expect(page.getByRole('button', { name: /^Newer edition/ })).toHaveCount(0);
  await saved(page);

  // The press: one title to lossless MOV.
  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('radio', { name: 'The chosen title' }).click();
  await page.getByRole('checkbox', { name: /^MOV, lossless alpha/ }).check();
  await page.getByRole('button', { name: /^Send( anyway)?$/ }).click();
  const job = page.getByRole('article').first();
  await expect(job.getByText('done')).toBeVisible({ timeout: 180_000 });
  const waiting = page.waitForEvent('download');
  await job.getByRole('link', { name: /^Download .*wim-ferrow\.mov$/ }).click();
  const file = await (await waiting).path();

  const probe = JSON.parse(
    execFileSync('ffprobe', [
      '-v',
      'error',
      '-count_frames',
      '-show_streams',
      '-of',
      'json',
      file,
    ]).toString(),
  );
  expect(probe.streams[0]).toMatchObject({
    codec_name: 'png',
    width: 1920,
    height: 1080,
    r_frame_rate: '25/1',
    nb_read_frames: '150',
  });
  const at = (data: Buffer, x: number, y: number): number[] => [
    ...data.subarray((y * 1920 + x) * 4, (y * 1920 + x) * 4 + 4),
  ];
  const hold = decodeFrame(file, 75);
  // The edge: 8 u wide from the title-safe line, in the colour that was set. Beside and above the title: nothing.
  expect(at(hold, 99, 940)).toEqual([0xe0, 0x5a, 0x3c, 255]);
  expect(at(hold, 1500, 300)).toEqual([0, 0, 0, 0]);
  expect(at(hold, 40, 940)[3]).toBe(0);
  // The panel covers 94 %, and its shadow 45 % of what is left.
  expect(Math.abs(at(hold, 110, 1000)[3] - 247)).toBeLessThanOrEqual(1);
  const first = decodeFrame(file, 0);
  expect(first.every((byte) => byte === 0)).toBe(true);
});

test('two tabs on one template: the second is told, and neither loses its work', async ({
  context,
  page,
}) => {
  await page.goto('/bench/place-corner');
  const other = await context.newPage();
  await other.goto('/bench/place-corner');
  await page.getByLabel('Template name').fill('Place corner, mine');
  await saved(page);
  await other.getByLabel('Template name').fill('Place corner, theirs');
  await expect(other.getByRole('alert').filter({ hasText: 'changed elsewhere' })).toBeVisible();
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await page.reload();
  await expect(page.getByLabel('Template name')).toHaveValue('Place corner, theirs');
  await page.getByLabel('Template name').fill('Place corner');
  await saved(page);
});

test('while the server is away typing goes on, and is saved when it is back', async ({ page }) => {
  await page.goto('/bench/opening-lockup');
  await expect(page.getByTestId('well')).toBeVisible();
  await page.route('**/api/templates/**', (route) => route.abort());
  await page.getByLabel('Template name').fill('Opening lockup two');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be reached' })).toBeVisible();
  await page.unroute('**/api/templates/**');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Template name')).toHaveValue('Opening lockup two');
  await page.getByLabel('Template name').fill('Opening lockup');
  await saved(page);
});

test('what the server has not got outlives a reload on the bench, and so do the steps of undo', async ({
  page,
}) => {
  await page.goto('/bench/opening-lockup');
  await expect(page.getByTestId('well')).toBeVisible();
  const name = page.getByLabel('Template name');
  await page.route('**/api/templates/**', (route) => route.abort());
  await name.fill('Opening lockup kept');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be reached' })).toBeVisible();
  await expect.poll(() => keptKeys(page)).toContain('gilder-bench-opening-lockup');
  await expect.poll(() => keptKeys(page)).toContain('gilder-steps-template-opening-lockup');
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(name).toHaveValue('Opening lockup kept');
  await page.unroute('**/api/templates/**');
  await saved(page);
  // The step was made before the reload, and is taken back after it.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(name).toHaveValue('Opening lockup');
  await saved(page);
  await page.reload();
  await expect(name).toHaveValue('Opening lockup');
});

/** The names under which this browser keeps things. */
function keptKeys(page: Page): Promise<string> {
  return page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open('keyval-store');
        opening.onsuccess = () => {
          const keys = opening.result.transaction('keyval').objectStore('keyval').getAllKeys();
          keys.onsuccess = () => resolve(keys.result.map(String).join());
        };
      }),
  );
}
