import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { build } from 'esbuild';
import { Painter } from '@/paint/painter';
import { serverFonts } from '@/server/fontFiles';
import { createRasterFrame, serverSurfaces } from '@/server/raster';
import type { ParityCase } from './parityCases';
import { parityCases, parityList } from './parityCases';

async function serverFigures(cases: readonly ParityCase[]): Promise<string[]> {
  const fonts = await serverFonts();
  const painter = new Painter(serverSurfaces);
  return cases.map((one) => {
    const list = parityList(one, fonts);
    const frame = createRasterFrame(list.widthPx, list.heightPx);
    painter.paint(frame.context, list);
    return createHash('sha256').update(frame.readPixels()).digest('hex');
  });
}

test('browser and server paint the same bytes', async ({ page }) => {
  const bundle = await build({
    entryPoints: ['e2e/parityEntry.ts'],
    bundle: true,
    write: false,
    format: 'esm',
    target: 'es2022',
    tsconfig: 'tsconfig.json',
    alias: { module: './src/empty.ts' },
  });
  await page.route('**/parity/parity.js', (route) =>
    route.fulfill({ contentType: 'text/javascript', body: bundle.outputFiles[0].text }),
  );
  await page.route('**/parity/harfbuzz.wasm', async (route) =>
    route.fulfill({
      contentType: 'application/wasm',
      body: await readFile('node_modules/harfbuzzjs/dist/harfbuzz.wasm'),
    }),
  );
  await page.route('**/parity/', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<script type="module" src="parity.js"></script>' }),
  );
  await page.goto('/parity/');
  await page.waitForFunction('window.paintAll');
  const cases = parityCases();
  const inBrowser: string[] = await page.evaluate(`window.paintAll(${JSON.stringify(cases)})`);
  const onServer = await serverFigures(cases);
  const differing = cases.filter((_, i) => inBrowser[i] !== onServer[i]);
  expect(differing).toEqual([]);
  expect(inBrowser).toHaveLength(cases.length);
});
