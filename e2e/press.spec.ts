import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { cellBox, newProject, saved } from './hands';

interface MadeJob {
  readonly id: string;
  readonly files: readonly { readonly name: string; readonly sha256: string; readonly reused?: boolean }[];
}

async function newestJob(page: Page): Promise<MadeJob> {
  const { jobs }: { jobs: MadeJob[] } = await (await page.request.get('/api/jobs')).json();
  return jobs[0];
}

/** The SHA-256 of each file in a folder under the folder of delivery, by name. */
function inFolder(folder: string): ReadonlyMap<string, string> {
  const path = join(String(process.env.GILDER_TEST_DELIVERIES), folder);
  const hashed = (name: string): string =>
    createHash('sha256')
      .update(readFileSync(join(path, name)))
      .digest('hex');
  return new Map(readdirSync(path).map((name) => [name, hashed(name)]));
}

/** Chooses kinds of file, and no others, in the dialog that is open. */
async function chooseKinds(page: Page, ...kinds: readonly RegExp[]): Promise<void> {
  const group = page.getByRole('group', { name: 'Kinds of file' });
  await expect(group).toBeVisible();
  for (const box of await group.getByRole('checkbox').all()) await box.uncheck();
  for (const kind of kinds) await group.getByRole('checkbox', { name: kind }).check();
}

async function send(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Send( anyway)?$/ }).click();
  await expect(page.getByRole('article').first().getByText('done')).toBeVisible({ timeout: 180_000 });
}

test('one word changed among forty titles makes one file again, and timelines refer to files that are there', async ({
  page,
}) => {
  await newProject(page, 'Forty straps');
  const desk = page.url();
  const rows = Array.from(
    { length: 40 },
    (_, i) => `${2 + i * 6}s\t3s\tGuest ${i + 1}\tRower of boat ${i + 1}`,
  );
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill(['In\tLasts\tName\tRole', ...rows].join('\n'));
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await page.getByLabel('Template of rows without one').selectOption({ label: 'Tideline strap' });
  await page.getByRole('button', { name: 'Import 40 titles' }).click();
  await saved(page);

  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('radio', { name: 'All 40 titles' }).click();
  await chooseKinds(page, /^PNG still$/);
  await page.getByLabel('File names', { exact: true }).fill('{number}');
  await page.getByLabel('Folder', { exact: true }).fill('{project}/{delivery}');
  await expect(page.getByText('Put into forty-straps/master, in place of')).toBeVisible();
  await send(page);
  await expect(page.getByRole('article').first()).toContainText('put into forty-straps/master and read back');
  const delivered = inFolder('forty-straps/master');
  const first = await newestJob(page);
  expect(first.files).toHaveLength(40);

  await page.goto(desk);
  const name = await cellBox(page, 'Name, row 7');
  await name.fill('Ilse Marrow');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('radio', { name: 'All 40 titles' }).click();
  // It is said before it is sent; names and folder are as they were sent last.
  await expect(page.getByText('39 files are there already.')).toBeVisible();
  await send(page);
  await expect(page.getByRole('article').first()).toContainText('39 of 40 files as made before');
  const second = await newestJob(page);
  const hashOf = (job: MadeJob): ReadonlyMap<string, string> =>
    new Map(job.files.map((file) => [file.name, file.sha256]));
  const [before, after] = [hashOf(first), hashOf(second)];
  const changed = [...after].filter(([file, hash]) => before.get(file) !== hash).map(([file]) => file);
  expect(changed).toEqual(['007.png']);
  // Whoever links to the folder of delivery has the new one under the name of the old.
  await expect(page.getByRole('article').first()).toContainText('put into forty-straps/master and read back');
  const now = inFolder('forty-straps/master');
  expect([...now.keys()]).toEqual([...delivered.keys()]);
  for (const [file, hash] of after) expect([file, now.get(file)]).toEqual([file, hash]);
  expect(delivered.get('007.png')).toBe(before.get('007.png'));

  const waiting = page.waitForEvent('download');
  await page
    .getByRole('link', { name: /^Download all/ })
    .first()
    .click();
  const zip = await (await waiting).path();
  const inside = execFileSync('unzip', ['-Z1', zip], { encoding: 'utf8' }).trim().split('\n');
  const otio = inside.find((file) => file.endsWith('.otio')) ?? '';
  const edl = inside.find((file) => file.endsWith('.edl')) ?? '';
  const text = (file: string): string => execFileSync('unzip', ['-p', zip, file], { encoding: 'utf8' });
  const inOtio = [...text(otio).matchAll(/"target_url": "([^"]+)"/g)].map(([, url]) =>
    decodeURIComponent(url),
  );
  const inEdl = [...text(edl).matchAll(/^\* SOURCE FILE: (.+?)\r?$/gm)].map(([, file]) => file);
  expect(inOtio.toSorted()).toEqual([...after.keys()].toSorted());
  expect(inEdl.toSorted()).toEqual(inOtio.toSorted());
  expect(inside).toEqual(expect.arrayContaining(inOtio));
});

