import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { newTemplate } from '@/core/model/newTemplate';
import { addBox } from '@/core/edit/addLayer';
import type { Template } from '@/core/model/template';
import { median, percentile, report } from './measure';
import { CHROMIUM, start, withFolder } from './server';

const KEYS = 40;
const DRAG_STEPS = 40;
const MANY_LAYERS = 200;

/** How long it takes on the bench from a key to all pictures painted, and how long a drag step takes with many layers. */
export async function benchTyping(): Promise<void> {
  console.log('\nTyping and dragging on the bench');
  await withFolder(async (folder) => {
    const server = await start(folder);
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await measureTyping(page, server.url);
    await measureDragging(page, server.url);
    await browser.close();
    await server.stop();
  });
}

async function measureTyping(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/bench/tideline-strap`);
  await page.getByRole('button', { name: '+ Add a format' }).click();
  await page.getByRole('button', { name: /^Ultra-wide/ }).click();
  await page.locator('canvas[data-painted]').nth(5).waitFor();
  const reads = page.getByRole('textbox', { name: 'Text', exact: true });
  await reads.click();
  const times: number[] = [];
  for (let i = 0; i < KEYS; i++) {
    const painted = page.evaluate(untilAllPainted);
    await reads.press(i % 8 === 7 ? 'Backspace' : 'abcdefg'[i % 8]);
    times.push(await painted);
  }
  report('a key to all six pictures painted, median', `${median(times).toFixed(0)} ms`, 'under 50 ms');
  report('the same, 95th percentile', `${percentile(times, 0.95).toFixed(0)} ms`, 'under 100 ms');
}

/** In the page: milliseconds from the next key to the moment when every picture has been painted since. */
function untilAllPainted(): Promise<number> {
  return new Promise((resolve) => {
    addEventListener(
      'keydown',
      () => {
        const from = performance.now();
        const waiting = new Set(document.querySelectorAll('canvas[data-painted]'));
        const observer = new MutationObserver((changes) => {
          for (const { target } of changes) if (target instanceof Element) waiting.delete(target);
          if (waiting.size > 0) return;
          observer.disconnect();
          resolve(performance.now() - from);
        });
        for (const canvas of waiting) observer.observe(canvas, { attributeFilter: ['data-painted'] });
      },
      { once: true, capture: true },
    );
  });
}

async function measureDragging(page: Page, url: string): Promise<void> {
  const begun = { name: 'Many layers', kind: 'list', production: '', format: 'wide-1080', rate: '25' };
  const response = await page.request.post(`${url}/api/templates`, { data: begun });
  const { id }: { id: string } = await response.json();
  await page.request.put(`${url}/api/templates/${id}`, {
    data: { revision: 1, document: manyLayers(begun) },
  });
  await page.goto(`${url}/bench/${id}`);
  const well = page.getByTestId('well');
  await well.waitFor();
  const box = await well.boundingBox();
  if (box === null) throw new Error('The picture is not on the page');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  const times: number[] = [];
  for (let i = 1; i <= DRAG_STEPS; i++) {
    const painted = page.evaluate(untilMainPainted);
    await page.mouse.move(box.x + box.width / 2 + 8 + i * 3, box.y + box.height / 2);
    times.push(await painted);
  }
  await page.mouse.up();
  report(`a drag step among ${MANY_LAYERS} layers, median`, `${median(times).toFixed(1)} ms`, 'under 16 ms');
  report('the same, 95th percentile', `${percentile(times, 0.95).toFixed(1)} ms`);
}

/** In the page: milliseconds from the next movement of the pointer to the main picture's next painting. */
function untilMainPainted(): Promise<number> {
  return new Promise((resolve) => {
    const canvas = document.querySelector('section[aria-label="Picture"] canvas');
    addEventListener(
      'pointermove',
      () => {
        const from = performance.now();
        const observer = new MutationObserver(() => {
          observer.disconnect();
          resolve(performance.now() - from);
        });
        if (canvas !== null) observer.observe(canvas, { attributeFilter: ['data-painted'] });
      },
      { once: true, capture: true },
    );
  });
}

/** A template of many boxes spread over the frame, the one in the middle on top. */
function manyLayers(begun: Parameters<typeof newTemplate>[0]): Template {
  let template = newTemplate(begun);
  for (let i = 1; i < MANY_LAYERS; i++) template = addBox(template, []).template;
  const layers = template.layers.map((layer, i) =>
    layer.kind === 'box'
      ? {
          ...layer,
          width: { kind: 'fixed' as const, u: 60 },
          height: { kind: 'fixed' as const, u: 40 },
          place: {
            ...layer.place,
            dxU: i === 1 ? 0 : ((i % 20) - 9.5) * 90,
            dyU: i === 1 ? 0 : (Math.floor(i / 20) - 4.5) * 95,
          },
        }
      : { ...layer, visible: false },
  );
  return { ...template, layers };
}
