import { expect, test } from '@playwright/test';
import { newPictureLayer } from '@/core/model/newLayers';
import { framesOfMov, goTo, redAndBlue, redThenBlue, saved } from './hands';

test('an editor puts a video where a title has a picture, sees it play, and has it in the file', async ({
  page,
}, info) => {
  const copied = await page.request.post('/api/templates/tideline-strap/copy', {
    data: { name: 'Film strap' },
  });
  const { id } = await copied.json();
  const { document, revision } = await (await page.request.get(`/api/templates/${id}`)).json();
  const film = { ...newPictureLayer('film', 'Film', null), sizing: 'fixed', widthU: 640, heightU: 360 };
  const field = {
    ...document.fields[0],
    id: 'film',
    kind: 'picture',
    label: 'Film',
    help: '',
    required: false,
  };
  const opened = { ...field, limits: {}, targets: [{ layerId: 'film', path: 'asset' }] };
  const changed = {
    ...document,
    name: 'Film strap',
    layers: [film, ...document.layers],
    fields: [...document.fields, opened],
  };
  const put = await page.request.put(`/api/templates/${id}`, { data: { revision, document: changed } });
  expect(await put.text()).toContain('revision');
  const release = { revision: (await put.json()).revision };
  expect((await page.request.post(`/api/templates/${id}/release`, { data: release })).ok()).toBe(true);
  const project = { name: 'Films', production: '', format: 'wide-720', rate: '25' };
  const started = await page.request.post('/api/projects', { data: project });
  await page.goto(`/desk/${(await started.json()).id}`);
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page.getByLabel('Cells').fill('In\tLasts\tName\n1s\t3s\tIlse Marrow');
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await page.getByLabel('Template of rows without one').selectOption({ label: 'Film strap' });
  await page.getByRole('button', { name: 'Import 1 title' }).click();
  await page.getByRole('gridcell', { name: /Ilse Marrow/ }).click();

  const picked = page.getByLabel('Film: file');
  await picked.setInputFiles({ name: 'odd.webm', mimeType: 'video/webm', buffer: Buffer.from('no video') });
  await expect(page.getByText(/"?odd\.webm/).first()).toBeVisible();
  const box = page.getByLabel('Film', { exact: true });
  await expect(box).toHaveValue('');
  await picked.setInputFiles({ name: 'regatta.webm', mimeType: 'video/webm', buffer: redThenBlue(info) });
  await expect(box.locator('option:checked')).toHaveText('regatta.webm');
  // It begins with the title, a second after the programme.
  await goTo(page, '00:00:01:20');
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await goTo(page, '00:00:02:10');
  await expect.poll(() => redAndBlue(page)).toEqual([false, true]);
  await saved(page);
  await page.reload();
  await page.getByRole('gridcell', { name: /Ilse Marrow/ }).click();
  await expect(box.locator('option:checked')).toHaveText('regatta.webm');
  await goTo(page, '00:00:01:20');
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await box.selectOption('');
  await expect.poll(() => redAndBlue(page)).toEqual([false, false]);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await saved(page);
  // A sheet names it as its file is called.
  await page.getByRole('button', { name: 'Fill from a sheet' }).click();
  await page
    .getByLabel('Cells')
    .fill('In\tLasts\tName\tFilm\n5s\t3s\tTeo Vance\tregatta\n9s\t3s\tOde Pell\tgull.mov');
  await page.getByRole('button', { name: 'Look at the rows' }).click();
  await page.getByLabel('Template of rows without one').selectOption({ label: 'Film strap' });
  await expect(page.getByText(/Film: needs the name of a picture that is here/)).toBeVisible();
  await page.getByRole('button', { name: 'Import 1 title' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('gridcell', { name: /Teo Vance/ }).click();
  await expect(box.locator('option:checked')).toHaveText('regatta.webm');
  await goTo(page, '00:00:05:20');
  await expect.poll(() => redAndBlue(page)).toEqual([true, false]);
  await page.getByRole('gridcell', { name: /Ilse Marrow/ }).click();
  await saved(page);
  const frames = await framesOfMov(page);
  expect(frames).toHaveLength(75);
  // From its second second on it is blue, and at rest nothing else moves.
  expect(frames[24]).not.toBe(frames[25]);
  expect(new Set(frames.slice(30, 45)).size).toBe(1);
});
