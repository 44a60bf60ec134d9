import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Locator, Page, TestInfo } from '@playwright/test';
import { expect } from '@playwright/test';

/** A drag as a hand does it: press, a nudge, then steps. `hold` keeps the button down at the end. */
export async function drag(
  page: Page,
  from: { x: number; y: number },
  by: { x: number; y: number },
  hold = false,
): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + Math.sign(by.x) * 8, from.y + Math.sign(by.y) * 8);
  await page.mouse.move(from.x + by.x, from.y + by.y, { steps: 12 });
  if (!hold) await page.mouse.up();
}

/** The middle of an element, in page coordinates. */
export async function middle(
  locator: Locator,
): Promise<{ x: number; y: number; width: number; height: number }> {
  let box = await locator.boundingBox();
  // A screen that is still finding its room moves what is about to be pressed.
  for (let i = 0; i < 30; i++) {
    await locator.page().evaluate(() => new Promise((done) => requestAnimationFrame(done)));
    const next = await locator.boundingBox();
    if (JSON.stringify(next) === JSON.stringify(box)) break;
    box = next;
  }
  if (box === null) throw new Error('not on the page');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2, width: box.width, height: box.height };
}

/** Goes to a cell of the cue sheet by its column and row, such as `Name, row 3`, and gives the box that it becomes. */
export async function cellBox(page: Page, name: string): Promise<Locator> {
  await page.getByRole('gridcell', { name: new RegExp(`^${name}: `) }).click();
  return page.getByRole('region', { name: 'Cue sheet' }).getByLabel(name, { exact: true });
}

/** Waits until the screen says that everything is saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
}

/** The large picture on the bench. */
export const benchPicture = (page: Page): Locator =>
  page.getByRole('region', { name: 'Picture' }).locator('canvas');

/** Opens a copy of a strap on the bench, to be changed without a trace, and waits for its picture. */
export async function openCopy(page: Page): Promise<void> {
  await page.goto('/bench/tideline-strap');
  await page.getByRole('button', { name: 'Work on a copy' }).click();
  await expect(page).not.toHaveURL(/tideline-strap/);
  await expect(benchPicture(page)).toHaveAttribute('data-painted', /./);
}

/** A figure that changes when the pixels of a canvas change. */
export function pixels(canvas: Locator): Promise<number> {
  return canvas.evaluate((element) => {
    if (!(element instanceof HTMLCanvasElement)) throw new Error('not a canvas');
    const { data } = element.getContext('2d')?.getImageData(0, 0, element.width, element.height) ?? {
      data: [],
    };
    let figure = 0;
    for (const byte of data) figure = (Math.imul(figure, 31) + byte) | 0;
    return figure;
  });
}

/** Sends the chosen title to the press as a lossless MOV, downloads it, and gives a sum of each decoded frame. */
export async function framesOfMov(page: Page): Promise<string[]> {
  await page.getByRole('button', { name: 'Send to Press' }).click();
  await page.getByRole('checkbox', { name: /^MOV, lossless alpha/ }).check();
  await page.getByRole('button', { name: /^Send( anyway)?$/ }).click();
  const job = page.getByRole('article').first();
  await expect(job.getByText('done')).toBeVisible({ timeout: 180_000 });
  const waiting = page.waitForEvent('download');
  await job.getByRole('link', { name: /^Download .*\.mov$/ }).click();
  const file = await (await waiting).path();
  const decoded = execFileSync(
    'ffmpeg',
    ['-v', 'error', '-i', file, '-f', 'framemd5', '-c:v', 'rawvideo', '-'],
    { encoding: 'utf8', maxBuffer: 1e8 },
  );
  const frames = decoded.split('\n').filter((line) => /^\d/.test(line));
  return frames.map((line) => line.split(',').at(-1)?.trim() ?? '');
}

/** Makes a project with stand-in pictures on its strip, and opens its desk. */
export async function newProject(page: Page, name: string): Promise<void> {
  await page.goto('/desk');
  await page.getByRole('button', { name: 'New project' }).click();
  await page.getByLabel('Put stand-in pictures on its strip').check();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'Open the desk' }).click();
  await expect(page.getByRole('heading', { name })).toBeVisible();
}

/** Pastes a text where the keys are. */
export async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', pasted);
    const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
    document.activeElement?.dispatchEvent(event);
  }, text);
}

/** Puts the desk's playhead at a timecode. */
export async function goTo(page: Page, timecode: string): Promise<void> {
  const playhead = page.getByLabel('Timecode of the playhead');
  await playhead.fill(timecode);
  await playhead.press('Enter');
}

/** The file of a video: a second of red, then four of blue. */
export function redThenBlue(info: TestInfo): Buffer {
  const clip = info.outputPath('two.webm');
  const colour = (name: string, seconds: number): string[] => [
    ...['-f', 'lavfi', '-i'],
    `color=${name}:s=320x180:r=25:d=${seconds}`,
  ];
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', ...colour('red', 1), ...colour('blue', 4)],
    ...['-filter_complex', '[0][1]concat=n=2', '-c:v', 'libvpx-vp9', '-b:v', '400k', clip],
  ]);
  return readFileSync(clip);
}

/** Whether some of the desk's picture is plainly red, and blue. */
export function redAndBlue(page: Page): Promise<readonly [boolean, boolean]> {
  const canvas = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  return canvas.evaluate((element: HTMLCanvasElement) => {
    const { data } = element.getContext('2d')?.getImageData(0, 0, element.width, element.height) ?? {
      data: [],
    };
    let [red, blue] = [0, 0];
    for (let at = 0; at < data.length; at += 4) {
      if (data[at] > 180 && data[at + 1] < 60 && data[at + 2] < 60) red++;
      if (data[at + 2] > 180 && data[at] < 60 && data[at + 1] < 60) blue++;
    }
    return [red > 400, blue > 400] as const;
  });
}
