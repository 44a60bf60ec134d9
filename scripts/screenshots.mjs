// Takes the pictures in docs/screenshots from the demo data, on a fresh data folder. Needs a build and Debian's Chromium.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';

const root = join(import.meta.dirname, '..');
const out = join(root, 'docs', 'screenshots');
const folder = mkdtempSync(join(tmpdir(), 'gilder-shots-'));
const deliveries = join(folder, 'deliveries');
mkdirSync(deliveries);
const server = spawn(process.execPath, [join(root, 'scripts', 'serve.mjs')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: { ...process.env, GILDER_DATA: join(folder, 'data'), GILDER_DELIVERY: deliveries, PORT: '4990' },
});
const url = await new Promise((resolve) => {
  server.stdout.on('data', (chunk) => {
    const found = /Gilder is at (\S+)/.exec(chunk.toString());
    if (found) resolve(found[1]);
  });
});
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
});

async function shoot(name, path, prepare = async () => undefined, theme = 'daylight') {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript((wanted) => localStorage.setItem('gilder-theme', wanted), theme);
  await page.goto(url + path);
  await page.locator('main').waitFor();
  await prepare(page);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(out, `${name}.png`) });
  await page.close();
  console.log(`${name}.png`);
}

const painted = (page) => page.locator('canvas[data-titles="1"]').first().waitFor();
// The bench has its wall of four formats too.
const paintedWall = async (page) => {
  await painted(page);
  await page.locator('canvas[data-painted]').nth(3).waitFor();
};

await shoot('shelf', '/shelf', async (page) => {
  await painted(page);
  await page.getByRole('button', { name: /^Tideline strap/ }).click();
});
await shoot('bench', '/bench/tideline-strap', paintedWall);
await shoot('bench-motion', '/bench/opening-lockup', async (page) => {
  await painted(page);
  await page.getByRole('tab', { name: 'Motion' }).click();
  for (let i = 0; i < 18; i++) await page.keyboard.press('Comma');
  await page.getByRole('button', { name: /^Move in: / }).click();
  await page.getByRole('button', { name: 'Drop and bounce' }).hover();
  await page.locator('canvas[data-painted="yes"]').waitFor();
});
await shoot('bench-card', '/bench/tideline-strap', async (page) => {
  await paintedWall(page);
  await page.getByRole('tab', { name: 'Card' }).click();
  const paintings = () =>
    page.locator('canvas[data-painted]').evaluateAll((all) => all.map((one) => one.dataset.painted));
  const before = await paintings();
  await page.getByRole('button', { name: 'Very long words' }).click();
  while ((await paintings()).some((now, i) => now === before[i])) await page.waitForTimeout(50);
});
await shoot('bench-lamplight', '/bench/place-corner', paintedWall, 'lamplight');
// Until every title was looked at; it says so as soon as it begins.
const proofed = async (page) => {
  await page.getByText(/^looking at/).waitFor();
  await page.getByText(/^looking at/).waitFor({ state: 'hidden', timeout: 240_000 });
};
await shoot('desk', '/desk/lantern-regatta-2', async (page) => {
  await painted(page);
  await page.getByRole('gridcell', { name: /^Name, row 3: / }).click();
  await proofed(page);
});
await shoot('captions', '/desk/lantern-regatta-2', async (page) => {
  await painted(page);
  await page.getByRole('tab', { name: 'Captions' }).click();
  await page.getByRole('button', { name: 'Choose caption 6', exact: true }).click();
  await page.getByText('all clear').waitFor({ timeout: 120_000 });
});
await shoot('credits', '/desk/lantern-regatta-closing', async (page) => {
  await painted(page);
  await page.getByRole('tab', { name: 'Credits' }).click();
  await page.getByLabel('Words of row 8', { exact: true }).click();
  await page.getByRole('region', { name: 'Ways to meet this length' }).waitFor();
  await proofed(page);
});
await shoot('send', '/desk/lantern-regatta-2', async (page) => {
  await painted(page);
  await proofed(page);
  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('radio', { name: 'The whole programme' }).click();
  await page.getByLabel('Captions that are painted').selectOption({ label: 'English' });
  await page.getByRole('checkbox', { name: /^MP4, H.264/ }).check();
  await page.getByRole('checkbox', { name: 'WebVTT' }).check();
  await page.getByLabel('Folder', { exact: true }).fill('{project}/{delivery}');
  await page.getByText(/^How long|^Takes/).waitFor();
});
await shoot('proof-sheet', '/desk/lantern-regatta-2/proof', async (page) => {
  await page.locator('[data-proofed="true"]').waitFor({ timeout: 120_000 });
});
await shoot('house', '/house');
await shoot('press', '/desk/lantern-regatta-2', async (page) => {
  await painted(page);
  const send = async (which, kind) => {
    await page.goto(`${url}/desk/lantern-regatta-2`);
    await page.getByRole('button', { name: 'Send to Press' }).click();
    await page.getByRole('radio', { name: which }).click();
    for (const box of await page.getByRole('group', { name: 'Kinds of file' }).getByRole('checkbox').all())
      await box.uncheck();
    await page.getByRole('checkbox', { name: kind }).check();
    await page.getByRole('button', { name: /^Send( anyway)?$/ }).click();
    await page.waitForURL('**/press');
  };
  await send('All 10 titles', /^MOV, lossless/);
  const first = page.getByRole('article').first();
  await first.getByText('done').waitFor({ timeout: 120_000 });
  await send('All 10 titles', /^WebM/);
  await page.getByText(/min left|s left/).waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: /^006-.*mov$/ }).click();
  await page.getByRole('img', { name: /at rest$/ }).evaluate((image) => image.decode());
});
await browser.close();
server.kill('SIGTERM');
rmSync(folder, { recursive: true, force: true });
process.exit(0);
