import { execFileSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { createReadStream, readdirSync, writeFileSync } from 'node:fs';
import type { Socket } from 'node:net';
import { connect, createServer } from 'node:net';
import { appendFile, mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page, TestInfo } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { tidelineStrap } from '../demo/templates';
import { writeTemplatePackage } from '../src/core/formats/templatePackage/templatePackage';
import { newPictureLayer } from '../src/core/model/newLayers';
import { encodePng } from '../src/server/press/pictures/png';

// The sizes that are promised take minutes: GILDER_LARGE=1 asks for them, otherwise what no buffer of a server holds.
const LARGE = process.env.GILDER_LARGE === '1';
const VIDEO_BYTES = LARGE ? 1_500_000_000 : 60_000_000;
const PACKAGED_PICTURES = LARGE ? 5 : 1;

const incoming = (): string[] => {
  try {
    return readdirSync(join(process.env.GILDER_TEST_DATA ?? '', 'incoming'));
  } catch {
    return [];
  }
};

/** A PNG of noise, which nothing makes smaller: 39 MB. */
function noise(): Buffer {
  return encodePng(new Uint8Array(randomBytes(3400 * 2868 * 4)), 3400, 2868);
}

async function sha256(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk);
  return hash.digest('hex');
}

/** A small video with a long element behind it that says nothing (EBML Void, RFC 8794, 11.3.2). */
async function longVideo(path: string, bytes: number): Promise<void> {
  const source = ['-f', 'lavfi', '-i', 'testsrc=size=64x36:rate=25:duration=1'];
  execFileSync('ffmpeg', ['-v', 'error', '-y', ...source, '-c:v', 'libvpx-vp9', path]);
  const head = Buffer.alloc(9);
  head[0] = 0xec;
  head.writeBigUInt64BE((1n << 56n) | BigInt(bytes), 1);
  await appendFile(path, head);
  const part = randomBytes(4_000_000);
  for (let left = bytes; left > 0; left -= part.length) await appendFile(path, part.subarray(0, left));
}

/** Makes what a page sends as slow as that. */
async function slowDown(page: Page, bytesPerSecond: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 0,
    downloadThroughput: -1,
    uploadThroughput: bytesPerSecond,
  });
}

/** What the server has under a path, by its hash. */
async function hashOf(page: Page, path: string): Promise<string> {
  const answer = await page.request.get(path);
  expect(answer.ok()).toBe(true);
  return createHash('sha256')
    .update(await answer.body())
    .digest('hex');
}

/** A way to the server that can be cut, as a cable can. */
async function cable(
  target: string,
): Promise<{ readonly url: string; cut(milliseconds: number): Promise<void>; close(): void }> {
  const sockets = new Set<Socket>();
  const { hostname, port } = new URL(target);
  const server = createServer((near) => {
    const far = connect(Number(port), hostname);
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(one);
      one.on('error', () => other.destroy()).on('close', () => other.destroy());
      one.pipe(other);
    }
  });
  const listen = (at: number): Promise<void> =>
    new Promise((resolve) => server.listen(at, '127.0.0.1', () => resolve()));
  await listen(0);
  const address = server.address();
  const own = typeof address === 'object' && address !== null ? address.port : 0;
  const pull = (): void => {
    server.close();
    for (const socket of sockets) socket.destroy();
    sockets.clear();
  };
  return {
    url: `http://127.0.0.1:${own}`,
    cut: async (milliseconds) => {
      pull();
      await new Promise((resolve) => setTimeout(resolve, milliseconds));
      await listen(own);
    },
    close: pull,
  };
}

const folderOf = async (info: TestInfo): Promise<string> => {
  const folder = info.outputPath('files');
  await mkdir(folder, { recursive: true });
  return folder;
};

