import { existsSync } from 'node:fs';
import { get } from 'node:http';
import { report } from './measure';
import { CHROMIUM, start, startBrowser, withFolder } from './server';

const SCREENS = ['/shelf', '/bench/tideline-strap', '/desk/lantern-regatta-2', '/press'];

/** How long a start takes on a folder that has its demo, and what each screen loads. Needs a build. */
export async function benchPages(): Promise<void> {
  console.log('\nStart and first load');
  if (!existsSync('.next/BUILD_ID')) {
    console.log('  skipped: build the application first (npm run build)');
    return;
  }
  await withFolder(async (folder) => {
    const first = await start(folder);
    report('first start, database made and demo put in', `${first.seconds.toFixed(1)} s`);
    await first.stop();
    const second = await start(folder);
    report('second start to first page', `${second.seconds.toFixed(1)} s`, 'under 8 s');
    if (existsSync(CHROMIUM)) await measureScreens(second.url);
    else console.log(`  screens skipped: no ${CHROMIUM}`);
    await second.stop();
  });
}

async function measureScreens(url: string): Promise<void> {
  const browser = await startBrowser();
  for (const path of SCREENS) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const fetched = new Set<string>();
    page.on('response', (response) => {
      const { pathname } = new URL(response.url());
      if (pathname.endsWith('.js')) fetched.add(pathname);
    });
    const from = performance.now();
    // What the page itself asks for; workers, and what is fetched later, are not in its way.
    const html = (await (await page.goto(url + path))?.text()) ?? '';
    await page.locator('main').waitFor();
    const shown = performance.now() - from;
    await page.waitForLoadState('networkidle');
    const named = [...fetched].filter((name) => html.includes(name));
    const sizes = await Promise.all(named.map((name) => bytesSent(url + name)));
    const scripts = sizes.reduce((sum, bytes) => sum + bytes, 0);
    report(`${path}: JavaScript at first load`, `${Math.round(scripts / 1000)} kB`);
    report(`${path}: to its main part`, `${Math.round(shown)} ms`);
    await page.close();
  }
  await browser.close();
}

/** How many bytes of an answer are sent, compressed as for a browser; what the browser tells of it leaves some out. */
function bytesSent(address: string): Promise<number> {
  return new Promise((resolve, reject) => {
    get(address, { headers: { 'accept-encoding': 'gzip' } }, (answer) => {
      let bytes = 0;
      answer.on('data', (chunk: Buffer) => (bytes += chunk.length));
      answer.on('end', () => resolve(bytes));
      answer.on('error', reject);
    }).on('error', reject);
  });
}
