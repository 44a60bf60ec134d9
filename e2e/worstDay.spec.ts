import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { saved } from './hands';

const folder = mkdtempSync(join(tmpdir(), 'gilder-worst-day-'));
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

// Written by hand from SMPTE ST 12-1 and the rules of CMX 3600: 29.97 frames a second with drop frame, an hour's start.
const firstCut = (tag: string): string => `TITLE: NIGHT FERRY, FIRST
FCM: DROP FRAME
001  A001     V     C        10:00:00;00 10:00:20;00 01:00:00;00 01:00:20;00
* FROM CLIP NAME: JETTY-${tag}.MOV
002  A002     V     C        11:00:00;00 11:00:40;00 01:00:20;00 01:01:00;02
* FROM CLIP NAME: TOWPATH-${tag}.MOV`;
// The towpath comes first now, cut shorter at its head, and a dissolve leads to the jetty; bars before the hour.
const recut = (tag: string): string => `TITLE: NIGHT FERRY, RECUT
FCM: DROP FRAME
001  BARS     V     C        00:00:00;00 00:00:10;00 00:59:50;00 01:00:00;00
002  A002     V     C        11:00:04;00 11:00:30;00 01:00:00;00 01:00:26;00
* FROM CLIP NAME: TOWPATH-${tag}.MOV
003  A002     V     C        11:00:30;00 11:00:30;00 01:00:26;00 01:00:26;00
003  A001     V     D    015  10:00:00;00 10:01:44;02 01:00:26;00 01:02:10;02
* FROM CLIP NAME: TOWPATH-${tag}.MOV
* TO CLIP NAME: JETTY-${tag}.MOV
somebody leant on the keyboard`;

const SHEET = [
  'TC In,Dur,Graphic,Person,Job title',
  '01:00:02;00,5s,Tideline strap,Brewick Quay,Night pilot',
  '01:00:24;00,5s,Tideline strap,Calmont Quay,Boat builder',
  '01:00:34;00,5s,Tideline strap,Doraster Quay,Ship captain',
].join('\n');
const CHANGED = SHEET.replace('Boat builder', 'Harbour master')
  .replace(/\n[^\n]*Doraster.*/, '')
  .concat('\n01:00:08;00,5s,Tideline strap,Fenolde Quay,Steward');

const proof = (page: Page) => page.getByRole('region', { name: 'Proof', exact: true });
const pickCut = async (page: Page, text: string): Promise<void> => {
  await page.getByRole('button', { name: 'Add a clip' }).click();
  await page.getByRole('menuitem', { name: 'Cuts from an EDL or OTIO file…' }).click();
  await page
    .getByLabel('Cut list file')
    .setInputFiles({ name: 'cut.edl', mimeType: 'text/plain', buffer: Buffer.from(text) });
};
const fill = async (page: Page, text: string): Promise<void> => {
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill(text);
  await page.getByRole('button', { name: 'Look at the rows' }).click();
};