test('a picture of 39 MB goes in with a progress bar and comes back byte for byte; one is cancelled', async ({
  page,
}, info) => {
  const path = join(await folderOf(info), 'noise.png');
  writeFileSync(path, noise());
  await page.goto('/bench/place-corner');
  await expect(page.getByRole('button', { name: 'Layer', exact: true })).toBeVisible();
  await slowDown(page, 12_000_000);
  const picker = page.getByLabel('Picture to import as a layer');
  await picker.setInputFiles(path);
  const bar = page.getByRole('progressbar', { name: 'Sending noise.png' });
  await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(1_000_000);
  const half = Number(await bar.getAttribute('aria-valuenow'));
  await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(half);
  await expect(
    page.getByRole('option', { name: 'noise' }).or(page.getByText('noise').first()).first(),
  ).toBeVisible();
  await expect(bar).toHaveCount(0);
  const assets: { id: string; name: string }[] = await (await page.request.get('/api/assets')).json();
  const kept = assets.find(({ name }) => name === 'noise.png');
  expect(await hashOf(page, `/api/assets/${kept?.id}`)).toBe(await sha256(path));

  await slowDown(page, 2_000_000);
  writeFileSync(path, noise());
  await picker.setInputFiles(path);
  await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(500_000);
  await page.getByRole('button', { name: 'Cancel sending noise.png' }).click();
  await expect(bar).toHaveCount(0);
  await expect.poll(incoming).toEqual([]);
  expect(await (await page.request.get('/api/assets')).json()).toHaveLength(assets.length);
});

test('a long video goes on by itself where its connection broke, and comes back byte for byte', async ({
  page,
  baseURL,
}, info) => {
  const path = join(await folderOf(info), 'weir.webm');
  await longVideo(path, VIDEO_BYTES);
  const way = await cable(baseURL ?? '');
  await page.goto(`${way.url}/desk/lantern-regatta-2`);
  await expect(page.getByRole('button', { name: 'Add a clip' })).toBeVisible();
  await slowDown(page, VIDEO_BYTES / 6);
  await page.getByTestId('clip-files').setInputFiles(path);
  const bar = page.getByRole('progressbar', { name: 'Sending weir.webm' });
  await expect
    .poll(async () => Number(await bar.getAttribute('aria-valuenow')))
    .toBeGreaterThan(VIDEO_BYTES / 10);
  const mending = way.cut(3000);
  await expect(page.getByText('The connection broke; going on by itself.')).toBeVisible();
  await mending;
  await expect(bar).toHaveCount(0, { timeout: 240_000 });
  const expected = await sha256(path);
  await expect(page.getByRole('button', { name: /^Clip weir, / })).toBeVisible();
  const id = `${expected.slice(0, 24)}-webm`;
  const head = await page.request.get(`/api/media/${id}`, { headers: { range: 'bytes=0-0' } });
  expect(head.status()).toBe(206);
  // What the server says of the whole is the hash of what it has (RFC 9530).
  expect(head.headers()['repr-digest']).toBe(`sha-256=:${Buffer.from(expected, 'hex').toString('base64')}:`);
  if (!LARGE) expect(await hashOf(page, `/api/media/${id}`)).toBe(expected);
  way.close();
});

test('a package with large pictures goes in whole', async ({ page }, info) => {
  const path = join(await folderOf(info), 'strap.gilder.zip');
  const pictures = Array.from({ length: PACKAGED_PICTURES }, (_, i) => ({
    id: `noise-${i}`,
    name: `noise-${i}.png`,
    mediaType: 'image/png',
    bytes: new Uint8Array(noise()),
  }));
  const layers = pictures.map(({ id }) => newPictureLayer(id, id, id));
  const template = {
    ...tidelineStrap,
    name: 'Strap with noise',
    layers: [...layers, ...tidelineStrap.layers],
  };
  writeFileSync(path, writeTemplatePackage(template, pictures));
  await page.goto('/bench');
  await page.getByLabel('Package to import').setInputFiles(path);
  await expect(page).toHaveURL(/\/bench\/.+/, { timeout: 120_000 });
  const id = page.url().split('/').pop();
  const { document }: { document: typeof tidelineStrap } = await (
    await page.request.get(`/api/templates/${id}`)
  ).json();
  for (const [i, picture] of pictures.entries()) {
    const layer = document.layers[i];
    const asset = layer.kind === 'picture' ? layer.asset : null;
    const hash = createHash('sha256').update(picture.bytes).digest('hex');
    expect(await hashOf(page, `/api/assets/${asset}`)).toBe(hash);
  }
});

