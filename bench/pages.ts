import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { report } from './measure';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';
const SCREENS = ['/shelf', '/bench/tideline-strap', '/desk/lantern-regatta-2', '/press'];

/** How long a start takes on a folder that has its demo, and what each screen loads. Needs a build. */
export async function benchPages(): Promise<void> {
  console.log('\nStart and first load');
  if (!existsSync('.next/BUILD_ID')) {
    console.log('  skipped: build the application first (npm run build)');
    return;
  }
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  const first = await start(folder);
  report('first start, database made and demo put in', `${first.seconds.toFixed(1)} s`);
  await first.stop();
  const second = await start(folder);
  report('second start to first page', `${second.seconds.toFixed(1)} s`, 'under 8 s');
  if (existsSync(CHROMIUM)) await measureScreens(second.url);
  else console.log(`  screens skipped: no ${CHROMIUM}`);
  await second.stop();
  rmSync(folder, { recursive: true });
}

async function start(folder: string): Promise<{ url: string; seconds: number; stop(): Promise<void> }> {
  const from = performance.now();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, GILDER_DATA: folder, PORT: '4970' },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /Gilder is at (\S+)/.exec(chunk.toString());
      if (found !== null) resolve(found[1]);
    });
  });
  return {
    url,
    seconds: (performance.now() - from) / 1000,
    stop: () =>
      new Promise((resolve) => {
        child.on('exit', () => resolve());
        child.kill('SIGTERM');
      }),
  };
}

async function measureScreens(url: string): Promise<void> {
  const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
  ];
  const browser = await chromium.launch({ executablePath: CHROMIUM, args });
  for (const path of SCREENS) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    let scripts = 0;
    page.on('response', (response) => {
      if (!response.url().endsWith('.js')) return;
      void response
        .request()
        .sizes()
        .then(
          (sizes) => (scripts += sizes.responseBodySize),
          () => undefined,
        );
    });
    const from = performance.now();
    await page.goto(url + path);
    await page.locator('main').waitFor();
    const shown = performance.now() - from;
    await page.waitForLoadState('networkidle');
    report(`${path}: JavaScript at first load`, `${Math.round(scripts / 1000)} kB`);
    report(`${path}: to its main part`, `${Math.round(shown)} ms`);
    await page.close();
  }
  await browser.close();
}
