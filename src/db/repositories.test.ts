import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DEMO_PROJECT_ID, seedDemo } from '../../demo/seed';
import { DEMO_TEMPLATES, tidelineStrap } from '../../demo/templates';
import { FolderInUseError } from './folderLock';
import { insertJob, listJobs, nextQueuedJob, requeueInterrupted, updateJob } from './jobs';
import type { Db, OpenDatabase } from './open';
import { openDatabase } from './open';
import { changeTitles, findProject, listProjects } from './projects';
import { StaleWriteError } from './staleWrite';
import {
  findTemplate,
  insertTemplate,
  listEditions,
  listTemplates,
  releaseTemplate,
  saveTemplate,
} from './templates';

let folder: string;
let open: OpenDatabase;
let db: Db;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-db-'));
  open = await openDatabase(folder);
  db = open.db;
  await seedDemo(db);
}, 300_000);

afterAll(async () => {
  await open.close();
  rmSync(folder, { recursive: true });
});

describe('the demo', () => {
  test('has one project with ten titles, and every demo template is released', async () => {
    expect(await listProjects(db)).toEqual([
      expect.objectContaining({ id: DEMO_PROJECT_ID, titleCount: 10 }),
    ]);
    expect(await listTemplates(db)).toHaveLength(DEMO_TEMPLATES.length);
    const uses = (await listEditions(db)).map((edition) => [
      edition.templateId,
      edition.number,
      edition.uses,
    ]);
    expect(uses.filter(([, , count]) => Number(count) > 0)).toEqual([
      ['opening-lockup', 1, 1],
      ['place-corner', 1, 2],
      ['tideline-strap', 1, 7],
    ]);
  });
});

describe('templates', () => {
  test('are saved from the revision they were made from, and a stale write gets the newer state', async () => {
    await insertTemplate(db, 't', tidelineStrap);
    const mine = { ...tidelineStrap, name: 'Mine' };
    expect(await saveTemplate(db, 't', 1, mine)).toBe(2);
    const stale = saveTemplate(db, 't', 1, { ...tidelineStrap, name: 'Theirs' });
    await expect(stale).rejects.toMatchObject({ newer: { revision: 2, document: { name: 'Mine' } } });
    await expect(stale).rejects.toBeInstanceOf(StaleWriteError);
    expect((await findTemplate(db, 't'))?.document.name).toBe('Mine');
  });

  test('are released as editions that later changes do not touch', async () => {
    await insertTemplate(db, 'r', tidelineStrap);
    expect(await releaseTemplate(db, 'r', 1, 'r-1')).toBe(1);
    await saveTemplate(db, 'r', 1, { ...tidelineStrap, name: 'Changed' });
    await expect(releaseTemplate(db, 'r', 1, 'r-x')).rejects.toBeInstanceOf(StaleWriteError);
    expect(await releaseTemplate(db, 'r', 2, 'r-2')).toBe(2);
    const names = (await listEditions(db))
      .filter((e) => e.templateId === 'r')
      .map((e) => [e.number, e.document.name]);
    expect(names).toEqual([
      [2, 'Changed'],
      [1, 'Tideline strap'],
    ]);
    expect(await findTemplate(db, 'r')).toMatchObject({ latestEdition: 2, releasedRevision: 2, revision: 2 });
  });

  test('two writers at once: one is kept, the other is told', async () => {
    await insertTemplate(db, 'race', tidelineStrap);
    const results = await Promise.allSettled(
      ['A', 'B', 'C'].map((name) => saveTemplate(db, 'race', 1, { ...tidelineStrap, name })),
    );
    expect(results.filter((result) => result.status === 'fulfilled')).toHaveLength(1);
    expect((await findTemplate(db, 'race'))?.revision).toBe(2);
  });
});

describe('titles', () => {
  const title = {
    id: 'new',
    editionId: 'tideline-strap-1',
    startFrame: 5,
    lengthFrames: 50,
    lane: 1,
    values: { name: 'Ode' },
  };

  test('are added, changed and removed, all together or not at all', async () => {
    expect(await changeTitles(db, DEMO_PROJECT_ID, { put: [{ title, revision: null }], remove: [] })).toEqual(
      { new: 1 },
    );
    const later = { ...title, startFrame: 9 };
    const half = changeTitles(db, DEMO_PROJECT_ID, {
      put: [{ title: later, revision: 1 }],
      remove: [{ id: 'title-1', revision: 99 }],
    });
    await expect(half).rejects.toBeInstanceOf(StaleWriteError);
    const find = async (): Promise<number | undefined> =>
      (await findProject(db, DEMO_PROJECT_ID))?.titles.find((one) => one.id === 'new')?.startFrame;
    expect(await find()).toBe(5);
    await changeTitles(db, DEMO_PROJECT_ID, { put: [{ title: later, revision: 1 }], remove: [] });
    expect(await find()).toBe(9);
    await changeTitles(db, DEMO_PROJECT_ID, { put: [], remove: [{ id: 'new', revision: 2 }] });
    expect(await find()).toBeUndefined();
  });

  test('a title that was removed elsewhere is not brought back silently', async () => {
    const gone = { ...title, id: 'never-was' };
    const write = changeTitles(db, DEMO_PROJECT_ID, { put: [{ title: gone, revision: 3 }], remove: [] });
    await expect(write).rejects.toMatchObject({ newer: null });
  });
});

test('a job that was running is queued again after a restart', async () => {
  const payload = { name: 'J', output: 'png-still', format: 'wide-1080', rate: '25', titles: [] };
  await insertJob(db, 'j', payload, 0);
  await updateJob(db, 'j', { status: 'running', startedAt: new Date() });
  expect(await nextQueuedJob(db)).toBeUndefined();
  await requeueInterrupted(db);
  expect((await nextQueuedJob(db))?.id).toBe('j');
  expect((await listJobs(db))[0]).toMatchObject({ id: 'j', status: 'queued', error: null });
});

test('a second opening of the same folder is refused and names who has it', async () => {
  await expect(openDatabase(folder)).rejects.toBeInstanceOf(FolderInUseError);
  await expect(openDatabase(folder)).rejects.toThrow(`process ${process.pid}`);
});
