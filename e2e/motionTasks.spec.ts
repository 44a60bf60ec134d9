import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { encodePng } from '../src/server/press/pictures/png';
import { benchPicture, drag, middle, openCopy, saved } from './hands';

/** Counts what a designer does, so that a task that takes more than it should is noticed. */
function counter(): { readonly did: () => number; act<T>(doing: Promise<T>): Promise<T> } {
  let count = 0;
  return {
    did: () => count,
    act: (doing) => {
      count++;
      return doing;
    },
  };
}

const layer = (page: Page, name: string): Locator =>
  page.getByRole('listitem').getByRole('button', { name, exact: true });

const seek = async (page: Page, share: number): Promise<void> => {
  const { x, y, width } = await middle(page.getByRole('slider', { name: 'Playhead' }));
  await page.mouse.click(x - width / 2 + width * share, y);
};

/** The colour of the picture at a share of its width and height. */
const colourAt = (page: Page, across: number, down: number): Promise<number[]> =>
  benchPicture(page).evaluate(
    (canvas, [x, y]) => {
      if (!(canvas instanceof HTMLCanvasElement)) throw new Error('not a canvas');
      const at = [Math.floor(canvas.width * x), Math.floor(canvas.height * y)];
      return [...(canvas.getContext('2d')?.getImageData(at[0], at[1], 1, 1).data ?? [])].slice(0, 3);
    },
    [across, down],
  );

/** A picture whose red says how far across a place is, and whose green how far down. */
function ramps(width: number, height: number): Buffer {
  const pixels = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      pixels.set([(255 * x) / (width - 1), (255 * y) / (height - 1), 128, 255], (y * width + x) * 4);
    }
  }
  return Buffer.from(encodePng(pixels, width, height));
}

test('a framed view: two rectangles on a picture, and a smooth way between them', async ({ page }) => {
  await openCopy(page);
  const { act, did } = counter();
  await act(page.getByRole('button', { name: 'Layer', exact: true }).click());
  const chooser = page.waitForEvent('filechooser');
  await act(page.getByRole('menuitem', { name: /^Picture/ }).click());
  await act((await chooser).setFiles({ name: 'ramps.png', mimeType: 'image/png', buffer: ramps(960, 540) }));
  await act(page.getByRole('tab', { name: 'Motion' }).click());
  await act(page.getByRole('button', { name: 'Go from one view to another' }).click());
  const second = page.getByRole('button', { name: /^View 2: / });
  await expect(second).toHaveAccessibleName(/50 % across and 50 % down, size 140 %/);
  await second.scrollIntoViewIfNeeded();
  const at = await middle(second);
  await act(drag(page, at, { x: 30, y: -16 }));
  await expect(second).not.toHaveAccessibleName(/50 % across/);
  expect(did()).toBeLessThanOrEqual(8);

  // The picture is 960 u wide in the middle of a frame of 1920: how much red lies between its edges is how much is seen.
  const seen = async (share: number): Promise<{ wide: number; left: number }> => {
    const before = await benchPicture(page).getAttribute('data-painted');
    await seek(page, share);
    await expect(benchPicture(page)).not.toHaveAttribute('data-painted', before ?? '');
    const [left, right] = [await colourAt(page, 0.26, 0.5), await colourAt(page, 0.74, 0.5)];
    return { wide: right[0] - left[0], left: left[0] };
  };
  const [early, mid, late] = [await seen(0.3), await seen(0.5), await seen(0.7)];
  expect(early.wide).toBeGreaterThan(mid.wide);
  expect(mid.wide).toBeGreaterThan(late.wide);
  expect(late.left).toBeGreaterThan(early.left);

  // By keys: arrows move the frame, + and − size it, and never beyond the picture's edge.
  await second.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('-');
  await expect(second).toHaveAccessibleName(/size 133 %/);
  const frame = await second.boundingBox();
  const whole = await page.getByRole('button', { name: /^View 1: / }).boundingBox();
  expect((frame?.x ?? 0) + (frame?.width ?? 0)).toBeLessThanOrEqual(
    (whole?.x ?? 0) + (whole?.width ?? 0) + 1,
  );
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Motion' }).click();
  await layer(page, 'ramps').click();
  await expect(page.getByRole('button', { name: /^View 2: .*size 133 %/ })).toBeVisible();
  // One view after the other is taken away, and the picture is whole again.
  await page.getByRole('button', { name: 'Remove view 2' }).click();
  await page.getByRole('button', { name: 'Remove view 1' }).click();
  await expect(page.getByRole('button', { name: 'Go from one view to another' })).toBeVisible();
});

