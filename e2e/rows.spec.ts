import { expect, test } from '@playwright/test';
import { framesOfMov, newProject, paste, saved } from './hands';

const ROWS = ['1\tHeron\t4:12.6', '2\tMarsh Lantern\t4:13.1', '3\tQuiet Gudgeon\t4:15.8'];
// One after another to the frame, at 25 frames a second: the first frame of each row's move still shows nothing of it.
const MOMENTS = [
  { at: '00:00:03:12', frame: 87 },
  { at: '00:00:05:00', frame: 125 },
  { at: '00:00:08:24', frame: 224 },
];

test('rows of a list are tapped in by keys, outlive a reload, and come to the frame in the file', async ({
  page,
}) => {
  await newProject(page, 'Row by row');
  const heading = page.getByRole('heading', { name: 'Row by row' });
  await expect(heading).toBeVisible();
  await page.getByTestId('under-playhead').click();
  await page.keyboard.press('t');
  await page.keyboard.type('heat');
  // The shelf's templates come a moment after the desk.
  await expect(page.getByRole('button', { name: /^Heat board/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Second heat');
  await page.keyboard.press('Enter');
  const card = page.getByRole('region', { name: 'Card' });
  await card.getByLabel('Boats, row 1, cell 1').click();
  await paste(page, ROWS.join('\n'));
  await expect(card.getByLabel('Boats, row 3, cell 2')).toHaveValue('Quiet Gudgeon');

  const goTo = async (timecode: string): Promise<void> => {
    await page.getByLabel('Timecode of the playhead').fill(timecode);
    await page.keyboard.press('Enter');
    await heading.click();
  };
  for (const { at } of MOMENTS) {
    await goTo(at);
    await page.keyboard.press('r');
  }
  const moment = (row: number) => card.getByLabel(`Row ${row} comes after`);
  await expect(moment(3)).toHaveValue('8.96');
  // One too many says so and changes nothing; undo takes the last one back, redo brings it again.
  await page.keyboard.press('r');
  await expect(page.getByText(/^Every row has its moment\./)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(moment(3)).toHaveValue('6.52');
  await page.keyboard.press('Control+Shift+z');
  await expect(moment(3)).toHaveValue('8.96');
  // Bad input is told and changes nothing.
  await moment(2).fill('soon');
  await page.keyboard.press('Enter');
  await expect(card.getByText('Not a number: “soon”. Try 1080/3 or +12.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(moment(2)).toHaveValue('5');
  await saved(page);
  await page.reload();
  await expect(moment(1)).toHaveValue('3.48');
  await expect(moment(3)).toHaveValue('8.96');

  const sums = await framesOfMov(page);
  for (const { frame } of MOMENTS) {
    // The list stands still up to the row's moment, and moves from the frame after it on.
    expect(sums[frame]).toBe(sums[frame - 10]);
    expect(sums[frame + 1]).not.toBe(sums[frame]);
  }
});
