import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { newProject, saved } from './hands';

// As files are found: numbers wrong, an empty line inside, one line of times broken off, Windows line ends.
const FOUND = [
  '1\r\n00:00:01,000 --> 00:00:03,500\r\nThe water came over the wall\r\nof the old mill at four.\r\n\r\n',
  '9\r\n00:00:04,000 --> 00:00:06,000\r\n<i>We rang</i> the bell.\r\n\r\n',
  '3\r\n00:00:07,000 --> 00:00\r\nlost\r\n\r\n',
  '4\r\n00:00:08.000 --> 00:00:10.000\r\n{\\an8}Nobody slept\r\n',
].join('');

async function newCaptions(page: Page, name: string): Promise<void> {
  await newProject(page, name);
  await page.getByRole('tab', { name: 'Captions' }).click();
}

const words = (page: Page, number: number) => page.getByLabel(`Words of caption ${number}`);
const row = (page: Page, number: number) =>
  page
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: `Choose caption ${number}`, exact: true }) });

async function goTo(page: Page, timecode: string): Promise<void> {
  await page.getByLabel('Timecode of the playhead').fill(timecode);
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { level: 1 }).click();
}

async function readFound(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Read a caption file' }).click();
  await page
    .getByLabel('Caption file')
    .setInputFiles({ name: 'mill.srt', mimeType: 'text/plain', buffer: Buffer.from(FOUND) });
}

