import { execFile } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { receive } from '../examples/receiver';
import { renderStill } from '../examples/render';

const run = promisify(execFile);

test('another system gets a key in the House, orders and fetches with it, and is out when it is withdrawn', async ({
  page,
  baseURL,
  request,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-client-'));
  expect((await request.get('/api/v1/templates')).status()).toBe(401);
  await page.goto('/house');
  await page.getByRole('button', { name: 'Other systems' }).click();
  await expect(page.getByText('While there is no key, nothing can be asked.')).toBeVisible();
  await page.getByLabel('Name of the client').fill('Newsroom');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The key of Newsroom, shown this once')).toBeVisible();
  const key = (await page.getByRole('status').locator('code').textContent()) ?? '';
  expect(key).toMatch(/^gld_[\w-]{40}$/);

  // The examples, as somebody would run them.
  const still = await renderStill(
    'Tideline strap',
    { name: 'Ilse Marrow', role: 'Harbour pilot' },
    { base: baseURL ?? '', key },
  );
  const { width, height } = PNG.sync.read(Buffer.from(still));
  expect([width, height]).toEqual([1920, 1080]);
  const script = resolve('examples/render.sh');
  const env = {
    ...process.env,
    GILDER: baseURL ?? '',
    GILDER_KEY: key,
    OUTPUT: 'mov-prores',
    FORMAT: 'tall-1080',
  };
  const { stdout } = await run(script, ['Tideline strap', 'name=Téo “V” Vance', 'role=On = air'], {
    cwd: folder,
    env,
  });
  expect(stdout.trim()).toBe('tideline-strap-téo-v-vance.mov');
  const probe = '-v error -select_streams v -show_entries stream=width,height -of csv=p=0'.split(' ');
  const said = await run('ffprobe', [...probe, join(folder, stdout.trim())]);
  expect(said.stdout.trim()).toBe('1080,1920');
  expect(readFileSync(join(folder, stdout.trim())).length).toBeGreaterThan(10_000);

  // The same order twice is one; another under its key is refused; what is wrong is told.
  const headers = { Authorization: `Bearer ${key}`, 'Idempotency-Key': 'night-1' };
  const [{ edition }] = (await (await request.get('/api/v1/templates', { headers })).json()).filter(
    ({ name }: { name: string }) => name === 'Tideline strap',
  );
  const told = await (await request.get(`/api/v1/templates/${edition}`, { headers })).json();
  expect(told.fields.map(({ id, required }: { id: string; required: boolean }) => [id, required])).toEqual(
    expect.arrayContaining([['name', true]]),
  );
  expect((await request.get('/api/v1/templates/none', { headers })).status()).toBe(404);
  const data = { edition, values: { name: 'Noor', role: 'Desk' }, output: 'png-still' };
  const [one, two] = await Promise.all([0, 1].map(() => request.post('/api/v1/renders', { headers, data })));
  expect([one.status(), (await one.json()).id]).toEqual([201, (await two.json()).id]);
  const other = { ...data, values: { name: 'Noor', role: 'Away' } };
  expect((await request.post('/api/v1/renders', { headers, data: other })).status()).toBe(409);
  const wrong = await request.post('/api/v1/renders', {
    headers: { Authorization: `Bearer ${key}` },
    data: { ...data, values: { role: 'Desk' } },
  });
  expect([wrong.status(), (await wrong.json()).message]).toEqual([400, expect.stringContaining('name')]);
  // An address of its own is told when an order is over; one elsewhere is refused.
  const byKey = { Authorization: `Bearer ${key}` };
  const calls: { readonly id: string; readonly status: string }[] = [];
  const receiver = receive(0, key, (one) => void calls.push(one));
  await once(receiver, 'listening');
  const { port } = receiver.address() as AddressInfo;
  const called = {
    ...data,
    values: { name: 'Teo', role: 'Wharf' },
    callback: `http://127.0.0.1:${port}/told`,
  };
  const ordered = await request.post('/api/v1/renders', { headers: byKey, data: called });
  const { id } = await ordered.json();
  await expect.poll(() => calls.map((one) => [one.id, one.status])).toEqual([[id, 'done']]);
  receiver.close();
  await expect
    .poll(
      async () => (await (await request.get(`/api/v1/renders/${id}`, { headers: byKey })).json()).callback,
    )
    .toMatchObject({ tries: 1, error: null, givenUp: false });
  const away = { ...called, callback: 'http://elsewhere.invalid/' };
  expect((await request.post('/api/v1/renders', { headers: byKey, data: away })).status()).toBe(400);
  // Jobs from the desk are none of its business.
  const { jobs } = await (await request.get('/api/jobs')).json();
  const own = jobs.find(({ name }: { name: string }) => name.startsWith('tideline-strap'));
  expect((await request.get(`/api/v1/renders/${own.id}`, { headers })).status()).toBe(200);
  expect((await request.get('/api/v1/renders/none', { headers })).status()).toBe(404);

  await page.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('withdrawn')).toBeVisible();
  expect((await request.get(`/api/v1/renders/${own.id}`, { headers })).status()).toBe(401);
  rmSync(folder, { recursive: true });
});
