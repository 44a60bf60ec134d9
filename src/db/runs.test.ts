import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, expect, test } from '@jest/globals';
import type { FileFacts } from '@/contract/jobs';
import { findJob, insertJob } from './jobs';
import type { Db, OpenDatabase } from './open';
import { openDatabase } from './open';
import type { Run, RunOutcome } from './runs';
import { beginRun, dropGone, endRun, haltJob, machinesThere, reportRun, sayGone, sayThere } from './runs';
import type { JobPayload, JobTitle } from './schema';

let folder: string;
let open: OpenDatabase;
let db: Db;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-runs-'));
  open = await openDatabase(folder);
  db = open.db;
});
afterAll(async () => {
  await open.close();
  rmSync(folder, { recursive: true });
});

let jobId = '';
let count = 0;
beforeEach(async () => {
  jobId = `job ${count++}`;
  const titles = [0, 1].map((i) => ({ titleId: `t${i}`, fileStem: `00${i}` }) as JobTitle);
  const payload: JobPayload = { name: 'J', output: 'mov-png', format: 'wide-720', rate: '25', titles };
  await insertJob(db, jobId, payload, 100);
  for (const id of ['one', 'other']) await sayThere(db, { id, name: `machine ${id}`, lanes: 2 });
});

const run = (machineId: string, token: string, place = 0): Run => ({
  id: `00000000-0000-4000-8000-${String(count * 10 + place).padStart(12, '0')}`,
  token,
  jobId,
  machineId,
});
const made = (name: string, reused = false): RunOutcome => ({
  file: { name, framesPainted: 20, reused } as FileFacts,
  frames: 50,
});
const failed = (name: string): RunOutcome => ({ failure: { titleId: 't', name, message: 'why' } });

test('a title is begun by one machine only; the job runs then', async () => {
  expect(await beginRun(db, run('one', 'a'))).toBe('begun');
  expect(await beginRun(db, run('other', 'b'))).toBe('not now');
  expect((await findJob(db, jobId))?.status).toBe('running');
  expect(await beginRun(db, { ...run('one', 'c', 1), jobId: 'nobody' })).toBe('not wanted');
});

test('frames of titles that are being made count with those that are made, and once only', async () => {
  const [first, second] = [run('one', 'a'), run('other', 'b', 1)];
  await beginRun(db, first);
  await beginRun(db, second);
  expect(await reportRun(db, first, { doneFrames: 30, paintedFrames: 3 })).toBe(true);
  expect(await reportRun(db, second, { doneFrames: 8, paintedFrames: 8 })).toBe(true);
  const progress = async (): Promise<unknown> => (await findJob(db, jobId))?.progress;
  expect(await progress()).toEqual({ totalFrames: 100, doneFrames: 38, paintedFrames: 11 });
  expect(await endRun(db, first, made('000.mov'))).toBe(true);
  expect(await progress()).toEqual({ totalFrames: 100, doneFrames: 58, paintedFrames: 28 });
  await endRun(db, second, made('001.mov', true));
  expect(await progress()).toEqual({ totalFrames: 100, doneFrames: 100, paintedFrames: 20 });
  expect(await beginRun(db, run('one', 'c', 2))).toBe('not wanted');
  expect(await findJob(db, jobId)).toMatchObject({
    status: 'done',
    error: null,
    endedAt: expect.any(String),
  });
});

test('what a try brings that is not this title’s any more is not taken in', async () => {
  const late = run('one', 'late');
  await beginRun(db, late);
  await sayGone(db, 'one');
  const again = run('other', 'again');
  expect(await beginRun(db, again)).toBe('begun');
  expect(await reportRun(db, late, { doneFrames: 9, paintedFrames: 9 })).toBe(false);
  expect(await endRun(db, late, made('late.mov'))).toBe(false);
  expect(await findJob(db, jobId)).toMatchObject({ files: [], progress: { doneFrames: 0 } });
  expect(await endRun(db, again, made('000.mov'))).toBe(true);
  expect(await endRun(db, again, made('000.mov'))).toBe(false);
  expect((await findJob(db, jobId))?.files).toHaveLength(1);
});

test('a job ends with its last title, and says how many could not be made', async () => {
  const [first, second] = [run('one', 'a'), run('one', 'b', 1)];
  await beginRun(db, first);
  await endRun(db, first, failed('000'));
  expect(await findJob(db, jobId)).toMatchObject({ status: 'running', endedAt: null });
  await beginRun(db, second);
  await endRun(db, second, made('001.mov'));
  expect(await findJob(db, jobId)).toMatchObject({
    status: 'failed',
    error: '1 of 2 titles could not be made.',
    failures: [{ name: '000' }],
  });
});

test('halting takes the titles from whoever is at them; what is over cannot be halted', async () => {
  const own = run('one', 'a');
  await beginRun(db, own);
  expect(await haltJob(db, jobId, { status: 'paused' })).toBe(true);
  expect(await endRun(db, own, made('000.mov'))).toBe(false);
  expect(await beginRun(db, run('one', 'b'))).toBe('not now');
  expect(await haltJob(db, jobId, { status: 'cancelled', endedAt: new Date() })).toBe(true);
  expect(await haltJob(db, jobId, { status: 'paused' })).toBe(false);
  expect((await findJob(db, jobId))?.status).toBe('cancelled');
});

test('machines of which nothing was heard are dropped with what they were at, the others stay', async () => {
  const [lost, kept] = [run('one', 'a'), run('other', 'b', 1)];
  await beginRun(db, lost);
  await beginRun(db, kept);
  await open.runSql("update machines set seen_at = now() - interval '14 seconds'");
  expect(await dropGone(db)).toEqual([]);
  await open.runSql("update machines set seen_at = now() - interval '16 seconds' where id = 'one'");
  expect((await machinesThere(db)).map(({ id }) => id)).toEqual(['other']);
  expect(await dropGone(db)).toEqual([lost]);
  expect(await reportRun(db, kept, { doneFrames: 1, paintedFrames: 1 })).toBe(true);
  await dropGone(db, 'all');
  expect(await machinesThere(db)).toEqual([]);
  expect(await reportRun(db, kept, { doneFrames: 1, paintedFrames: 1 })).toBe(false);
});
