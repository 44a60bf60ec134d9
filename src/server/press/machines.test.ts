import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { JobSummary } from '@/contract/jobs';
import { findJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openServer } from '@/db/server';
import type { JobPayload } from '@/db/schema';
import type { TestPostgres } from '../testing/postgres';
import { startPostgres } from '../testing/postgres';
import { Press } from './press';
import { RenderPool } from './renderPool';
import { NO_SOURCES } from './sources';

/* Press machines of their own processes on a PostgreSQL server. The press of this process makes nothing itself. */
let postgres: TestPostgres | undefined;
let url: string;
let folder: string;
let database: OpenDatabase;
let press: Press;
const workers: Worker[] = [];

interface Worker {
  readonly process: ChildProcess;
  /** What it said that it made. */
  readonly made: string[];
  readonly ended: Promise<number | null>;
}

beforeAll(async () => {
  postgres = await startPostgres();
  url = postgres.newDatabase('press');
  folder = mkdtempSync(join(tmpdir(), 'gilder-machines-'));
  database = await openServer(url, { alone: folder });
  press = await Press.open({
    database,
    pool: new RenderPool(0),
    folder: join(folder, 'renders'),
    sources: NO_SOURCES,
  });
  await press.start();
});

afterAll(async () => {
  for (const { process } of workers) process.kill('SIGKILL');
  await press?.stop();
  await database?.close();
  postgres?.stop();
  rmSync(folder, { recursive: true });
});

/** Starts a press machine with one lane, and waits until it has joined. */
async function joined(name: string): Promise<Worker> {
  const child = spawn(process.execPath, ['dist/pressWorker.mjs'], {
    env: {
      ...process.env,
      NODE_OPTIONS: '',
      DATABASE_URL: url,
      GILDER_DATA: folder,
      GILDER_LANES: '1',
      GILDER_MACHINE: name,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const made: string[] = [];
  const worker = { process: child, made, ended: once(child, 'exit').then(([code]) => code) };
  workers.push(worker);
  await new Promise<void>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      for (const line of chunk.toString().split('\n')) {
        if (line.includes('has joined')) resolve();
        else if (line !== '') made.push(line);
      }
    });
  });
  return worker;
}

let words = 0;

function payload(name: string, titles: number, lengthFrames = 50): JobPayload {
  return {
    name,
    output: 'png-sequence',
    format: 'wide-720',
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

async function when(id: string, isSo: (job: JobSummary) => boolean): Promise<JobSummary> {
  for (;;) {
    const job = await findJob(database.db, id);
    if (job !== undefined && isSo(job)) return job;
    await new Promise<void>((resolve) => {
      const leave = press.subscribe((changed) => {
        if (changed.id !== id) return;
        leave();
        resolve();
      });
    });
  }
}

const ended = (id: string): Promise<JobSummary> => when(id, ({ endedAt }) => endedAt !== null);

const atWork = async (): Promise<{ machine: string; doneFrames: number }[]> => {
  const { rows } = await database.runSql(
    'select m.name, r.done_frames from runs r join machines m on m.id = r.machine_id',
  );
  return rows.map(({ name, done_frames }) => ({ machine: String(name), doneFrames: Number(done_frames) }));
};

test('three machines share the titles of a job; one is killed amid a title and one stands still, and every title is made once', async () => {
  const [first, second, third] = [await joined('first'), await joined('second'), await joined('third')];
  expect((await press.machines()).map(({ name, lanes }) => `${name} ${lanes}`)).toEqual(
    expect.arrayContaining(['first 1', 'second 1', 'third 1']),
  );
  const id = await press.enqueue(payload('shared', 9, 150));
  // Both have told of frames of a title, and are not through.
  let busy: string[] = [];
  while (!busy.includes('second') || !busy.includes('third')) {
    await when(id, ({ progress }) => progress.doneFrames > 0);
    busy = (await atWork()).filter(({ doneFrames }) => doneFrames > 0).map(({ machine }) => machine);
  }
  third.process.kill('SIGSTOP');
  second.process.kill('SIGKILL');
  await second.ended;
  const job = await ended(id);
  expect(job).toMatchObject({ status: 'done', error: null, failures: [] });
  const names = Array.from({ length: 9 }, (_, i) => `00${i}.zip`);
  expect(job.files.map(({ name }) => name).toSorted()).toEqual(names);
  expect(job.progress).toMatchObject({ doneFrames: 9 * 150, totalFrames: 9 * 150 });
  expect((await press.machines()).map(({ name }) => name)).not.toContain('second');
  // The one that stood still goes on with what others have made meanwhile, and takes the next title when it sees it.
  third.process.kill('SIGCONT');
  const made = third.made.length;
  const all = [...names];
  while (third.made.length === made) {
    await ended(await press.enqueue(payload('after', 2)));
    all.push('000.zip', '001.zip');
  }
  expect(await findJob(database.db, id)).toEqual(job);
  const said = [first, second, third].flatMap((one) => one.made).toSorted();
  expect(said).toEqual(all.toSorted().map((name) => `Made ${name}`));
  // Every file is what was verified, and nothing of those that lost theirs lies about.
  const rendered = join(folder, 'renders', id);
  for (const { name, sha256 } of job.files)
    expect(
      createHash('sha256')
        .update(readFileSync(join(rendered, name)))
        .digest('hex'),
    ).toBe(sha256);
  expect(readdirSync(rendered).filter((name) => name.includes('.part'))).toEqual([]);
});

test('one that is asked to end gives back what it was at, and another takes it at once', async () => {
  const id = await press.enqueue(payload('given', 1, 400));
  const job = await when(id, ({ progress }) => progress.doneFrames > 0);
  expect(job.status).toBe('running');
  const [{ machine }] = await atWork();
  const leaving = workers.find((_, i) => ['first', 'second', 'third'][i] === machine);
  leaving?.process.kill('SIGTERM');
  expect(await leaving?.ended).toBe(0);
  const done = await ended(id);
  expect(done).toMatchObject({ status: 'done', progress: { doneFrames: 400 } });
  expect(await database.runSql('select * from pgboss.job')).toMatchObject({ rows: [] });
});

test('a job that is stopped is let go by the machine that is at it', async () => {
  const id = await press.enqueue(payload('stopped', 1, 3000));
  await when(id, ({ progress }) => progress.doneFrames > 0);
  await press.cancel(id);
  expect(await atWork()).toEqual([]);
  // The only machine that is left is free again.
  const next = await ended(await press.enqueue(payload('next', 1)));
  expect(next.status).toBe('done');
  expect(await findJob(database.db, id)).toMatchObject({ status: 'cancelled', files: [] });
});

test('a machine says what it needs', async () => {
  const child = spawn(process.execPath, ['dist/pressWorker.mjs'], {
    env: { ...process.env, NODE_OPTIONS: '', DATABASE_URL: url, GILDER_DATA: join(folder, 'nowhere') },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  expect((await once(child, 'exit'))[0]).toBe(1);
  expect(said).toMatch(/GILDER_DATA is .*nowhere, which is not there/);
});

test('a second application on the same database is refused', async () => {
  const other = mkdtempSync(join(tmpdir(), 'gilder-other-'));
  await expect(openServer(url, { alone: other })).rejects.toThrow('in use by another Gilder');
  rmSync(other, { recursive: true });
});
