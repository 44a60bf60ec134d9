import { createHash } from 'node:crypto';
import {
  chmodSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Handover } from '@/contract/jobs';
import { dueHandovers, noteHandover } from '@/db/handovers';
import { findJob, insertJob, updateJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import type { JobPayload } from '@/db/schema';
import { HandOver } from './handOver';
import { folderUnder } from './putInFolder';

let data: string;
let root: string;
let database: OpenDatabase;
let handOver: HandOver;
let count = 0;

beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'gilder-handover-'));
  root = join(data, 'deliveries');
  mkdirSync(root);
  database = await openDatabase(join(data, 'data'));
  handOver = new HandOver({ db: database.db, root, folderOf: (id) => join(data, 'renders', id) });
});

afterAll(async () => {
  await database.close();
  rmSync(data, { recursive: true });
});

const hash = (text: string): string => createHash('sha256').update(text).digest('hex');

interface Job {
  readonly folder?: string;
  readonly origin?: string;
  readonly status?: 'done' | 'failed' | 'cancelled';
  readonly papers?: readonly string[];
}

/** A job that is over, with files that say what their names are mapped to. */
async function over(files: Readonly<Record<string, string>>, job: Job = {}): Promise<string> {
  const { folder = 'osier/master', origin = 'p/master', status = 'done', papers = [] } = job;
  const id = `job${count++}`;
  const payload: JobPayload = {
    name: 'Osier',
    output: 'mov-png',
    format: 'wide-720',
    rate: '25',
    titles: [],
    folder,
    origin,
  };
  const beside = papers.map((name) => ({
    name,
    mediaType: 'text/vtt',
    base64: Buffer.from('WEBVTT').toString('base64'),
  }));
  await insertJob(database.db, id, { ...payload, papers: beside }, 0, papers);
  const own = join(data, 'renders', id);
  mkdirSync(own, { recursive: true });
  for (const [name, text] of Object.entries(files)) writeFileSync(join(own, name), text);
  const facts = Object.entries(files).map(([name, text]) => ({ name, sha256: hash(text) }));
  await updateJob(database.db, id, { status, endedAt: new Date(), files: facts as never });
  return id;
}

async function put(id: string): Promise<Handover> {
  await handOver.look();
  const job = await findJob(database.db, id);
  if (job?.handover == null) throw new Error('It has no folder');
  return job.handover;
}

const read = (path: string): string => readFileSync(join(root, path), 'utf8');

test('files go into their folder with what is beside them, and nothing else is left there', async () => {
  const done = await put(await over({ '001.mov': 'one', '002.mov': 'two' }, { papers: ['words.vtt'] }));
  expect(done).toMatchObject({ status: 'put', files: 3, error: null });
  expect([read('osier/master/001.mov'), read('osier/master/002.mov')]).toEqual(['one', 'two']);
  expect(read('osier/master/words.vtt')).toBe('WEBVTT');
  expect(readdirSync(join(root, 'osier/master')).toSorted()).toEqual(['001.mov', '002.mov', 'words.vtt']);
});

test('what was put there of the same kind gives way to the new one; all else stays as it is', async () => {
  expect(await put(await over({ '001.mov': 'new' }))).toMatchObject({ status: 'put' });
  expect(read('osier/master/001.mov')).toBe('new');
  const other = await put(await over({ '001.mov': 'other' }, { origin: 'q/master' }));
  expect(other).toMatchObject({ status: 'failed', files: 0 });
  expect(other.error).toContain('from another project, delivery or kind');
  writeFileSync(join(root, 'osier/master/001.mov'), 'by hand');
  const changed = await put(await over({ '001.mov': 'newer', '003.mov': 'three' }));
  expect(changed).toMatchObject({ status: 'failed', files: 1 });
  expect(changed.error).toBe('“001.mov” is there already, and was changed there.');
  writeFileSync(join(root, 'osier/master/004.mov'), 'somebody’s');
  expect((await put(await over({ '004.mov': 'four' }))).error).toContain('was not put there from here');
  expect([read('osier/master/001.mov'), read('osier/master/004.mov')]).toEqual(['by hand', 'somebody’s']);
  expect(read('osier/master/003.mov')).toBe('three');
});