test('a four-corner pin that follows by hand: pulled, keyed, stepped on and moved', async ({ page }) => {
  await openCopy(page);
  const { act, did } = counter();
  await act(layer(page, 'Panel').click());
  await act(page.getByRole('tab', { name: 'Place' }).click());
  await act(page.getByRole('button', { name: 'Keep inside, corner pin' }).click());
  await act(page.getByLabel('Pinned by its corners').check());
  const well = page.getByRole('region', { name: 'Picture' });
  const grip = (name: string): Locator => well.locator(`[data-grip="${name}"]`);
  for (const [corner, by] of [
    ['Size, top left', { x: 14, y: -18 }],
    ['Size, top right', { x: 10, y: 12 }],
    ['Size, bottom right', { x: -8, y: 16 }],
    ['Size, bottom left', { x: -16, y: 10 }],
  ] as const)
    await act(drag(page, await middle(grip(corner)), by));
  await act(page.getByRole('button', { name: 'Animate the pin' }).click());
  const left = page.getByRole('textbox', { name: 'Top left, across', exact: true }).first();
  const first = Number(await left.inputValue());
  await act(seek(page, 0.6));
  await act(drag(page, await middle(grip('Move the pin')), { x: 60, y: -24 }));
  expect(did()).toBeLessThanOrEqual(12);
  const last = Number(await left.inputValue());
  expect(last - first).toBeGreaterThan(50);
  await expect(page.getByText('2 keys; a change sets one at the playhead.')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Panel, Corner pin' })).toBeVisible();

  // Between the two it is on its way, all four corners alike.
  await seek(page, 0.4);
  await expect(async () => {
    const between = Number(await left.inputValue());
    expect(between).toBeGreaterThan(first + 1);
    expect(between).toBeLessThan(last - 1);
  }).toPass();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('1 key; a change sets one at the playhead.')).toBeVisible();
});

test('a box that docks to another layer in the course of the title', async ({ page }) => {
  await openCopy(page);
  await page.getByRole('button', { name: 'Layer', exact: true }).click();
  await page.getByRole('menuitem', { name: /^Box/ }).click();
  await page.getByRole('tab', { name: 'Type' }).click();
  const boxes = (): Promise<number> => page.getByRole('listitem').count();
  expect(await boxes()).toBeGreaterThan(3);
  const { act, did } = counter();
  await act(page.getByRole('tab', { name: 'Place' }).click());
  await act(page.getByRole('button', { name: 'Animate the attachment' }).click());
  await act(seek(page, 0.6));
  await act(page.getByLabel('Attached to', { exact: true }).selectOption({ label: 'Panel' }));
  await act(page.getByRole('button', { name: 'Above', exact: true }).click());
  expect(did()).toBeLessThanOrEqual(6);
  await expect(page.getByText('2 keys; a change sets one at the playhead.')).toBeVisible();
  const offset = page.getByRole('textbox', { name: 'Offset down' });
  await expect(offset).toHaveValue('0');

  // Before it, the box stands free; what it is attached to there is what it was made with.
  await seek(page, 0.1);
  await expect(page.getByLabel('Attached to', { exact: true })).not.toHaveValue('panel');
  await seek(page, 0.7);
  await expect(page.getByLabel('Attached to', { exact: true }).locator('option:checked')).toHaveText('Panel');
  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Motion' }).click();
  await expect(page.getByRole('group', { name: /, Attachment$/ })).toBeVisible();
});

test('a fold and a looped hold, each in a few clicks', async ({ page }) => {
  await openCopy(page);
  await layer(page, 'Panel').click();
  const fold = counter();
  await fold.act(page.getByRole('tab', { name: 'Motion' }).click());
  await fold.act(page.getByRole('button', { name: /^Move in: / }).click());
  await fold.act(page.getByRole('button', { name: 'Fold open at an edge', exact: true }).click());
  expect(fold.did()).toBeLessThanOrEqual(3);
  await expect(page.getByRole('button', { name: 'Panel, in: Fold open at an edge' })).toBeVisible();

  await page.getByRole('button', { name: 'Keyframes', exact: false }).first().scrollIntoViewIfNeeded();
  const loop = counter();
  await loop.act(page.getByRole('button', { name: /^Own time/ }).click());
  await loop.act(page.getByLabel('Own time', { exact: true }).selectOption('Loop'));
  expect(loop.did()).toBeLessThanOrEqual(2);
  await expect(page.getByLabel('What has its own time')).toHaveValue('hold');
  await expect(page.getByText('As many whole rounds as fit best')).toBeVisible();
});

