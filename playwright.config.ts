import { mkdirSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.GILDER_TEST_PORT ?? 4460 + (process.pid % 400));
process.env.GILDER_TEST_PORT = String(port);
if (process.env.GILDER_TEST_DATA === undefined) {
  // Beside the results, for whoever wants to look into it; the next run takes it away.
  const data = resolve('test-results/data');
  for (const folder of [data, `${data}-deliveries`]) rmSync(folder, { recursive: true, force: true });
  mkdirSync(data, { recursive: true });
  process.env.GILDER_TEST_DATA = data;
}
// Where finished files are put: beside the data, since that is the server's own.
const deliveries = `${process.env.GILDER_TEST_DATA}-deliveries`;
mkdirSync(deliveries, { recursive: true });
process.env.GILDER_TEST_DELIVERIES = deliveries;

const baseURL = `http://127.0.0.1:${port}`;

export default defineConfig({
  testDir: 'e2e',
  workers: 1,
  timeout: 300_000,
  expect: { timeout: 45_000 },
  // Machines are shared; what fails twice is broken.
  retries: process.env.CI === undefined ? 0 : 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  outputDir: 'test-results/browser',
  use: {
    baseURL,
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--disable-dev-shm-usage',
      ],
    },
  },
  webServer: {
    command: 'node scripts/serve.mjs',
    url: `${baseURL}/shelf`,
    timeout: 240_000,
    reuseExistingServer: false,
    env: {
      GILDER_DATA: process.env.GILDER_TEST_DATA,
      GILDER_DELIVERY: deliveries,
      PORT: String(port),
      GILDER_UPKEEP: 'off',
    },
  },
});
