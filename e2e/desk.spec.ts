import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { cellBox, drag, middle, newProject, pixels, saved } from './hands';

const timecode = (seconds: number): string =>
  `00:${String(Math.floor(seconds / 60)).padStart(2, '0')}:${String(seconds % 60).padStart(2, '0')}:00`;

const CLIP_NAMES = ['Lock gates', 'Harbour dusk', 'Weir', 'Reed beds', 'Night deck'];
const CLIP_SECONDS = 30;
const EDL = [
  'TITLE: REGATTA CUT',
  'FCM: NON-DROP FRAME',
  ...Array.from({ length: 10 }, (_, i) => {
    const hour = (seconds: number): string => timecode(seconds).replace(/^00/, '01');
    const source = [timecode(10), timecode(10 + CLIP_SECONDS)];
    const record = [hour(i * CLIP_SECONDS), hour((i + 1) * CLIP_SECONDS)];
    return `${String(i + 1).padStart(3, '0')}  AX  V  C  ${[...source, ...record].join(' ')}\n* FROM CLIP NAME: ${CLIP_NAMES[i % 5]}`;
  }),
  '* LOC: 01:02:00:00 WHITE Second heat',
].join('\n');

// Forty names that are far enough from one another to be forty names.
const SYLLABLES = ['Bre', 'Cal', 'Dor', 'Fen', 'Gor', 'Hul', 'Jas', 'Kem'];
const ENDINGS = ['wick', 'mont', 'aster', 'ingham', 'olde'];
const names = Array.from({ length: 40 }, (_, i) => `${SYLLABLES[i % 8]}${ENDINGS[Math.floor(i / 8)]} Quay`);

/** A sheet of forty titles: one is short, one has a doubled word, one a slip, one hangs over a cut, one covers another; two rows are wrong. */
function sheetOf(): string {
  const rows = names.map((name, i) => {
    const start = 2 + i * 7;
    const role = i === 4 ? 'judge of the the river' : i === 9 ? 'stewrad of the boats' : 'judge of the boats';
    const lasts = i === 2 ? '1.5s' : i === 16 ? '00:00:06:06' : '6s';
    const time = i === 20 ? 'noon' : i === 25 ? timecode(174) : timecode(start);
    return [time, lasts, name, i === 30 ? 'x'.repeat(80) : role].join('\t');
  });
  return ['In\tLasts\tName\tRole', ...rows].join('\n');
}

async function pickProject(page: Page, text: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByText('Drop an EDL').click();
  await (await chooser).setFiles({ name: 'cut.edl', mimeType: 'text/plain', buffer: Buffer.from(text) });
}

const proofed = (page: Page): Promise<void> =>
  expect(page.getByRole('region', { name: 'Proof', exact: true }).getByText('All looked at')).toBeVisible();

