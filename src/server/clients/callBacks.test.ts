import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals';
import { receive } from '../../../examples/receiver';
import { findCallback } from '@/db/callbacks';
import { insertClient, withdrawClient } from '@/db/clients';
import { insertJob, updateJob } from '@/db/jobs';
import type { Db, OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import { CallBacks, checkCallback } from './callBacks';
import { hashKey } from './respondToClient';

const KEY = 'gld_of-the-newsroom';
let folder: string;
let open: OpenDatabase;
let db: Db;
let callBacks: CallBacks;
let count = 0;
const servers: Server[] = [];

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-callbacks-'));
  open = await openDatabase(folder);
  db = open.db;
  for (const [id, key] of [
    ['newsroom', KEY],
    ['gone', 'gld_withdrawn'],
  ])
    await insertClient(db, { id, name: id, keyHash: hashKey(key), keyStart: key.slice(0, 8) });
  await withdrawClient(db, 'gone');
});
afterEach(async () => {
  await callBacks.stop();
  for (const server of servers.splice(0)) server.close();
});
afterAll(async () => {
  await open.close();
  rmSync(folder, { recursive: true });
});

async function listening(server: Server): Promise<string> {
  servers.push(server);
  if (!server.listening) await once(server, 'listening');
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/told`;
}

async function order(callback: string | null, clientId = 'newsroom'): Promise<string> {
  const id = `order ${count++}`;
  const payload = { name: 'N', output: 'png-still', format: 'wide-720', rate: '25', titles: [] };
  await insertJob(db, id, payload, 1, [], { clientId, clientKey: null, orderHash: 'x', callback });
  return id;
}

const end = (id: string): Promise<void> => updateJob(db, id, { status: 'done', endedAt: new Date() });

/** How the telling stands once it is as far as that. */
async function state(
  id: string,
  isSo: (now: NonNullable<Awaited<ReturnType<typeof findCallback>>>) => boolean,
) {
  for (;;) {
    const now = await findCallback(db, id);
    if (now !== null && isSo(now)) return now;
    await new Promise((resolve) => setImmediate(resolve));
  }
}

test('an address is told once, when the order is over, by somebody who knows the key', async () => {
  const told: unknown[] = [];
  const url = await listening(receive(0, KEY, (one) => void told.push(one)));
  callBacks = new CallBacks(db);
  const id = await order(url);
  callBacks.look();
  await callBacks.stop();
  expect(await findCallback(db, id)).toMatchObject({ url, tries: 0, toldAt: null, givenUp: false });
  callBacks = new CallBacks(db);
  await end(id);
  callBacks.look();
  callBacks.look();
  expect(await state(id, ({ tries }) => tries > 0)).toMatchObject({ tries: 1, error: null, givenUp: false });
  await callBacks.stop();
  expect(told).toEqual([expect.objectContaining({ id, status: 'done', files: [] })]);
});

test('a receiver with another key refuses it, and takes nothing that was changed', async () => {
  const told: unknown[] = [];
  const url = await listening(receive(0, 'gld_another', (one) => void told.push(one)));
  callBacks = new CallBacks(db, []);
  const id = await order(url);
  await end(id);
  callBacks.look();
  expect(await state(id, ({ givenUp }) => givenUp)).toMatchObject({
    error: 'It answered 403.',
    toldAt: null,
  });
  expect(told).toEqual([]);
});

test('nobody there, a fault, being sent elsewhere: it is tried again, and given up after the last try', async () => {
  let asked = 0;
  const answers = [500, 302, 204];
  const elsewhere = createServer((_, response) => void response.end()).listen(0, '127.0.0.1');
  const other = await listening(elsewhere);
  let led = 0;
  elsewhere.on('request', () => led++);
  const server = createServer((_, response) => {
    response.writeHead(answers[asked++], { Location: other }).end();
  });
  const url = await listening(server.listen(0, '127.0.0.1'));
  callBacks = new CallBacks(db, [0, 0, 0]);
  const id = await order(url);
  await end(id);
  callBacks.look();
  expect(await state(id, ({ toldAt }) => toldAt !== null)).toMatchObject({ tries: 3, error: null });
  expect([asked, led]).toEqual([3, 0]);
  server.close();
  const nobody = await order(url);
  await end(nobody);
  callBacks.look();
  expect(await state(nobody, ({ givenUp }) => givenUp)).toMatchObject({
    tries: 4,
    error: 'Nobody answered.',
  });
});

test('orders without an address, and of keys that were withdrawn, tell nobody', async () => {
  const told: unknown[] = [];
  const url = await listening(receive(0, 'gld_withdrawn', (one) => void told.push(one)));
  callBacks = new CallBacks(db);
  const [none, gone] = [await order(null), await order(url, 'gone')];
  await end(none);
  await end(gone);
  callBacks.look();
  await callBacks.stop();
  expect(await findCallback(db, none)).toBeNull();
  expect([told, (await findCallback(db, gone))?.tries]).toEqual([[], 0]);
});

test('addresses are of this machine, or of one that was named', () => {
  for (const good of ['http://127.0.0.1:4700/told', 'https://localhost/x', 'http://[::1]:80/'])
    expect(checkCallback(good)).toMatch(/^https?:/);
  const bad = [
    'http://studio.invalid/',
    'file:///etc/passwd',
    'http://a:b@127.0.0.1/',
    'told',
    'http://127.0.0.1.invalid/',
  ];
  for (const one of bad) expect(() => checkCallback(one)).toThrow('GILDER_CALLBACK_HOSTS');
  process.env.GILDER_CALLBACK_HOSTS = 'news.invalid, studio.invalid';
  expect(checkCallback('http://studio.invalid/told')).toBe('http://studio.invalid/told');
  expect(() => checkCallback('http://other.invalid/')).toThrow('other.invalid');
  delete process.env.GILDER_CALLBACK_HOSTS;
});
