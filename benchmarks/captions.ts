import { existsSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { reportFrames, takeFrames, WATCH_FRAMES } from './frames';
import { median, report } from './measure';
import { allLookedAt, change, inThreeFormats, newProject, put, strapTitle } from './projects';
import { start, startBrowser, withFolder } from './server';

const CUES = 3000;
const KEYS = 40;
const TITLES = 400;
const NAMES = 2000;

const clock = (ms: number): string => new Date(ms).toISOString().slice(11, 23).replace('.', ',');

/** A SubRip file of three seconds a cue. */
const FILE = Array.from(
  { length: CUES },
  (_, i) =>
    `${i + 1}\n${clock(i * 3000)} --> ${clock(i * 3000 + 2600)}\nHeat ${i} came in\nbefore the bell.\n`,
).join('\n');

/** How three thousand cues are read, open, take letters, scroll and are checked. Needs a build. */
export async function benchCaptions(): Promise<void> {
  console.log(`\nThe desk with ${CUES} captions`);
  if (!existsSync('.next/BUILD_ID')) {
    console.log('  skipped: build the application first (npm run build)');
    return;
  }
  await withFolder(async (folder) => {
    const server = await start(folder);
    const browser = await startBrowser();
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const id = await newProject(page, server.url, 'Three thousand');
    const address = `${server.url}/desk/${id}?sheet=captions`;
    await measureReading(page, address);
    await measureOpening(page, address);
    await measureTyping(page);
    await measureScrolling(page);
    await measureProof(page);
    await measureProgramme(page, server.url, id);
    await browser.close();
    await server.stop();
  });
}

const row = (page: Page, heat: number) => page.getByRole('row').filter({ hasText: `Heat ${heat} came` });

async function measureReading(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.getByRole('button', { name: 'Read a caption file' }).click();
  const from = performance.now();
  await page
    .getByLabel('Caption file')
    .setInputFiles({ name: 'ferry.srt', mimeType: 'text/plain', buffer: Buffer.from(FILE) });
  const take = page.getByRole('button', { name: /^Import / });
  await take.waitFor();
  report('read, and what is in it said', `${(performance.now() - from).toFixed(0)} ms`);
  const taken = performance.now();
  await take.click();
  await row(page, 0).waitFor();
  report('imported, to its first rows', `${(performance.now() - taken).toFixed(0)} ms`);
  await page.getByText('saved', { exact: true }).waitFor();
  report('imported, to saved', `${(performance.now() - taken).toFixed(0)} ms`);
}

async function measureOpening(page: Page, address: string): Promise<void> {
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const from = performance.now();
    await page.goto(address);
    await row(page, 0).waitFor();
    times.push(performance.now() - from);
  }
  report('opens, to its first captions, median', `${median(times).toFixed(0)} ms`, 'under 2000 ms');
}

async function measureTyping(page: Page): Promise<void> {
  await page.evaluate(WATCH_FRAMES);
  await row(page, 2).getByText('Heat 2 came').click();
  await page.keyboard.press('Control+End');
  await page.waitForLoadState('networkidle');
  await takeFrames(page);
  for (let i = 0; i < KEYS; i++) await page.keyboard.press('abcdefg'[i % 7], { delay: 40 });
  reportFrames('typing', await takeFrames(page));
  await page.keyboard.press('Escape');
}

async function measureScrolling(page: Page): Promise<void> {
  await page.mouse.move(400, 400);
  await takeFrames(page);
  for (let i = 0; i < KEYS; i++) await page.mouse.wheel(0, 600);
  reportFrames('scrolling', await takeFrames(page));
}

/** The whole proof runs by itself as soon as the project is open. */
async function measureProof(page: Page): Promise<void> {
  const from = performance.now();
  await page.reload();
  await row(page, 0).waitFor();
  await page.getByText(/^looking at /).waitFor({ state: 'hidden', timeout: 300_000 });
  report(`opened, and all ${CUES} looked at`, `${((performance.now() - from) / 1000).toFixed(1)} s`);
}

/** The same captions with titles over them and a roll of five minutes behind, in three formats. */
async function measureProgramme(page: Page, url: string, id: string): Promise<void> {
  const project = await (await page.request.get(`${url}/api/projects/${id}`)).json();
  const straps = Array.from({ length: TITLES }, (_, i) => strapTitle(i, i * 500));
  const rows = Array.from({ length: NAMES }, (_, i) => ({
    id: `r${i}`,
    kind: 'role',
    role: `Role ${i}`,
    name: `Name of ${i} Marrow`,
  }));
  const roll = {
    ...strapTitle(TITLES, CUES * 75),
    editionId: 'harbour-roll-1',
    lengthFrames: 7500,
    values: {},
    credits: { rows, wish: { speedU: null, size: null } },
  };
  await change(page, url, id, { titles: put([...straps, roll]), plan: inThreeFormats(project) });
  await page.reload();
  const from = performance.now();
  await page.getByRole('radio', { name: 'Proof' }).click();
  await allLookedAt(page).waitFor({ timeout: 600_000 });
  const seconds = ((performance.now() - from) / 1000).toFixed(1);
  report(`these, ${TITLES} titles and a roll of ${NAMES} names in 3 formats`, `${seconds} s`);
}
