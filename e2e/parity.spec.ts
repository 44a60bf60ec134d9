import { createHash } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { Painter } from '@/paint/painter';
import { serverFonts } from '@/server/fontFiles';
import { createRasterFrame, serverSurfaces } from '@/server/raster';
import type { ParityCase } from './parityCases';
import { openPainterPage } from './painterPage';
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
  await openPainterPage(page, 'e2e/parityEntry.ts');
  await page.waitForFunction('window.paintAll');
  const cases = parityCases();
  const inBrowser: string[] = await page.evaluate(`window.paintAll(${JSON.stringify(cases)})`);
  const onServer = await serverFigures(cases);
  const differing = cases.filter((_, i) => inBrowser[i] !== onServer[i]);
  expect(differing).toEqual([]);
  expect(inBrowser).toHaveLength(cases.length);
});
