import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { standInSpeech } from '../src/core/sound/speech';
import { samplesToWav } from '../src/core/sound/wav';
import { drag, middle, pixels, saved } from './hands';

async function openCopy(page: Page): Promise<void> {
  await page.goto('/bench/tideline-strap');
  await page.getByRole('button', { name: 'Work on a copy' }).click();
  await expect(page).not.toHaveURL(/tideline-strap/);
  await page.getByRole('tab', { name: 'Motion' }).click();
}

/** Picks a ready move for the in: opens the menu, points at the move, sees it play, and takes it. */
async function pickIn(page: Page, move: string): Promise<void> {
  await page.getByRole('button', { name: /^Move in: / }).click();
  const tile = page.getByRole('button', { name: move, exact: true });
  await tile.scrollIntoViewIfNeeded();
  await tile.hover();
  await expect(tile.locator('canvas[data-painted]')).toBeVisible();
  await tile.click();
}

const seek = async (page: Page, share: number): Promise<void> => {
  const ruler = page.getByRole('slider', { name: 'Playhead' });
  const { x, y, width } = await middle(ruler);
  await page.mouse.click(x - width / 2 + width * share, y);
};

test('eight ways of bringing in text, each by a few clicks, and each moves', async ({ page }) => {
  await openCopy(page);
  const picture = page.getByRole('region', { name: 'Picture' }).locator('canvas');
  const bar = page.getByRole('button', { name: /^Name line, in: / });
  const ways: readonly (readonly [string, RegExp])[] = [
    ['Rise behind a mask', /by word/],
    ['Blur from depth', /by letter/],
    ['Grow with overshoot', /by letter/],
    ['Tracking closes', /by letter/],
    ['Turn about the upright', /by letter/],
    ['Colour pass, blurred sideways', /by letter/],
    ['Scroll a band to the last line', /band/],
  ];
  const seen = new Set<number>();
  for (const [move, units] of ways) {
    await pickIn(page, move);
    await expect(bar).toHaveAccessibleName(units);
    // In the middle of the move, where the first move stands in the timeline.
    await seek(page, 0.09);
    const painted = await picture.getAttribute('data-painted');
    await seek(page, 0.1);
    await expect(picture).not.toHaveAttribute('data-painted', painted ?? '');
    seen.add(await pixels(picture));
  }
  expect(seen.size).toBe(ways.length);

  // The eighth: word by word in time with speech, tapped along while it plays.
  await pickIn(page, 'Fade');
  await page.getByLabel('Animate by, in').selectOption('Word');
  await page.getByLabel('Each waits for its mark, in').check();
  await page.getByLabel('Sound that plays along').selectOption('speech');
  await seek(page, 0);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const timecode = page.getByTestId('timecode');
  await expect(timecode).not.toHaveValue('00:00:00:00');
  await page.keyboard.press('m');
  await expect(page.getByRole('button', { name: /^Mark 1 at/ })).toBeVisible();
  await expect(async () => expect(await timecode.inputValue()).toMatch(/00:00:0[1-3]/)).toPass();
  await page.keyboard.press('m');
  await expect(page.getByRole('button', { name: /^Mark 2 at/ })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Mark 2 at/ })).toBeVisible();
});

test('keyframes: set by moving a layer at the playhead, dragged, switched off and on, undone', async ({
  page,
}) => {
  await openCopy(page);
  await page.getByRole('tab', { name: 'Place' }).click();
  const design = await page.getByRole('textbox', { name: 'Offset down' }).inputValue();
  await page.getByRole('tab', { name: 'Motion' }).click();
  await page.getByRole('button', { name: 'Keyframes' }).click();
  await page.getByLabel('Animate a property').selectOption({ label: 'Offset down' });
  const pegs = page.getByRole('button', { name: /^Offset down, key \d/ });
  await expect(pegs).toHaveCount(1);

  // Elsewhere in time, moving the layer sets a second key; at the first the layer is where it was.
  await seek(page, 0.4);
  await page.getByTestId('part-now').click();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(pegs).toHaveCount(2);
  const second = page.getByRole('button', { name: /^Offset down, key 2/ });
  await second.click();
  await expect(page.getByLabel('Value of the key')).toHaveValue(/−?-?\d+/);
  await page.getByLabel('Way to the next key').selectOption('Spring');
  await expect(second).toHaveAccessibleName(/spring/);
  // A drag is a step of undo of its own, and so is what follows it.
  const before = await second.getAttribute('aria-label');
  await drag(page, await middle(second), { x: 60, y: 0 });
  await expect(second).not.toHaveAccessibleName(before ?? '');

  // Off and on again loses nothing.
  const follows = page.getByLabel('Offset down follows its keys');
  await follows.uncheck();
  await expect(pegs).toHaveCount(2);
  await page.getByRole('tab', { name: 'Place' }).click();
  // The design's own place, not where the keys had it at the playhead.
  await expect(page.getByRole('textbox', { name: 'Offset down' })).toHaveValue(design);
  await page.getByRole('tab', { name: 'Motion' }).click();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(follows).toBeChecked();
  await expect(second).toHaveAccessibleName(/spring/);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Offset down, key 2.*spring/ })).toBeVisible();
});

test('motion is kept in the House without its words, used on another layer, exported and brought in again', async ({
  page,
}) => {
  await openCopy(page);
  await pickIn(page, 'Drop and bounce');
  await page.getByRole('button', { name: 'Own moves' }).click();
  await page.getByLabel('Name of a new move').fill('Lantern drop');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const use = page.getByRole('button', { name: 'Use Lantern drop' });
  await expect(use).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Lantern drop' }).click();
  const file = await (await download).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ kind: 'gilder-move', name: 'Lantern drop' });

  await page.getByRole('button', { name: 'Role line', exact: true }).click();
  await page.getByRole('button', { name: 'Own moves' }).click();
  await use.click();
  await expect(page.getByRole('button', { name: /^Role line, in: Drop and bounce/ })).toBeVisible();
  await page.getByLabel('A file with a move').setInputFiles(file);
  await expect(use).toHaveCount(2);
  const bad = { name: 'tune.json', mimeType: 'application/json', buffer: Buffer.from('not a move') };
  await page.getByLabel('A file with a move').setInputFiles(bad);
  await expect(page.getByText(/tune\.json: needs a move that was exported from Gilder/)).toBeVisible();
});

test('a sound stays with the template over a reload, shows its wave, and goes again with undo', async ({
  page,
}) => {
  await openCopy(page);
  const data = Buffer.from(samplesToWav(standInSpeech(3, 11_025), 11_025));
  const sound = { name: 'Harbour sting.wav', mimeType: 'audio/wav', buffer: data };
  await page.getByLabel('A sound file').setInputFiles(sound);
  const wave = page.getByRole('img', { name: 'Sound: Harbour sting.wav' });
  await expect(wave).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(wave).toBeVisible();
  const heard = page.locator('audio');
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect.poll(() => heard.evaluate((one: HTMLAudioElement) => one.currentTime)).toBeGreaterThan(0.3);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByLabel('A sound file').setInputFiles({ ...sound, buffer: Buffer.from('no sound') });
  await expect(page.getByText('File "Harbour sting.wav": needs a sound')).toBeVisible();
  await expect(wave).toBeVisible();
  await page.getByLabel('Sound that plays along').selectOption('No sound');
  await expect(wave).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(wave).toBeVisible();
});
