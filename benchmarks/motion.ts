import { chromium } from '@playwright/test';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import { updateLayer } from '@/core/edit/editTemplate';
import { FORMATS } from '@/core/frame/formats';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { tidelineStrap } from '../demo/templates';
import { openPainterPage } from '../e2e/painterPage';
import { median, percentile, report, time } from './measure';
import { CHROMIUM } from './server';

const LETTERS = 300;

/** What motion costs: evaluating many letters, and painting the heaviest effects in a browser. */
export async function benchMotion(fonts: FontLibrary): Promise<void> {
  console.log('\nMotion');
  const uses = ['wave', 'colour-pass', 'grow'].map((id) =>
    newMoveUse(id, { unit: 'letter', overlap: 0.8, lengthSeconds: 1 }),
  );
  const template = updateLayer(tidelineStrap, 'name', (layer) =>
    layer.kind !== 'text'
      ? layer
      : {
          ...layer,
          runs: [{ text: 'Quillfeather'.repeat(LETTERS / 12) }],
          maxWidthShare: 2,
          whenLong: [],
          motion: motionOf(uses, 'mirror'),
        },
  );
  const timing = stretchTiming(template.timing, 145, RATES.get('25'));
  const title = compile(template, {}, FORMATS.get('wide-1080'), fonts);
  const frameMs = time(() => void title.frame(0.5, timing), 25, 10);
  report(`frame(t), ${LETTERS} letters under three moves at once`, `${frameMs.toFixed(2)} ms`, 'under 3 ms');
  await benchEffects();
}

async function benchEffects(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
  });
  const page = await browser.newPage({ baseURL: 'http://127.0.0.1:4999' });
  await openPainterPage(page, 'benchmarks/motionEntry.ts');
  await page.waitForFunction('window.measurePaint');
  const measure = async (heavy: boolean): Promise<number[]> => {
    await page.evaluate(`window.measurePaint(${heavy})`);
    return page.evaluate(`window.measurePaint(${heavy})`);
  };
  const plain = await measure(false);
  const heavy = await measure(true);
  const rate = 1000 / median(heavy);
  report(
    'painting at 1080p: blur 16 px, shutter 180°, perspective, median',
    `${median(heavy).toFixed(1)} ms`,
  );
  report('the same, 95th percentile', `${percentile(heavy, 0.95).toFixed(1)} ms`);
  report('frames a second with them', rate.toFixed(0), 'at least 30');
  report('the same drawing without them', `${median(plain).toFixed(1)} ms`);
  report('with ÷ without', `${(median(heavy) / median(plain)).toFixed(1)} ×`);
  await browser.close();
}