test('a template goes into a folder, is deleted, brought back, and deleted for good, by keyboard', async ({
  page,
}) => {
  const copied = await page.request.post('/api/templates/slate-corner/copy');
  const { id }: { id: string } = await copied.json();
  const asked = await page.request.get(`/api/templates/${id}`);
  const { document }: { document: { name: string } } = await asked.json();
  await page.goto('/bench');
  const menu = page.getByRole('button', { name: `What to do with ${document.name}`, exact: true });
  await menu.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: /^Move to folder/ })).toHaveAttribute('data-focus');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByLabel('Folder')).toBeFocused();
  await page.keyboard.type('Weir works/Old');
  await page.keyboard.press('Enter');
  const folder = page.getByRole('button', { name: 'Weir works, Old 1' });
  await folder.press('Enter');
  await expect(menu).toBeVisible();
  await expect(page.getByRole('button', { name: /^What to do with/ })).toHaveCount(1);
  await page.reload();
  await page.getByRole('button', { name: 'Weir works 1' }).press('Enter');
  await menu.press('Enter');
  await expect(page.getByRole('menuitem', { name: /^Move to folder/ })).toHaveAttribute('data-focus');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('menuitem', { name: /^Set aside/ })).toHaveAttribute('data-focus');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(menu).toHaveCount(0);
  await expect(page.getByText('It can be brought back for 30 days')).toBeVisible();
  const row = page.getByRole('listitem').filter({ hasText: document.name });
  const showAway = async (): Promise<void> => {
    await page.goto('/house');
    await page.getByRole('button', { name: 'Room' }).press('Enter');
    await page.getByRole('radio', { name: 'In use' }).press('ArrowRight');
  };
  await showAway();
  await expect(row.getByText('deleted, kept for 30 days')).toBeVisible();
  await row.getByRole('button', { name: 'Bring back' }).press('Enter');
  await expect(row).toHaveCount(0);
  await page.goto('/bench');
  await expect(menu).toBeVisible();
  // It came back to where it was.
  await expect(folder).toBeVisible();
  await menu.press('Enter');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(menu).toHaveCount(0);
  await expect(folder).toHaveCount(0);
  await showAway();
  await row.getByRole('button', { name: 'Delete for good…' }).press('Enter');
  await expect(page.getByText(/Nothing uses it/)).toBeVisible();
  await page.getByRole('button', { name: 'Delete for good', exact: true }).press('Enter');
  await expect(row).toHaveCount(0);
});

test('what uses a thing is said before it is deleted, and it stays where it is used', async ({ page }) => {
  await page.goto('/bench');
  await page.getByRole('button', { name: 'What to do with Tideline strap' }).first().click();
  await page.getByRole('menuitem', { name: /^Delete/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('It is in use by “Lantern Regatta, day two”');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('link', { name: /^Tideline strap/ }).first()).toBeVisible();
});

test('everything is put back as a backup has it', async ({ page }) => {
  await page.goto('/house');
  await page.getByRole('button', { name: 'Backups' }).click();
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText('The backup is made and was read back.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Restore…' })).toHaveCount(1);
  const { id }: { id: string } = await (await page.request.post('/api/templates/slate-corner/copy')).json();
  await page.getByRole('button', { name: 'Restore…' }).click();
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.getByText('Everything is as it was.')).toBeVisible({ timeout: 60_000 });
  // What was there before is in a backup of its own.
  await expect(page.getByRole('button', { name: 'Restore…' })).toHaveCount(2);
  expect((await page.request.get(`/api/templates/${id}`)).status()).toBe(404);
  expect((await page.request.get('/api/templates/slate-corner')).ok()).toBe(true);
});
