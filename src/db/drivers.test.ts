import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { KEPT_KINDS } from '@/contract/room';
import { newTitle } from '@/core/model/project';
import { DEMO_PROJECT_ID, seedDemo } from '../../demo/seed';
import { startPostgres } from '../server/testing/postgres';
import type { TestPostgres } from '../server/testing/postgres';
import { listAssets } from './assets';
import { listClients } from './clients';
import { findHouse, saveHouse } from './house';
import { findJob, insertJob, listJobs, putFirst, unfinishedJobs, updateJob } from './jobs';
import { listMedia } from './media';
import type { Db, OpenDatabase } from './open';
import { openDatabase } from './open';
import { changeProject, findProject, listProjects } from './projects';
import { findLastOfLine, findRenders, putRender, recentRenders } from './renders';
import { listThings, setAway, usesOfThing } from './room';
import { beginRun, endRun, machinesThere, reportRun, sayThere } from './runs';
import { StaleWriteError } from './staleWrite';
import type { JsonRow } from './tables';
import { clearTables, readRows, TABLES, writeRows } from './tables';
import type { TableName } from './tables';
import {
  findTemplate,
  listEditions,
  listShelf,
  listTemplates,
  readEditions,
  releaseTemplate,
} from './templates';

/* The embedded database and a PostgreSQL server: what is asked of one is answered by the other in the same words. */
let postgres: TestPostgres | undefined;
let folder: string;
let both: OpenDatabase[] = [];

beforeAll(async () => {
  postgres = await startPostgres();
  folder = mkdtempSync(join(tmpdir(), 'gilder-drivers-'));
  both = [await openDatabase(join(folder, 'embedded'))];
  process.env.DATABASE_URL = postgres.newDatabase('gilder');
  both.push(await openDatabase(join(folder, 'server')));
  delete process.env.DATABASE_URL;
  for (const { db } of both) await seedDemo(db, async () => undefined);
});
afterAll(async () => {
  for (const { close } of both) await close();
  postgres?.stop();
  rmSync(folder, { recursive: true });
});

/** What both answer, without the moments at which they did things and the room that rows take. */
async function answers(ask: (db: Db) => Promise<unknown>): Promise<[unknown, unknown]> {
  const [a, b] = [await ask(both[0].db), await ask(both[1].db)];
  const plain = (answer: unknown): unknown =>
    JSON.parse(
      JSON.stringify(answer, (key, value: unknown) =>
        key === 'bytes' ||
        (typeof value === 'string' && /^20\d\d-\d\d-\d\d[T ]\d\d:\d\d/.test(value) && key !== 'recordedAt')
          ? typeof value
          : value,
      ) ?? 'null',
    );
  return [plain(a), plain(b)];
}

async function rowsOf(db: Db, name: TableName): Promise<JsonRow[]> {
  const rows: JsonRow[] = [];
  for await (const row of readRows(db, name)) rows.push(row);
  return rows;
}

async function expectSame(ask: (db: Db) => Promise<unknown>): Promise<void> {
  const [embedded, server] = await answers(ask);
  expect(server).toEqual(embedded);
  expect(embedded).not.toEqual([]);
}

test('lists and documents', async () => {
  await expectSame(listTemplates);
  await expectSame(listShelf);
  await expectSame((db) => findTemplate(db, 'tideline-strap'));
  await expectSame((db) => listEditions(db, 'tideline-strap'));
  await expectSame(async (db) =>
    readEditions(
      db,
      (await listShelf(db)).map(({ id }) => id),
    ),
  );
  await expectSame(listProjects);
  await expectSame((db) => findProject(db, DEMO_PROJECT_ID));
  await expectSame(listAssets);
  await expectSame(findHouse);
  for (const kind of KEPT_KINDS) await expectSame((db) => listThings(db, kind, false, 5));
  await expectSame((db) => usesOfThing(db, 'template', 'tideline-strap'));
});