test('an editor’s hour: cuts, forty titles, proof, swap, a new edition, two deliveries, undo, export', async ({
  page,
  context,
}) => {
  await newProject(page, 'Regatta, the hour');
  const sheet = page.getByRole('grid', { name: 'Cue sheet' });
  const strip = page.getByRole('region', { name: 'Strip' });

  // Cuts from an edit list; one that is none is refused and changes nothing.
  await page.getByRole('button', { name: 'Add a clip' }).click();
  await page.getByRole('menuitem', { name: 'Cuts from an EDL or OTIO file…' }).click();
  await pickProject(page, 'Dear editor, the cut is on its way.');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed' })).toBeVisible();
  await pickProject(page, EDL);
  // The list counts from one hour; the sheet that comes later counts from nothing, and so does this project.
  const start = page.getByLabel('Start the project at 01:00:00:00, as the file does');
  await expect(start).toBeChecked();
  await start.uncheck();
  await page.getByRole('button', { name: 'Import 10 clips' }).click();
  await expect(strip.getByRole('button', { name: /^Clip / })).toHaveCount(10);
  await expect(
    strip.getByRole('button', { name: /^Clip Weir, from 00:01:00:00, lasts 30:00/ }),
  ).toBeVisible();

  // Forty titles from a sheet: the good rows come in, the two wrong ones are corrected on the spot.
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill(sheetOf());
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await page.getByLabel('Template of rows without one').selectOption({ label: 'Tideline strap' });
  await expect(page.getByText('38 rows are ready, 2 have something wrong')).toBeVisible();
  await page.getByRole('radio', { name: '2 wrong' }).click();
  await expect(page.getByText(/In: needs a time such as/)).toBeVisible();
  await page.getByRole('button', { name: 'Import 38 titles' }).click();
  await page.getByLabel('In, row 1', { exact: true }).fill('00:02:22:00');
  await page.getByLabel('Role, row 2', { exact: true }).fill('judge of the boats');
  await page.getByRole('button', { name: 'Import 2 titles' }).click();
  await expect(page.getByText('40 titles', { exact: false }).first()).toBeVisible();
  await expect(sheet).toHaveAttribute('aria-rowcount', '41');
  await saved(page);

  // The proof finds what is wrong with five of them, and its mends put them right.
  await page.getByRole('radio', { name: 'Proof' }).click();
  await proofed(page);
  const proof = page.getByRole('region', { name: 'Proof', exact: true });
  const mend = async (finding: RegExp, button: string | RegExp): Promise<void> => {
    const item = proof
      .getByRole('listitem')
      .filter({ has: page.getByText(finding) })
      .first();
    // Mends are tried, and offered, for the title that is chosen.
    const look = item.getByRole('button', { name: 'Look at it' });
    if (await look.isVisible()) await look.click();
    await item.getByRole('button', { name: button, exact: true }).first().click();
    await expect(proof.getByText(finding)).toHaveCount(0);
  };
  await mend(/^reads in .*, fully visible/, 'Lengthen');
  await mend(/^“the” twice$/, 'Take one out');
  await mend(/^“stewrad”, perhaps “steward”$/, 'Write “steward”');
  await expect(proof.getByText(/over a cut by \d+ f/).first()).toBeVisible();
  await mend(/^over a cut by 6 f$/, 'End at the cut');
  await mend(/^covers “/, 'Start after it');
  await page.getByRole('radio', { name: 'Card' }).click();

  // Ten of them are swapped to another template, with their words; undone and done again.
  await page.getByRole('button', { name: 'Choose title 1', exact: true }).click();
  await page.getByRole('button', { name: 'Choose title 10', exact: true }).click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Swap template…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Template', { exact: true }).selectOption({ label: 'Chapter card' });
  await expect(dialog.getByText('Every word finds a field.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Swap 10 titles' }).click();
  const corners = sheet.getByRole('gridcell', { name: /^Template, row \d+: Chapter card$/ });
  await expect(corners).toHaveCount(10);
  await expect(sheet.getByRole('gridcell', { name: `Title, row 3: ${names[2]}` })).toBeVisible();
  await page.keyboard.press('ControlOrMeta+z');
  await expect(corners).toHaveCount(0);
  await page.keyboard.press('ControlOrMeta+Shift+z');
  await expect(corners).toHaveCount(10);
  await saved(page);

  // The designer releases a new edition: the desk is told at once, and the titles are brought up to date.
  const bench = await context.newPage();
  await bench.goto('/bench/chapter-card');
  await bench.getByLabel('Template name').fill('Chapter card, new');
  await bench.getByRole('button', { name: /^Publish edition \d+$/ }).click();
  await expect(bench.getByRole('button', { name: /^Edition \d+ published$/ })).toBeDisabled();
  await bench.close();
  await page.getByRole('button', { name: 'Newer editions for 10 titles' }).click();
  await expect(dialog.getByRole('region', { name: /^Title \d+$/ })).toHaveCount(10);
  await dialog
    .getByRole('button', { name: /^Keep edition/ })
    .first()
    .click();
  await dialog.getByRole('button', { name: 'Bring all 9 titles up to date' }).click();
  await expect(sheet.getByRole('gridcell', { name: /: Chapter card, new$/ })).toHaveCount(9);

  // A second delivery, where one title says less and one is left out.
  await page.getByRole('button', { name: 'Delivery: Master' }).click();
  await page.getByRole('menuitem', { name: 'Deliveries…' }).click();
  await page.getByRole('button', { name: 'Add a delivery' }).click();
  await page
    .getByLabel(/^Format of/)
    .nth(1)
    .selectOption({ label: 'Tall 9:16, 1080 × 1920' });
  await page
    .getByLabel(/^Name of/)
    .nth(1)
    .fill('Tall cut-down');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Choose title 20', exact: true }).click();
  await page.keyboard.press('f');
  await expect(page.getByRole('button', { name: 'Delivery: Tall cut-down' })).toBeVisible();
  await page.getByRole('radio', { name: 'Only in Tall cut-down' }).click();
  await page.getByRole('region', { name: 'Card' }).getByLabel('Role', { exact: true }).fill('judge');
  await expect(page.getByText('One field is otherwise in Tall cut-down.')).toBeVisible();
  await page.getByRole('button', { name: 'Choose title 21', exact: true }).click();
  await page.getByRole('switch', { name: 'Left out of Tall cut-down' }).click();
  await expect(sheet.getByText('not in Tall cut-down')).toHaveCount(1);
  await page.keyboard.press('f');
  await expect(page.getByRole('region', { name: 'Card' }).getByLabel('Role', { exact: true })).toHaveValue(
    'judge of the boats',
  );
  await saved(page);

  // The export has all of it, and fills the same titles again, unchanged.
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'More for the cue sheet' }).click();
  await page.getByRole('menuitem', { name: 'Export the cue sheet (CSV)' }).click();
  const csv = readFileSync(await (await waiting).path(), 'utf8');
  expect(csv.trim().split('\r\n')).toHaveLength(41);
  for (const name of names) expect(csv).toContain(name);
  expect(csv).toContain('steward of the boats');
  expect(csv).not.toContain('the the');
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill(csv);
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await expect(page.getByText('40 rows are ready')).toBeVisible();
  await expect(page.getByRole('dialog').getByText('the same as before').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Nothing to take' })).toBeDisabled();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(sheet).toHaveAttribute('aria-rowcount', '41');

  // Everything is still there after a reload, and on the proof sheet in both deliveries.
  await saved(page);
  await page.reload();
  await expect(sheet).toHaveAttribute('aria-rowcount', '41');
  await page.goto(`${page.url()}/proof`);
  await expect(page.getByRole('article')).toHaveCount(40);
  await expect(page.getByRole('article', { name: 'Title 20' }).getByRole('figure')).toHaveCount(2);
  await expect(
    page.getByRole('article', { name: 'Title 21' }).getByText('Tall cut-down: left out'),
  ).toBeVisible();
  await expect(page.locator('[data-proofed="true"]')).toBeVisible();
});

