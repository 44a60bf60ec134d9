import { chromium } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import type { TemplateRecord } from '@/contract/templates';
import type { Template } from '@/core/model/template';
import { RATES, secondsToFrame } from '@/core/time/rates';
import { idOf } from '../demo/seed';
import { DEMO_TEMPLATES } from '../demo/templates';
import { report } from './measure';
import { CHROMIUM, start, withFolder } from './server';

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1920, height: 1080 },
];
const FIRST_SECONDS = 2;
const SECONDS = 3;
const MOST_WAITING_SECONDS = 12;

/** What was shown while a title played: pictures that differ in time, of the picture itself and of each of the wall. */
interface Shown {
  readonly seconds: number;
  readonly picture: number;
  readonly wall: readonly number[];
}

/**
 * How many of the wanted pictures are shown while each demo template plays on the bench, at two sizes and two rates:
 * at first, and once what goes round was painted ahead.
 */
export async function benchPlayback(): Promise<void> {
  console.log(
    '\nPlaying on the bench: shown ÷ wanted at first, painted ahead, and the slowest on the wall a second',
  );
  await withFolder(async (folder) => {
    const server = await start(folder);
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
    });
    try {
      for (const rate of ['50', '25'] as const) await measureAll(browser, server.url, rate);
    } finally {
      await browser.close();
      await server.stop();
    }
  });
}

async function measureAll(browser: Browser, baseURL: string, rate: '25' | '50'): Promise<void> {
  for (const viewport of SIZES) {
    const page = await browser.newPage({ viewport, baseURL });
    // What runs this file names functions by a helper that a page does not have.
    await page.addInitScript('globalThis.__name = (named) => named');
    for (const template of DEMO_TEMPLATES) await measure(page, template, rate);
    await page.close();
  }
}

async function measure(page: Page, template: Template, rate: '25' | '50'): Promise<void> {
  const id = idOf(template);
  await giveRate(page, id, rate);
  await page.goto(`/bench/${id}`);
  await page.locator('section[aria-label="Picture"] canvas[data-painted]').waitFor();
  const wanted = RATES.get(rate);
  const share = ({ picture, seconds }: Shown): string =>
    (picture / secondsToFrame(seconds, wanted)).toFixed(2);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const first = await page.evaluate(countShown, FIRST_SECONDS);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await paintedAhead(page);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const later = await page.evaluate(countShown, SECONDS);
  const wall = Math.min(...later.wall) / later.seconds;
  const size = page.viewportSize();
  report(
    `${template.name}, ${rate} a second, ${size?.width} × ${size?.height}`,
    `${share(first)} · ${share(later)} · ${wall.toFixed(1)}`,
    '≥ 0.98 · ≥ 10',
  );
}

/** Waits until no more frames are painted ahead. */
async function paintedAhead(page: Page): Promise<void> {
  const frames = page.getByTestId('painted-frames');
  let before = '';
  for (let second = 0; second < MOST_WAITING_SECONDS; second += 2) {
    await page.waitForTimeout(2000);
    const now = (await frames.getAttribute('aria-label')) ?? '';
    if (now === before) return;
    before = now;
  }
}

async function giveRate(page: Page, id: string, rate: '25' | '50'): Promise<void> {
  const answer = await page.request.get(`/api/templates/${id}`);
  const { document, revision }: TemplateRecord = await answer.json();
  if (document.rate === rate) return;
  await page.request.put(`/api/templates/${id}`, { data: { revision, document: { ...document, rate } } });
}

/** In the page: how often each picture was another one when the screen was about to be drawn. */
function countShown(seconds: number): Promise<Shown> {
  const painted = (canvas: Element | null): string => canvas?.getAttribute('data-painted') ?? '';
  const picture = document.querySelector('section[aria-label="Picture"] canvas');
  const wall = [...document.querySelectorAll('[aria-label="Format wall"] canvas')];
  const all = [picture, ...wall];
  const counts = all.map(() => 0);
  let before = all.map(painted);
  const from = performance.now();
  return new Promise((resolve) => {
    requestAnimationFrame(function look() {
      const now = all.map(painted);
      for (const [i, count] of now.entries()) if (count !== before[i]) counts[i]++;
      before = now;
      const passed = (performance.now() - from) / 1000;
      if (passed < seconds) requestAnimationFrame(look);
      else resolve({ seconds: passed, picture: counts[0], wall: counts.slice(1) });
    });
  });
}