test('changes, and what is refused', async () => {
  const change = async (db: Db): Promise<unknown> => {
    const before = await findProject(db, DEMO_PROJECT_ID);
    if (before === undefined) throw new Error('no demo');
    const [{ revision, ...first }] = before.titles;
    const put = [
      { value: { ...first, values: { ...first.values, name: 'Noor “at the lock” Çelik' } }, revision },
      { value: newTitle({ ...first, id: 'new' }), revision: null },
    ];
    const nothing = { clips: { put: [], remove: [] }, cues: { put: [], remove: [] } };
    const changes = { ...nothing, titles: { put, remove: [] }, plan: null };
    const revisions = await changeProject(db, DEMO_PROJECT_ID, changes);
    const refused = await changeProject(db, DEMO_PROJECT_ID, changes).catch((error: unknown) =>
      error instanceof StaleWriteError ? error.message : 'something else',
    );
    return { revisions, refused, after: await findProject(db, DEMO_PROJECT_ID) };
  };
  await expectSame(change);
  await expectSame(async (db) => {
    const { revision, document } = await findHouse(db);
    return [await saveHouse(db, revision, document), await findHouse(db)];
  });
  await expectSame(async (db) => {
    const found = await findTemplate(db, 'place-corner');
    return releaseTemplate(db, 'place-corner', found?.revision ?? 0, 'again');
  });
  await expectSame(async (db) => [await setAway(db, 'template', 'quote-slip', 'aside'), await listShelf(db)]);
});

test('jobs, machines and what was made', async () => {
  const payload = { name: 'P', output: 'mov-png', format: 'wide-720', rate: '25', titles: [] };
  await expectSame(async (db) => {
    for (const id of ['p1', 'p2', 'p3']) await insertJob(db, id, payload, 90);
    await updateJob(db, 'p3', { status: 'cancelled', endedAt: new Date() });
    await sayThere(db, { id: 'm', name: 'Machine', lanes: 2 });
    const run = { id: '00000000-0000-4000-8000-000000000001', token: 't', jobId: 'p1', machineId: 'm' };
    const begun = await beginRun(db, run);
    const told = await reportRun(db, run, { doneFrames: 7, paintedFrames: 3 });
    const within = await findJob(db, 'p1');
    const failure = { titleId: 't', name: '001', message: 'why' };
    return [begun, told, within, await endRun(db, run, { failure }), await machinesThere(db)];
  });
  await expectSame(async (db) => [await putFirst(db, 'p2'), await unfinishedJobs(db), await listJobs(db, 2)]);
  const facts = { titleId: 't', name: 'a.mov', widthPx: 2, heightPx: 2 };
  await expectSame(async (db) => {
    await putRender(db, { key: 'k', line: 'l', output: 'mov-png' }, { jobId: 'p1', facts: facts as never });
    return [
      [...(await findRenders(db, ['k', 'none']))],
      await recentRenders(db, 'mov-png', 3),
      [await findLastOfLine(db, 'l'), await findLastOfLine(db, 'none')],
    ];
  });
  await expectSame(async (db) => [await listClients(db), await listMedia(db), 'none of either']);
});

test('what a backup keeps of one comes back in the other', async () => {
  const [embedded, server] = both;
  const kept = new Map<TableName, JsonRow[]>();
  const names = Object.keys(TABLES) as TableName[];
  for (const name of names) kept.set(name, await rowsOf(embedded.db, name));
  await clearTables(server.db);
  for (const name of names) await writeRows(server.db, name, kept.get(name) ?? []);
  for (const name of names) {
    const rows = await rowsOf(server.db, name);
    const moments = (all: readonly JsonRow[]): unknown =>
      all.map((row) =>
        Object.fromEntries(
          Object.entries(row).map(([key, value]) => [
            key,
            / ?_at$|^at$/.test(key) && typeof value === 'string' ? Date.parse(value) : value,
          ]),
        ),
      );
    expect([name, moments(rows)]).toEqual([name, moments(kept.get(name) ?? [])]);
  }
});