test('two desks on one project see each other’s changes; a conflict names the cell and keeps both values', async ({
  page,
  context,
}) => {
  await page.goto('/desk/lantern-regatta-2');
  const other = await context.newPage();
  await other.goto('/desk/lantern-regatta-2');
  await expect(other.getByRole('grid')).toBeVisible();
  await (await cellBox(page, 'Name, row 4')).fill('Teo Vance the Elder');
  await saved(page);
  await expect(other.getByRole('gridcell', { name: 'Name, row 4: Teo Vance the Elder' })).toBeVisible();

  // Both change the same cell while the other cannot be heard.
  await other.route('**/api/projects/**', (route) => route.abort());
  await (await cellBox(other, 'Role, row 4')).fill('Rigger');
  await (await cellBox(page, 'Role, row 4')).fill('Sailor');
  await saved(page);
  await other.unroute('**/api/projects/**');
  const bar = other.getByRole('alert').filter({ hasText: 'two desks changed it' });
  await expect(bar).toContainText('Title 4, Role');
  await expect(bar).toContainText('Here “Rigger”, there “Sailor”');
  // Not even a reload decides.
  await saved(other);
  await other.reload();
  await expect(bar).toContainText('Here “Rigger”, there “Sailor”');
  await bar.getByRole('button', { name: 'Keep what is here' }).click();
  await expect(
    page.getByRole('region', { name: 'Cue sheet' }).getByLabel('Role, row 4', { exact: true }),
  ).toHaveValue('Rigger');
  await page.keyboard.press('Escape');
  await (await cellBox(page, 'Name, row 4')).fill('Teo Vance');
  await saved(page);
});

