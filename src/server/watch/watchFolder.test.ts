import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { PNG } from 'pngjs';
import { seedDemo } from '../../../demo/seed';
import { listJobs } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import { Press } from '../press/press';
import { RenderPool } from '../press/renderPool';
import { WatchFolder } from './watchFolder';
import { NO_SOURCES } from '../press/sources';

let data: string;
let folder: string;
let database: OpenDatabase;
let press: Press;
let watch: WatchFolder;

beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'gilder-watch-'));
  folder = join(data, 'in');
  database = await openDatabase(join(data, 'data'));
  await seedDemo(database.db, async () => undefined);
  press = await Press.open({
    database,
    pool: new RenderPool(1),
    folder: join(data, 'renders'),
    sources: NO_SOURCES,
  });
});
afterEach(() => watch.stop());
afterAll(async () => {
  await press.stop();
  await database.close();
  rmSync(data, { recursive: true });
});

const begin = async (): Promise<void> => {
  watch = new WatchFolder({ db: database.db, press, folder });
  await watch.start();
};

type Report = Record<string, string>[];

/** The report in a folder once nothing waits any more, read by another reader. */
async function reportOf(name: string): Promise<Report> {
  for (;;) {
    try {
      const text = readFileSync(join(folder, name, 'report.csv'), 'utf8');
      const { data: rows } = Papa.parse<Record<string, string>>(text.slice(1), {
        header: true,
        skipEmptyLines: true,
      });
      if (rows.every(({ Status }) => Status !== 'waiting')) return rows;
    } catch {
      // It is not there yet.
    }
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** Looks twice, so that what does not grow is seen not to grow. */
function look(): void {
  watch.look();
  watch.look();
}

const SHEET = [
  'Template;Output;Format;Name;Role;Shelf mark',
  'Tideline strap;png-still;wide-720;Ilse “Wharf” Marrow;=Harbour pilot;x',
  'Tideline strap;PNG still;wide-720;نور الهلالي;Net mender;',
  'Nobody’s strap;png-still;;Teo;Desk;',
  'Tideline strap;wax;;Teo;Desk;',
  'tideline strap;png-still;wide-720;;Desk;',
].join('\n');

test('a sheet becomes titles and files, each row with its end or what is wrong with it', async () => {
  await begin();
  writeFileSync(join(folder, 'evening news.csv'), SHEET);
  writeFileSync(join(folder, 'notes.txt'), 'nothing of ours');
  symlinkSync('/etc/hostname', join(folder, 'elsewhere.csv'));
  look();
  const rows = await reportOf('evening news');
  expect(rows.map(({ Line, Status, File }) => [Line, Status, File])).toEqual([
    ['2', 'refused', ''],
    ['3', 'done', expect.stringMatching(/^0003-tideline-strap-.*\.png$/)],
    ['4', 'refused', ''],
    ['5', 'refused', ''],
    ['6', 'refused', ''],
  ]);
  expect(rows.map((row) => row['What is wrong'])).toEqual([
    expect.stringContaining('Column "Shelf mark"'),
    '',
    expect.stringMatching(/^Template: needs one of .*Tideline strap.*found "Nobody’s strap"/),
    expect.stringContaining('output'),
    expect.stringContaining('name (Name)'),
  ]);
  const [, made] = rows;
  const bytes = readFileSync(join(folder, 'evening news', made.File));
  expect(createHash('sha256').update(bytes).digest('hex')).toBe(made['SHA-256']);
  const { width, height } = PNG.sync.read(bytes);
  expect([width, height]).toEqual([1280, 720]);
  // What was taken is gone from where it was put, and other things are left.
  expect(readdirSync(folder).toSorted()).toEqual(['elsewhere.csv', 'evening news', 'notes.txt']);
  expect(readdirSync(join(folder, 'evening news')).toSorted()).toEqual(
    ['.orders.json', 'evening news.csv', 'report.csv', made.File].toSorted(),
  );
});

test('one that still grows is left alone, one of the same name gets a figure, one that is none says so', async () => {
  await begin();
  const path = join(folder, 'evening news.csv');
  writeFileSync(path, 'Template;Output;Format;Name;Role\n');
  watch.look();
  await watch.stop();
  await begin();
  watch.look();
  await new Promise((resolve) => setImmediate(resolve));
  writeFileSync(
    path,
    'Template;Output;Format;Name;Role\nTideline strap;png-still;wide-720;Teo Vance;Weir keeper\n',
  );
  look();
  const rows = await reportOf('evening news-2');
  expect(rows).toMatchObject([{ Line: '2', Status: 'done', Words: 'Teo Vance, Weir keeper' }]);
  writeFileSync(join(folder, 'empty.csv'), '');
  look();
  expect(await reportOf('empty')).toMatchObject([
    { Status: 'refused', 'What is wrong': expect.stringContaining('Sheet') },
  ]);
});

test('what was taken is ordered once, though the server ends in the middle', async () => {
  await begin();
  const sheet =
    'Template;Output;Format;Name;Role\nTideline strap;png-still;wide-720;Sima Ghate;Ferry warden\n';
  writeFileSync(join(folder, 'again.csv'), sheet);
  look();
  await reportOf('again');
  await watch.stop();
  const before = (await listJobs(database.db, 100)).length;
  // As if nothing had been said of its end.
  const kept = join(folder, 'again', '.orders.json');
  const rows = JSON.parse(readFileSync(kept, 'utf8'));
  writeFileSync(kept, JSON.stringify({ ...rows, rows: [{ ...rows.rows[0], status: 'waiting', files: [] }] }));
  rmSync(join(folder, 'again', 'report.csv'));
  await begin();
  expect(await reportOf('again')).toMatchObject([{ Status: 'done' }]);
  expect((await listJobs(database.db, 100)).length).toBe(before);
  await watch.stop();
  // As if it had not been moved into its folder yet: it is taken anew, and that folder is gone.
  writeFileSync(
    kept,
    JSON.stringify({ ...rows, rows: [{ ...rows.rows[0], status: 'waiting', job: 'never' }] }),
  );
  renameSync(join(folder, 'again', 'again.csv'), join(folder, 'again.csv'));
  await begin();
  look();
  expect(await reportOf('again')).toMatchObject([{ Status: 'done' }]);
});

test('a job that was over while nobody could hear of it is found when it is looked for', async () => {
  const deaf = {
    subscribe: () => () => undefined,
    enqueue: press.enqueue.bind(press),
    folderOf: press.folderOf.bind(press),
  };
  watch = new WatchFolder({ db: database.db, press: deaf, folder });
  await watch.start();
  writeFileSync(
    join(folder, 'unheard.csv'),
    'Template;Output;Format;Name;Role\nTideline strap;png-still;wide-720;Odo Fenwick;Lock keeper',
  );
  look();
  const report = join(folder, 'unheard', 'report.csv');
  for (;;) {
    const [newest] = await listJobs(database.db, 1);
    if (existsSync(report) && newest?.status === 'done' && newest.name.includes('odo')) break;
    await new Promise((resolve) => setImmediate(resolve));
  }
  expect(readFileSync(report, 'utf8')).toContain('waiting');
  watch.catchUp();
  expect((await reportOf('unheard')).map(({ Status }) => Status)).toEqual(['done']);
});