test('keys of two layers are moved and scaled together, and marks are typed and named', async ({ page }) => {
  await openCopy(page);
  await page.getByRole('tab', { name: 'Motion' }).click();
  for (const name of ['Panel', 'Name line']) {
    await layer(page, name).click();
    await seek(page, 0.1);
    await page.getByRole('button', { name: /^Keyframes/ }).click();
    await page.getByLabel('Animate a property').selectOption({ label: 'Opacity' });
  }
  const panel = page.getByRole('button', { name: /^Opacity, key 1 at/ }).first();
  const words = page.getByRole('button', { name: /^Opacity, key 1 at/ }).last();
  const timeOf = async (peg: Locator): Promise<number> =>
    Number(/at ([\d.]+) s/.exec((await peg.getAttribute('aria-label')) ?? '')?.[1]);
  const before = [await timeOf(panel), await timeOf(words)];
  await panel.click();
  await words.click({ modifiers: ['Shift'] });
  await expect(panel).toHaveAttribute('aria-pressed', 'true');
  await expect(words).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('2 keys are chosen')).toBeVisible();
  await drag(page, await middle(words), { x: 60, y: 0 });
  const after = [await timeOf(panel), await timeOf(words)];
  expect(after[0] - before[0]).toBeGreaterThan(0.1);
  expect(after[1] - before[1]).toBeCloseTo(after[0] - before[0], 2);
  await page.keyboard.press('Control+z');
  await expect(async () => expect([await timeOf(panel), await timeOf(words)]).toEqual(before)).toPass();

  await page.getByRole('button', { name: /^Marks \d/ }).click();
  await page.getByRole('button', { name: 'Add a mark at the playhead' }).click();
  await page.getByRole('textbox', { name: 'Time of mark 1' }).fill('0.8');
  await page.keyboard.press('Enter');
  await page.getByLabel('Name of mark 1').fill('First word');
  await expect(page.getByText('nothing waits for it')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Mark 1, “First word” at 0.80 s' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Mark 1, “First word” at 0.80 s' })).toBeVisible();
});

test('the programme goes on smaller within a title: added and sized, undone, and there after a reload', async ({
  page,
}) => {
  await openCopy(page);
  const { act, did } = counter();
  await page.getByRole('checkbox', { name: 'Play background' }).uncheck();
  await seek(page, 0.6);
  // What the picture shows there is to be seen in the small one at the same shares of its width and height.
  const whole = await Promise.all([colourAt(page, 0.3, 0.2), colourAt(page, 0.8, 0.1)]);
  await act(page.keyboard.press('a'));
  await act(page.getByRole('menuitem', { name: /^Programme picture/ }).click());
  await expect(layer(page, 'Programme')).toBeVisible();
  const inSmall = (u: number, v: number): Promise<number[]> =>
    colourAt(page, (96 + 864 * u) / 1920, 0.5 + (v - 0.5) * 0.45);
  const apart = async (): Promise<number> => {
    const small = await Promise.all([inSmall(0.3, 0.2), inSmall(0.8, 0.1)]);
    return Math.max(...small.flat().map((part, i) => Math.abs(part - whole.flat()[i])));
  };
  await expect.poll(apart).toBeLessThan(10);
  await act(page.getByRole('tab', { name: 'Place' }).click());
  const width = page.getByRole('textbox', { name: 'Width', exact: true });
  await expect(width).toHaveValue('864');
  await act(width.fill('1200'));
  await act(width.press('Enter'));
  await expect.poll(apart).toBeGreaterThan(10);
  expect(did()).toBe(5);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(width).toHaveValue('864');
  await saved(page);
  await page.reload();
  await page.getByRole('checkbox', { name: 'Play background' }).uncheck();
  await layer(page, 'Programme').click();
  await expect(page.getByText('From the whole frame').first()).toBeVisible();
  await seek(page, 0.6);
  await expect.poll(apart).toBeLessThan(10);
});