test('the server stops in the middle: typing goes on, is kept through a reload, and is saved when it is back', async ({
  page,
}) => {
  await page.goto('/desk/lantern-regatta-2');
  await page.route('**/api/projects/**', (route) => route.abort());
  await (await cellBox(page, 'Name, row 7')).fill('Noor H.');
  await expect(page.getByRole('status').filter({ hasText: 'not saved yet, Gilder is away' })).toBeVisible();
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise((resolve) => {
            const opening = indexedDB.open('keyval-store');
            opening.onsuccess = () => {
              const keys = opening.result.transaction('keyval').objectStore('keyval').getAllKeys();
              keys.onsuccess = () => resolve(keys.result.map(String).join());
            };
          }),
      ),
    )
    .toContain('gilder-desk-lantern-regatta-2');
  await page.reload();
  await page.unroute('**/api/projects/**');
  await expect(page.getByRole('gridcell', { name: 'Name, row 7: Noor H.' })).toBeVisible();
  await saved(page);
  await (await cellBox(page, 'Name, row 7')).fill('Noor Halloran');
  await saved(page);
});

test('titles are placed by key, on a clip, over a range and from the drawer; clips are trimmed and reordered', async ({
  page,
}) => {
  await newProject(page, 'Placing');
  const strip = page.getByRole('region', { name: 'Strip' });
  const titlesOn = strip.getByRole('button', { name: /, from .*, lasts/ }).filter({ hasNotText: /^$/ });
  const bars = strip.locator('[data-lane] button');

  // By key: T, a few letters, Enter; then the words.
  await page.getByTestId('under-playhead').click();
  await page.keyboard.press('t');
  await page.keyboard.type('tideline');
  // The shelf's templates come a moment after the desk.
  await expect(page.getByRole('button', { name: /^Tideline strap/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Ilse Marrow');
  await expect(strip.getByRole('button', { name: /^Ilse Marrow, from 00:00:00:00/ })).toBeVisible();

  // On the second clip, all of it.
  const second = strip.locator('[data-clips] button').nth(1);
  const clip = await middle(second);
  await page.mouse.click(clip.x, clip.y);
  await page.getByRole('button', { name: 'Title', exact: true }).click();
  await expect(page.getByLabel('Where it goes')).toHaveValue('whole');
  await page.getByRole('button', { name: /^Place corner/ }).click();
  await expect(bars).toHaveCount(2);
  await expect(strip.locator('[data-lane] button').filter({ hasText: 'Place corner' })).toHaveAttribute(
    'aria-label',
    /from 00:00:12:00, lasts 12:00/,
  );

  // Over a range that was marked with Shift on the ruler.
  const ruler = await middle(strip.getByRole('slider', { name: 'Playhead' }));
  await page.keyboard.down('Shift');
  await drag(page, { x: ruler.x, y: ruler.y }, { x: 90, y: 0 });
  await page.keyboard.up('Shift');
  await expect(strip.getByText(/^Range of/)).toBeVisible();
  await page.getByRole('button', { name: 'Title', exact: true }).click();
  await expect(page.getByLabel('Where it goes')).toHaveValue('range');
  await page.getByRole('button', { name: /^Tideline strap/ }).click();
  await expect(bars).toHaveCount(3);

  // From the drawer, dragged onto a clip: it takes the clip's time.
  await strip.getByRole('button', { name: 'Shelf drawer' }).click();
  const tile = page.getByRole('button', { name: 'Opening lockup, place it' });
  await tile.dragTo(strip.locator('[data-clips] button').first());
  await expect(bars).toHaveCount(4);
  await expect(
    strip.getByRole('button', { name: /^Opening lockup, from 00:00:00:00, lasts 12:00/ }),
  ).toBeVisible();
  await tile.dblclick();
  await expect(bars).toHaveCount(5);
  await strip.getByRole('button', { name: 'Shelf drawer' }).click();

  // A clip that is trimmed takes what follows along, titles too; undo brings all back.
  const first = strip.locator('[data-clips] button').first();
  const box = await middle(first);
  await drag(page, { x: box.x + box.width / 2 - 3, y: box.y }, { x: -60, y: 0 });
  await expect(strip.getByRole('button', { name: /^Place corner, from 00:00:12:00/ })).toHaveCount(0);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(strip.getByRole('button', { name: /^Place corner, from 00:00:12:00/ })).toBeVisible();
  expect(await titlesOn.count()).toBeGreaterThan(0);

  // Alone on a background, the pictures behind it move back.
  const clips = strip.locator('[data-clips] button');
  const before = await clips.count();
  await page.getByRole('button', { name: 'Title', exact: true }).click();
  await page.getByLabel('Where it goes').selectOption({ label: 'Alone, later pictures move back' });
  await page.getByRole('button', { name: /^Ribbon bumper/ }).click();
  await expect(strip.getByRole('button', { name: /^Clip Background/ })).toBeVisible();
  expect(await clips.count()).toBeGreaterThan(before);
  await saved(page);
});

const video = (name: string, codec: readonly string[]): string => {
  const path = test.info().outputPath(name);
  const source = ['-f', 'lavfi', '-i', 'testsrc=size=320x180:rate=25:duration=2'];
  execFileSync('ffmpeg', ['-v', 'error', ...source, ...codec, '-pix_fmt', 'yuv420p', path]);
  return path;
};

test('a video becomes a clip that is shown, by a copy where browsers cannot show it; what is none is refused', async ({
  page,
}) => {
  await newProject(page, 'Video');
  const clips = page.getByRole('region', { name: 'Strip' }).locator('[data-clips] button');
  const before = await clips.count();
  const files = page.getByTestId('clip-files');
  await files.setInputFiles(video('odd.mp4', ['-c:v', 'mpeg4']));
  await expect(clips).toHaveCount(before + 1);
  await expect(page.getByRole('button', { name: /^Clip odd, from / })).toBeVisible();
  await files.setInputFiles({
    name: 'not.mp4',
    mimeType: 'video/mp4',
    buffer: Buffer.from('no video at all'),
  });
  await expect(page.getByText(/"not.mp4": needs a video/)).toBeVisible();
  await expect(clips).toHaveCount(before + 1);
  await files.setInputFiles(video('pan.webm', ['-c:v', 'libvpx-vp9', '-b:v', '400k']));
  await expect(clips).toHaveCount(before + 2);
  const clip = page.getByRole('button', { name: /^Clip pan, from .*, lasts 02:00$/ });
  await expect(clip).toBeVisible();
  // Shown under the playhead: it is another picture at another frame.
  const picture = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  await page.getByRole('slider', { name: 'Playhead' }).focus();
  await page.keyboard.press(']');
  const bar = await middle(clip);
  const ruler = await middle(page.getByRole('slider', { name: 'Playhead' }));
  await page.mouse.click(bar.x - bar.width / 2 + 2, ruler.y);
  const plain = await pixels(picture);
  await page.mouse.click(bar.x + bar.width / 3, ruler.y);
  await expect.poll(() => pixels(picture)).not.toBe(plain);
  await saved(page);
});

test('a sheet of thousands of wrong and odd rows is shown as it is, and only what is right comes in', async ({
  page,
}) => {
  await newProject(page, 'Odd sheet');
  const rows = Array.from({ length: 5000 }, (_, i) => {
    if (i === 0) return `0s,4s,=SUM(A1),"${'long '.repeat(20_000)}"`;
    if (i === 1) return '6s,4s,نور الهلالي,مرشدة المد';
    return i % 2 === 0 ? `late,4s,Guest ${i},judge` : `${i * 6}s,4s,Guest ${i},judge`;
  });
  const text = ['In,Lasts,Name,Name', ...rows].join('\r\n');
  const bytes = Buffer.concat([Buffer.from(text, 'utf8'), Buffer.from([0xe9, 0x0a])]);
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByText('Drop a spreadsheet here').click();
  await (await chooser).setFiles({ name: 'odd.csv', mimeType: 'text/csv', buffer: bytes });
  await expect(page.getByText(/not all UTF-8/)).toBeVisible();
  await expect(page.getByText(/"Name" is there 2 times/)).toBeVisible();
  await page.getByLabel('What “Name (2)” is').selectOption({ label: 'Role' });
  await expect(page.getByText(/^2500 rows are ready, 2500 have something wrong$/)).toBeVisible();
  await page.getByRole('button', { name: 'Import 2500 titles' }).click();
  await expect(page.getByText('2500 rows wait to be corrected', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', '2501');
  await page.keyboard.press('ControlOrMeta+z');
  await expect(page.getByText('No titles yet.', { exact: false })).toBeVisible();
});