test('once what was in the way is gone, it is put when asked again', async () => {
  const id = await over({ '004.mov': 'four' });
  expect((await put(id)).status).toBe('failed');
  expect(await dueHandovers(database.db)).toEqual([]);
  rmSync(join(root, 'osier/master/004.mov'));
  await noteHandover(database.db, id, { status: 'waiting' });
  expect(await put(id)).toMatchObject({ status: 'put', files: 1, error: null });
  expect(read('osier/master/004.mov')).toBe('four');
});

test('a job that failed puts what it has; one that was stopped puts nothing', async () => {
  expect(await put(await over({ 'a.mov': 'a' }, { folder: 'part', status: 'failed' }))).toMatchObject({
    status: 'put',
  });
  expect(read('part/a.mov')).toBe('a');
  const stopped = await put(await over({ 'b.mov': 'b' }, { folder: 'part', status: 'cancelled' }));
  expect(stopped).toMatchObject({ status: 'waiting', files: 0 });
  expect(readdirSync(join(root, 'part'))).toEqual(['a.mov']);
});

test('a file that is not what it was made as is not put', async () => {
  const id = await over({ 'c.mov': 'c' }, { folder: 'spoilt' });
  writeFileSync(join(data, 'renders', id, 'c.mov'), 'C');
  expect((await put(id)).error).toContain('was not the same after it was copied');
  expect(readdirSync(join(root, 'spoilt'))).toEqual([]);
});

test('no link leads out of the folder of delivery, and a file is no folder', async () => {
  const outside = join(data, 'outside');
  mkdirSync(outside);
  symlinkSync(outside, join(root, 'way-out'));
  expect((await put(await over({ 'd.mov': 'd' }, { folder: 'way-out/in' }))).error).toContain(
    'a link to somewhere else',
  );
  await expect(folderUnder(root, 'way-out')).rejects.toThrow('a link');
  expect(readdirSync(outside)).toEqual([]);
  writeFileSync(join(root, 'plain'), '');
  expect((await put(await over({ 'd.mov': 'd' }, { folder: 'plain/in' }))).error).toContain(
    'a file is where a folder should be',
  );
});

test('a folder of delivery that is not there is told, with its name', async () => {
  await expect(folderUnder(join(data, 'nowhere'), 'a')).rejects.toThrow(
    'is not there. Make it, or have it mounted.',
  );
});

test('what may not be written to is told', async () => {
  // Who runs as root may write everywhere.
  if (process.getuid?.() === 0) return;
  mkdirSync(join(root, 'shut'));
  chmodSync(join(root, 'shut'), 0o500);
  expect((await put(await over({ 'e.mov': 'e' }, { folder: 'shut' }))).error).toContain(
    'may not write there',
  );
});

test('a job that is queued again while its files are put still waits, and is put once it is over', async () => {
  const id = await over({ 'f.mov': 'f' }, { folder: 'again' });
  const begun = new HandOver({
    db: database.db,
    root,
    folderOf: (job) => {
      // Somebody tries it again in the middle.
      void updateJob(database.db, id, { status: 'queued', endedAt: null });
      return join(data, 'renders', job);
    },
  });
  await begun.look();
  expect((await findJob(database.db, id))?.handover).toMatchObject({ status: 'waiting' });
  await updateJob(database.db, id, { status: 'done', endedAt: new Date() });
  expect(await put(id)).toMatchObject({ status: 'put', files: 1 });
});

test('where Gilder was started without a folder of delivery that is said, and they are put once there is one', async () => {
  const id = await over({ 'strap.mov': 'frames' });
  const without = new HandOver({
    db: database.db,
    root: null,
    folderOf: (job) => join(data, 'renders', job),
  });
  await without.look();
  expect((await findJob(database.db, id))?.handover).toMatchObject({
    status: 'failed',
    files: 0,
    error: expect.stringMatching(/without a folder of delivery \(GILDER_DELIVERY\)/),
  });
  await noteHandover(database.db, id, { status: 'waiting', files: 0, error: null, at: null });
  expect(await put(id)).toMatchObject({ status: 'put', files: 1 });
});
