import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { JobSummary } from '@/contract/jobs';
import { findJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import type { JobPayload } from '@/db/schema';
import { Press } from './press';
import { RenderPool } from './renderPool';
import { TitleQueue } from './titleQueue';
import { NO_SOURCES } from './sources';

/* In which order jobs and their titles are made, with two lanes. */
let folder: string;
let database: OpenDatabase;
let press: Press;
/** Every change of a job, as it was told. */
let told: JobSummary[];

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-queue-'));
  database = await openDatabase(folder);
  press = await Press.open({
    database,
    pool: new RenderPool(2),
    folder: join(folder, 'renders'),
    sources: NO_SOURCES,
  });
  told = [];
  press.subscribe((job) => void told.push(job));
  await press.start();
});

afterAll(async () => {
  await press.stop();
  await database.close();
  rmSync(folder, { recursive: true });
});

let words = 0;

/** A job of titles that nobody has made before. */
function payload(name: string, titles: number, lengthFrames = 50): JobPayload {
  return {
    name,
    output: 'mov-png',
    format: 'classic-576',
    rate: '25',
    titles: Array.from({ length: titles }, (_, i) => ({
      titleId: `t${i}`,
      fileStem: `00${i}`,
      document: tidelineStrap,
      values: { name: `${name} ${words++}` },
      lengthFrames,
      onlyFrame: null,
    })),
  };
}

function when(isSo: (job: JobSummary) => boolean): Promise<JobSummary> {
  return new Promise((resolve) => {
    const leave = press.subscribe((job) => {
      if (!isSo(job)) return;
      leave();
      resolve(job);
    });
  });
}

const ended = async (id: string): Promise<JobSummary> => {
  const job = await findJob(database.db, id);
  return job !== undefined && job.endedAt !== null
    ? job
    : when((one) => one.id === id && one.endedAt !== null);
};

test('jobs of one title are made side by side, as titles of one job are', async () => {
  told.length = 0;
  const ids = await Promise.all([press.enqueue(payload('a', 1)), press.enqueue(payload('b', 1))]);
  await Promise.all(ids.map(ended));
  const firstEnd = told.findIndex(({ endedAt }) => endedAt !== null);
  const begun = told.slice(0, firstEnd).filter(({ status }) => status === 'running');
  expect(new Set(begun.map(({ id }) => id))).toEqual(new Set(ids));
});

test('the one that is put first is made before those that wait longer, and before what is left of the one that runs', async () => {
  const long = await press.enqueue(payload('long', 5));
  const waits = await press.enqueue(payload('waits', 1));
  const urgent = await press.enqueue(payload('urgent', 1));
  await press.putFirst(urgent);
  const ends: string[] = [];
  const leave = press.subscribe(({ id, endedAt }) => void (endedAt !== null && ends.push(id)));
  const [longJob, urgentJob] = await Promise.all([ended(long), ended(urgent), ended(waits)]);
  leave();
  expect(ends[0]).toBe(urgent);
  expect(ends.indexOf(waits)).toBeGreaterThan(0);
  expect([longJob.files.length, urgentJob.priority]).toEqual([5, 1]);
});

test('a job that is paused lets others go on, keeps what is finished and goes on where it was', async () => {
  const id = await press.enqueue(payload('paused', 4));
  const before = await when((job) => job.id === id && job.files.length > 0);
  await press.pause(id);
  expect((await findJob(database.db, id))?.status).toBe('paused');
  const other = await ended(await press.enqueue(payload('other', 2)));
  expect(other.status).toBe('done');
  const paused = await findJob(database.db, id);
  expect(paused).toMatchObject({ status: 'paused', endedAt: null, failures: [] });
  await press.retry(id);
  const job = await ended(id);
  expect(job).toMatchObject({ status: 'done', error: null, progress: { doneFrames: 200 } });
  expect(job.files).toHaveLength(4);
  // Not made again.
  expect(job.files).toEqual(expect.arrayContaining([...before.files]));
});

test('one that is stopped and tried again at once is made once', async () => {
  const id = await press.enqueue(payload('again', 3));
  await when((job) => job.id === id && job.status === 'running');
  await press.cancel(id);
  await press.retry(id);
  const job = await ended(id);
  expect(job).toMatchObject({ status: 'done', error: null });
  expect(job.files.map(({ name }) => name).toSorted()).toEqual(['000.mov', '001.mov', '002.mov']);
});

test('a title that is put into the queue once more as it comes out of it is made once', async () => {
  const again = (jobId: string): Promise<unknown> =>
    database.runSql("insert into pgboss.job (name, data) values ('titles', $1)", [{ jobId, index: 0 }]);
  const id = await press.enqueue(payload('twice', 3));
  await when((job) => job.id === id && job.files.some(({ name }) => name === '000.mov'));
  await again(id);
  const job = await ended(id);
  expect(job.files.map(({ name }) => name).toSorted()).toEqual(['000.mov', '001.mov', '002.mov']);
  await again(id);
  await ended(await press.enqueue(payload('after', 1)));
  expect((await findJob(database.db, id))?.files).toEqual(job.files);
  expect((await database.runSql("select from pgboss.job where data->>'jobId' = $1", [id])).rows).toEqual([]);
});

test('a job that cannot even be begun fails with the reason, and those behind it are made', async () => {
  const broken = { ...payload('broken', 1), output: 'wax-roll' };
  const [bad, good] = [await press.enqueue(broken), await press.enqueue(payload('behind', 1))];
  expect(await ended(bad)).toMatchObject({ status: 'failed', error: expect.stringContaining('wax-roll') });
  expect((await ended(good)).status).toBe('done');
});

test('many jobs at once that are stopped as they come never stay behind as running', async () => {
  const ids = await Promise.all(Array.from({ length: 8 }, (_, i) => press.enqueue(payload(`burst ${i}`, 1))));
  await Promise.all(ids.map((id) => press.cancel(id)));
  const last = await ended(await press.enqueue(payload('last', 1)));
  expect(last.status).toBe('done');
  for (const id of ids) expect(['cancelled', 'done']).toContain((await findJob(database.db, id))?.status);
});

test('what a process left in the queue that ended at once is not in it when the next one opens it', async () => {
  const own = mkdtempSync(join(tmpdir(), 'gilder-left-'));
  const first = await openDatabase(own);
  const left = await TitleQueue.open(first);
  await left.put('job', [0, 1, 2], 0);
  // One is at work, two wait, and nobody says that it ends.
  expect(await left.take()).toMatchObject({ jobId: 'job', index: 0 });
  await first.close();
  const second = await openDatabase(own);
  const queue = await TitleQueue.open(second);
  expect(await queue.take()).toBeNull();
  await queue.put('job', [0], 0);
  expect(await queue.take()).toMatchObject({ jobId: 'job', index: 0 });
  await second.close();
  rmSync(own, { recursive: true });
});