test('an editor’s worst day', async ({ page }) => {
  // Pictures that were brought in once are found again: a second try needs names of its own.
  const { repeatEachIndex, retry } = test.info();
  const tag = `${repeatEachIndex}${retry}`;
  const pictures = ['-f', 'lavfi', '-i', 'color=c=0x101820:size=320x180:rate=30000/1001:duration=110'];
  const sound = ['-f', 'lavfi', '-i', 'sine=frequency=300:duration=110'];
  for (const [name, start] of [
    [`jetty-${tag}.mov`, '10:00:00;00'],
    [`towpath-${tag}.mov`, '11:00:00;00'],
  ])
    execFileSync('ffmpeg', [
      ...['-v', 'error', '-y', ...pictures, ...sound, '-c:v', 'mpeg4'],
      ...['-c:a', 'pcm_s16le', '-timecode', start, join(folder, name)],
    ]);

  await page.goto('/desk');
  await page.getByRole('button', { name: 'New project' }).click();
  await page.getByLabel('Name', { exact: true }).fill('The worst day');
  await page.getByLabel('Frame rate').selectOption('29.97');
  await page.getByRole('button', { name: 'Open the desk' }).click();
  const sheet = page.getByRole('grid', { name: 'Cue sheet' });
  const strip = page.getByRole('region', { name: 'Strip' });
  // Nobody asked for stand-ins.
  await expect(strip.getByRole('button', { name: /^Clip / })).toHaveCount(0);

  // A cut whose pictures are not here: counted, and nothing over them is called clear.
  await pickCut(page, firstCut(tag));
  await page.getByRole('button', { name: 'Import 2 clips' }).click();
  await expect(page.getByRole('button', { name: '2 pictures are missing' })).toBeVisible();

  // A sheet with other people's column names comes in without a click.
  await fill(page, SHEET);
  await page.getByRole('button', { name: 'Import 3 titles' }).click();
  await expect(sheet).toHaveAttribute('aria-rowcount', '4');
  await expect(sheet.getByText('not looked at: no picture')).toHaveCount(3);
  await expect(sheet.getByText('clear', { exact: true })).toHaveCount(0);

  // The pictures are found in a folder: a format that browsers cannot show gets a copy to look at.
  await page.getByRole('button', { name: '2 pictures are missing' }).click();
  await page.getByTestId('relink-folder').setInputFiles(folder);
  await expect(page.getByRole('status').getByText('2 clips have a picture now.')).toBeVisible();
  await expect(page.getByText('Every clip has its picture.')).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
  await expect(sheet.getByText('clear', { exact: true })).toHaveCount(3);
  await saved(page);

  // The sheet was changed and is put in again: nothing twice, old beside new, what is gone only where it is ticked.
  await fill(page, CHANGED);
  await expect(page.getByText('Role: Boat builder → Harbour master')).toBeVisible();
  await expect(page.getByText('the same as before')).toHaveCount(1);
  await page.getByText(/^1 title of the last time is not in the sheet any more/).click();
  await page.getByRole('checkbox', { name: /Doraster Quay/ }).check();
  await page.getByRole('button', { name: 'Import 1 title, change 1, remove 1' }).click();
  await expect(sheet).toHaveAttribute('aria-rowcount', '4');

  // A recut: titles go along with what they stand over, and each choice is shown first.
  await pickCut(page, recut(tag));
  await expect(page.getByText('Event 003: a dissolve of 15 frames is a cut where it begins.')).toBeVisible();
  await expect(page.getByText(/^Line 10: .* It was left out\.$/)).toBeVisible();
  await expect(page.getByText('1 event before 01:00:00;00, a leader, was left out.')).toBeVisible();
  const choices = page.getByRole('region', { name: 'What becomes of the titles' }).getByRole('combobox');
  await expect(choices).toHaveCount(3);
  await page.getByRole('button', { name: 'Import 2 clips' }).click();
  const starts = sheet.getByRole('gridcell', { name: /^In, row \d+: / });
  // Four seconds into the towpath, which is its first frame now; two and eight into the jetty.
  await expect(starts).toHaveText(['01:00:00;00', '01:00:28;00', '01:00:34;00']);
  await expect(
    strip.getByRole('button', { name: new RegExp(`^Clip JETTY-${tag}\\.MOV, from 01:00:26;00`) }),
  ).toBeVisible();

  // Ten names by keys alone: a copy, its name, its role.
  await sheet.getByRole('gridcell', { name: /^Name, row 3: / }).click();
  await page.keyboard.press('Escape');
  const names = ['Gorwick', 'Hulmont', 'Jasaster', 'Kemingham', 'Briolde', 'Caswick', 'Delmont', 'Fyraster'];
  for (const name of [...names, 'Golingham', 'Harolde']) {
    await page.keyboard.press('d');
    await page.keyboard.type(`${name} Quay`);
    await page.keyboard.press('Tab');
    await page.keyboard.type('Night pilot');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
  }
  await expect(sheet).toHaveAttribute('aria-rowcount', '14');
  await expect(sheet.getByRole('gridcell', { name: /^Name, row \d+: Gorwick Quay$/ })).toHaveCount(1);
  await expect(sheet.getByRole('gridcell', { name: /^Name, row \d+: Harolde Quay$/ })).toHaveCount(1);

  // Nothing is wrong, nothing is called clear that was not looked at, and a reload loses nothing.
  await page.getByRole('radio', { name: 'Proof' }).click();
  await expect(proof(page).getByText('All looked at')).toBeVisible();
  await expect(sheet.getByText('clear', { exact: true })).toHaveCount(13);
  await expect(page.getByText('all clear')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(sheet).toHaveAttribute('aria-rowcount', '14');
  // Nobody has looked since the page was opened anew; then somebody has.
  await page.getByRole('radio', { name: 'Proof' }).click();
  await expect(proof(page).getByText('All looked at')).toBeVisible();
  await expect(page.getByText('all clear')).toBeVisible();
});

test('an edition is gone back to: seen beside the present one, and kept', async ({ page }) => {
  const bench = await (await page.request.get('/api/templates/chapter-card')).json();
  const { document, revision, latestEdition } = bench;
  const longer = {
    ...document,
    timing: { ...document.timing, holdSeconds: document.timing.holdSeconds + 3 },
  };
  const put = await page.request.put('/api/templates/chapter-card', { data: { revision, document: longer } });
  expect(put.ok()).toBe(true);
  const now = await (await page.request.get('/api/templates/chapter-card')).json();
  const release = await page.request.post('/api/templates/chapter-card/release', {
    data: { revision: now.revision },
  });
  expect(release.ok()).toBe(true);

  await page.goto('/desk');
  await page.getByRole('button', { name: 'New project' }).click();
  await page.getByLabel('Put stand-in pictures on its strip').check();
  await page.getByLabel('Name', { exact: true }).fill('Back again');
  await page.getByRole('button', { name: 'Open the desk' }).click();
  await expect(page.getByRole('heading', { name: 'Back again' })).toBeVisible();
  await page.getByTestId('under-playhead').click();
  await page.keyboard.press('t');
  await page.keyboard.type('chapter');
  // The shelf's templates come a moment after the desk.
  await expect(page.getByRole('button', { name: /^Chapter card/ })).toBeVisible();
  await page.keyboard.press('Enter');
  const card = page.getByRole('region', { name: 'Card' });
  await card.getByRole('button', { name: `edition ${latestEdition + 1}` }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Edition').selectOption({ index: 1 });
  await expect(dialog.getByRole('figure')).toHaveCount(2);
  const { holdSeconds } = document.timing;
  await expect(dialog.getByText(`Hold: ${holdSeconds + 3} s → ${holdSeconds} s`)).toBeVisible();
  await dialog.getByRole('button', { name: 'Play both' }).click();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await dialog.getByRole('button', { name: `Use edition ${latestEdition}` }).click();
  await expect(card.getByRole('button', { name: `edition ${latestEdition}`, exact: true })).toBeVisible();
  // It is meant: nothing is told of a newer one.
  await page.getByRole('radio', { name: 'Proof' }).click();
  await expect(proof(page).getByText('All looked at')).toBeVisible();
  await expect(proof(page).getByText(/edition \d+ is out/)).toHaveCount(0);
  await saved(page);
});