test('a programme goes out over its pictures by keys, with captions beside it; fill and key are a pair', async ({
  page,
}) => {
  // Without stand-ins it is as long as its title.
  const started = await page.request.post('/api/projects', {
    data: { name: 'Over pictures', production: '', format: 'wide-1080', rate: '25' },
  });
  const desk = `/desk/${(await started.json()).id}`;
  await page.goto(desk);
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill('In\tLasts\tName\tRole\n1s\t2s\tIlse Marrow\tLockkeeper');
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await page.getByLabel('Template of rows without one').selectOption({ label: 'Tideline strap' });
  await page.getByRole('button', { name: 'Import 1 title' }).click();
  await saved(page);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const toPress = page.getByRole('button', { name: 'Send to Press' });
  // A dialog that has just closed gives its place back to the sheet after a moment.
  await expect(async () => {
    await toPress.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('group', { name: 'Kinds of file' })).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 30_000 });
  // Pictures lie under whole programmes only.
  await expect(page.getByRole('checkbox', { name: /^MP4/ })).toHaveCount(0);
  await chooseKinds(page, /^Fill and key, ProRes/);
  await page.getByRole('checkbox', { name: 'Colours premultiplied' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Makes 2 files.')).toBeVisible();
  await send(page);
  const pair = page.getByRole('article').first();
  await pair.getByRole('button', { name: /-fill\.mov$/ }).click();
  const viewer = page.getByRole('complementary', { name: 'Viewer' });
  await expect(viewer).toContainText('Fill: the colours over black');
  await pair.getByRole('button', { name: /-key\.mov$/ }).click();
  await expect(viewer).toContainText('Key: how opaque it is, as a grey');
  await expect(viewer.getByRole('radiogroup', { name: 'Ground' })).toHaveCount(0);

  await page.goto(desk);
  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('radio', { name: 'The whole programme' }).click();
  await chooseKinds(page, /^MP4, H.264/);
  await page.getByRole('checkbox', { name: 'Timecode and title numbers burnt in' }).check();
  await send(page);
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download proof-copy.mp4' }).first().click();
  const file = await (await waiting).path();
  const said = execFileSync('ffprobe', [
    ...'-v error -count_frames -show_entries stream=codec_name,width,nb_read_frames -of json'.split(' '),
    file,
  ]).toString();
  const [video] = JSON.parse(said).streams;
  expect(video).toMatchObject({ codec_name: 'h264', width: 1920 });
  expect(Number(video.nb_read_frames)).toBeGreaterThan(70);
  await page.getByRole('button', { name: 'proof-copy.mp4' }).first().click();
  await expect(viewer.locator('video')).toBeVisible();
  await expect(viewer).toContainText('decoded frames with what was painted');
});