test('a damaged file is read as far as it goes, then cues are typed, split, joined and outlive a reload', async ({
  page,
}) => {
  await newCaptions(page, 'Mill captions');
  await page.getByRole('button', { name: 'Read a caption file' }).click();
  const input = page.getByLabel('Caption file');
  await input.setInputFiles({ name: 'list.srt', mimeType: 'text/plain', buffer: Buffer.from('no captions') });
  await expect(page.getByRole('alert').filter({ hasText: 'SubRip file' })).toContainText(
    'Nothing was changed.',
  );
  await input.setInputFiles({ name: 'mill.srt', mimeType: 'text/plain', buffer: Buffer.from(FOUND) });
  await expect(page.getByText('SubRip: 3 captions, from 00:00:01:00 to 00:00:10:00.')).toBeVisible();
  await expect(page.getByText(/^Line 11: needs times/)).toBeVisible();
  await page.getByRole('button', { name: 'Import 3 captions' }).click();

  await expect(page.getByRole('grid', { name: 'Captions, mill' })).toBeVisible();
  await expect(words(page, 1)).toHaveValue('The water came over the wall\nof the old mill at four.');
  // Split by the keyboard where the second line begins: time is shared by characters.
  await words(page, 1).click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Home');
  await page.keyboard.press('Control+Enter');
  await expect(words(page, 2)).toBeFocused();
  await expect(words(page, 2)).toHaveValue('of the old mill at four.');
  await expect(row(page, 2)).toContainText('00:00:02:09');
  await page.keyboard.press('Control+z');
  await expect(row(page, 2)).toContainText('We rang the bell.');
  await page.keyboard.press('Control+Shift+z');
  await expect(row(page, 2)).toContainText('of the old mill at four.');
  // Joined again with the mouse: the words and the time are those of before.
  await page.getByRole('button', { name: 'Choose caption 1', exact: true }).click();
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(row(page, 2)).toContainText('We rang the bell.');
  await expect(words(page, 1)).toHaveValue('The water came over the wall\nof the old mill at four.');

  // Down from the last line goes to the next cue; a letter there, then up again.
  await words(page, 1).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('ArrowDown');
  await expect(words(page, 2)).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.type(' Twice.');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('grid', { name: 'Captions, mill' })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  const card = page.getByRole('region', { name: 'Caption', exact: true });
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Caption 3');
  await expect(card.getByRole('radio', { name: 'Above' })).toBeChecked();
  // A wrong time says what is wrong and changes nothing.
  await card.getByLabel('Out', { exact: true }).fill('soon');
  await page.keyboard.press('Enter');
  await expect(card.getByRole('alert')).toContainText('Needs');
  await page.keyboard.press('Escape');
  await expect(card.getByLabel('Out', { exact: true })).toHaveValue('00:00:10:00');
  // One press takes one away, wherever the keys are; twice in a row two; each comes back by itself.
  const grid = page.getByRole('grid', { name: 'Captions, mill' });
  await grid.focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Delete');
  await expect(page.getByText('2 captions ·')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('1 caption ·')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('2 captions ·')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('3 captions ·')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(row(page, 2)).toContainText('We rang the bell. Twice.');
});

test('a transcript is tapped in with one key, and its file is read alike by other readers', async ({
  page,
}, info) => {
  await newCaptions(page, 'Tapped captions');
  await page.getByRole('button', { name: 'Begin a track' }).click();
  await page.getByRole('button', { name: 'Add a track' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'More for captions' }).click();
  await page.getByRole('menuitem', { name: 'Type a transcript…' }).click();
  await page
    .getByRole('textbox', { name: 'Transcript' })
    .fill('Nell: Rain & wind < hail.\n\nOwen: So we wait.\n\nनाव आ गई।');
  await page.getByRole('button', { name: 'Make 3 captions' }).click();
  await expect(page.getByText('3 to tap in with K')).toBeVisible();
  await goTo(page, '00:00:02:00');
  await page.keyboard.press('k');
  await goTo(page, '00:00:04:12');
  await page.keyboard.press('k');
  await expect(page.getByText('1 to tap in with K')).toBeVisible();
  await goTo(page, '00:00:07:00');
  // Held down while it plays, it ends where it is let go.
  await page.keyboard.press('Space');
  await page.keyboard.down('k');
  await expect(page.getByText('1 to tap in with K')).toBeHidden();
  await page.waitForFunction(
    () => (document.querySelector<HTMLInputElement>('[data-testid="timecode"]')?.value ?? '') > '00:00:08:10',
  );
  await page.keyboard.up('k');
  await page.keyboard.press('Space');
  await expect(row(page, 1)).toContainText('00:00:02:00');
  await expect(row(page, 2)).toContainText('00:00:04:12');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('1 to tap in with K')).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('1 to tap in with K')).toBeHidden();

  const write = async (format: string): Promise<string> => {
    await page.getByRole('button', { name: 'More for captions' }).click();
    await page.getByRole('menuitem', { name: 'Write a caption file…' }).click();
    await page.getByRole('radio', { name: new RegExp(`^${format}`) }).click();
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Write 3 captions' }).click();
    const download = await waiting;
    const path = info.outputPath(download.suggestedFilename());
    await download.saveAs(path);
    return path;
  };
  // The browser's own text tracks.
  const vtt = readFileSync(await write('WebVTT'), 'utf8');
  const cues = await page.evaluate(async (text) => {
    const video = document.createElement('video');
    const track = document.createElement('track');
    track.src = URL.createObjectURL(new Blob([text], { type: 'text/vtt' }));
    track.default = true;
    video.append(track);
    document.body.append(video);
    track.track.mode = 'showing';
    if (track.readyState !== 2) await new Promise((resolve) => track.addEventListener('load', resolve));
    const found = [...(track.track.cues ?? [])].map((cue) => ({
      start: cue.startTime,
      words: cue instanceof VTTCue ? (cue.getCueAsHTML().textContent ?? '') : '',
    }));
    video.remove();
    return found;
  }, vtt);
  expect(cues.map(({ words: said }) => said)).toEqual(['Rain & wind < hail.', 'So we wait.', 'नाव आ गई।']);
  expect(cues.map(({ start }) => start)).toEqual([2, 4.48, expect.any(Number)]);
  // ffmpeg's reader of SubRip.
  const srt = await write('SubRip');
  const read = execFileSync(
    'ffprobe',
    ['-v', 'error', '-show_entries', 'packet=pts_time', '-of', 'csv=p=0', srt],
    { encoding: 'utf8' },
  );
  expect(read.trim().split('\n').slice(0, 2)).toEqual(['2.000000', '4.480000']);
});

test('another desk sees a cue as it is typed, and what both change in different cues is kept', async ({
  page,
  context,
}) => {
  await newCaptions(page, 'Two desks, captions');
  await readFound(page);
  await page.getByRole('button', { name: 'Import 3 captions' }).click();
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('tab', { name: 'Captions' }).click();
  await other.getByRole('button', { name: 'Choose caption 2', exact: true }).click();
  await words(other, 2).click();
  await other.keyboard.press('End');
  await other.keyboard.type(' Once.');
  await words(page, 1).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' Then rain.');
  await expect(row(page, 2)).toContainText('We rang the bell. Once.');
  await expect(row(other, 1)).toContainText('Then rain.');
  await other.close();
});
