import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { build } from 'esbuild';

/** Opens an empty page that runs a bundle of core and painter and can fetch the shaper and the shipped fonts. */
export async function openPainterPage(page: Page, entry: string): Promise<void> {
  const bundle = await build({
    entryPoints: [entry],
    bundle: true,
    write: false,
    format: 'esm',
    target: 'es2022',
    tsconfig: 'tsconfig.json',
    alias: { module: './src/empty.ts' },
  });
  await page.route('**/painter/painter.js', (route) =>
    route.fulfill({ contentType: 'text/javascript', body: bundle.outputFiles[0].text }),
  );
  await page.route('**/painter/harfbuzz.wasm', async (route) =>
    route.fulfill({
      contentType: 'application/wasm',
      body: await readFile('node_modules/harfbuzzjs/dist/harfbuzz.wasm'),
    }),
  );
  await page.route('**/fonts/*', async (route) =>
    route.fulfill({ body: await readFile(`public${new URL(route.request().url()).pathname}`) }),
  );
  await page.route('**/painter/', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<script type="module" src="painter.js"></script>' }),
  );
  await page.goto('/painter/');
}
