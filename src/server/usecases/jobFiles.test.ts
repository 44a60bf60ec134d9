import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import { FIRST_HOUSE } from '@/core/model/house';
import { findHouse, saveHouse } from '@/db/house';
import { filesOverBefore, noteFilesGone, setKeep } from '@/db/jobFiles';
import { findJob, updateJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import type { JobPayload } from '@/db/schema';
import { Press } from '../press/press';
import { RenderPool } from '../press/renderPool';
import { sweepJobFiles, sweepLeftFolders } from './jobFiles';
import { NO_SOURCES } from '../press/sources';

const DAY_MS = 24 * 60 * 60 * 1000;

let data: string;
let database: OpenDatabase;
let press: Press;

beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'gilder-files-'));
  database = await openDatabase(data);
  press = await Press.open({
    database,
    pool: new RenderPool(1),
    folder: join(data, 'renders'),
    sources: NO_SOURCES,
  });
  await press.start();
});
afterAll(async () => {
  await press.stop();
  await database.close();
  rmSync(data, { recursive: true });
});

function over(id: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const leave = press.subscribe((job) => {
      if (job.id !== id || job.endedAt === null) return;
      leave();
      resolve();
    });
    findJob(database.db, id).then((job) => job?.endedAt != null && resolve(), reject);
  });
}

/** A still that was over so many days ago. */
async function still(stem: string, daysAgo: number): Promise<string> {
  const title = {
    titleId: stem,
    fileStem: stem,
    document: tidelineStrap,
    values: { name: stem },
    lengthFrames: 60,
    onlyFrame: 30,
  };
  const payload: JobPayload = {
    name: stem,
    output: 'png-still',
    format: 'wide-720',
    rate: '25',
    titles: [title],
  };
  const id = await press.enqueue(payload);
  await over(id);
  await updateJob(database.db, id, { endedAt: new Date(Date.now() - daysAgo * DAY_MS) });
  return id;
}

async function keepFor(filesDays: number): Promise<void> {
  const { revision } = await findHouse(database.db);
  await saveHouse(database.db, revision, { ...FIRST_HOUSE, filesDays });
}

test('files go once they are older than the House keeps them, but for those that are kept; their job makes them again', async () => {
  const [young, old, kept] = [await still('young', 9), await still('old', 11), await still('kept', 400)];
  await setKeep(database.db, kept, true);
  const shop = { db: database.db, press };
  expect(await sweepJobFiles(shop)).toEqual([]);
  const counted = await filesOverBefore(database.db, new Date(Date.now() - 10 * DAY_MS));
  expect(counted).toMatchObject({ jobs: 1, files: 1 });
  await keepFor(10);
  const before = await findJob(database.db, old);
  expect(await sweepJobFiles(shop)).toEqual([old]);
  expect(existsSync(press.folderOf(old))).toBe(false);
  for (const id of [young, kept]) expect(readdirSync(press.folderOf(id))).not.toEqual([]);
  const after = await findJob(database.db, old);
  expect(after).toMatchObject({
    status: 'done',
    files: [],
    filesGone: { files: 1, bytes: before?.files[0].bytes },
  });
  expect(counted.bytes).toBe(before?.files[0].bytes);
  // Nothing is left that could go.
  expect(await sweepJobFiles(shop)).toEqual([]);

  await press.retry(old);
  await over(old);
  const again = await findJob(database.db, old);
  expect(again).toMatchObject({
    status: 'done',
    filesGone: null,
    progress: { doneFrames: 1, totalFrames: 1 },
  });
  expect(again?.files[0].sha256).toBe(before?.files[0].sha256);
  expect(existsSync(join(press.folderOf(old), 'old.png'))).toBe(true);
});

test('folders that stayed when the server ended too early go at the next look, and no others', async () => {
  const renderFolder = join(data, 'renders');
  const [made, gone] = [await still('made', 1), await still('gone', 1)];
  const shop = { db: database.db, renderFolder };
  // As it is when the server ended between the note and the deleting, of files and of a whole job.
  await noteFilesGone(database.db, gone);
  mkdirSync(join(renderFolder, 'no-such-job'));
  writeFileSync(join(renderFolder, 'no-such-job', 'left.png'), 'left');
  expect((await sweepLeftFolders(shop)).toSorted()).toEqual([gone, 'no-such-job'].toSorted());
  expect(existsSync(press.folderOf(gone))).toBe(false);
  expect(readdirSync(press.folderOf(made))).toContain('made.png');
  // One that is made again has its folder again.
  await press.retry(gone);
  await over(gone);
  expect(await sweepLeftFolders(shop)).toEqual([]);
  expect(readdirSync(press.folderOf(gone))).toContain('gone.png');
});
