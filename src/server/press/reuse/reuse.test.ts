import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import { newTitle } from '@/core/model/project';
import { openDatabase } from '@/db/open';
import type { OpenDatabase } from '@/db/open';
import type { JobPayload, JobProgramme } from '@/db/schema';
import { titleMaker } from '../makeTitle';
import type { TitleMaker } from '../makeTitle';
import { RenderPool } from '../renderPool';
import { ONLY_ATTEMPT, renderTitle } from '../renderTitle';
import { NO_SOURCES } from '../sources';

let folder: string;
let database: OpenDatabase;
let pool: RenderPool;
let maker: TitleMaker;
let jobs = 0;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-reuse-'));
  database = await openDatabase(folder);
  pool = new RenderPool(1);
  const { db } = database;
  maker = titleMaker({ db, pool, folder: join(folder, 'renders'), sources: NO_SOURCES });
});

afterAll(async () => {
  await pool.close();
  await database.close();
  rmSync(folder, { recursive: true });
});

/** A programme of three titles of 40 frames, one a second after the other. */
function programme(names: readonly string[]): JobProgramme {
  const parts = names.map((name, i) => {
    const values = { name, role: 'Keeper of the lock' };
    const title = newTitle({
      id: `s${i}`,
      editionId: 's',
      startFrame: i * 50,
      lengthFrames: 40,
      lane: 0,
      values,
    });
    return { ...title, document: 0, place: null, painted: true };
  });
  const whole = { titleId: 'programme', fileStem: 'titles', lengthFrames: 150, onlyFrame: null };
  return { ...whole, documents: [tidelineStrap], parts };
}

const order = (output: string, more: Partial<JobPayload> = {}): JobPayload => ({
  name: 'Test',
  origin: 'osier/master',
  output,
  format: 'custom-640x360',
  rate: '25',
  titles: [],
  ...more,
});

async function make(payload: JobPayload, title: JobProgramme) {
  const jobId = `job-${jobs++}`;
  const work = { payload, title, attempt: ONLY_ATTEMPT, signal: new AbortController().signal };
  const file = await maker.make({ ...work, jobId, onFrames: () => undefined });
  return { file, path: join(folder, 'renders', jobId, file.name) };
}

/** The same, whatever was made before. */
async function makeFromNothing(payload: JobPayload, title: JobProgramme): Promise<Buffer> {
  const work = { payload, title, attempt: ONLY_ATTEMPT, signal: new AbortController().signal };
  const { name } = await renderTitle({
    ...work,
    folder,
    pool,
    sources: NO_SOURCES,
    onFrames: () => undefined,
  });
  return readFileSync(join(folder, name));
}

const FIRST = ['Ilse Marrow', 'Odo Fenwick', 'Wren Tallis'];
const CHANGED = ['Ilse Marrow', 'Odo Fennimore', 'Wren Tallis'];

test.each([
  ['mov-png', {}],
  ['mov-prores', {}],
  ['mov-prores', { interlaced: true, format: 'wide-576' }],
  ['png-sequence', {}],
] as const)(
  '%s %j: of a programme in which one title changed only its frames are painted, and the file is as if all were',
  async (output, more) => {
    const payload = order(output, more);
    const before = await make(payload, programme(FIRST));
    expect(before.file.framesKept).toBeUndefined();
    const after = await make(payload, programme(CHANGED));
    // The frames of the first and of the last title, and those in which nothing is seen.
    expect(after.file.framesKept).toBeGreaterThanOrEqual(110);
    expect(after.file.frames).toBe(150);
    const fromNothing = await makeFromNothing(payload, programme(CHANGED));
    // The same bytes: nobody can tell which way it was made.
    expect(readFileSync(after.path).equals(fromNothing)).toBe(true);
    // Once more, with what was kept before kept again.
    const third = await make(payload, programme(['Ilse Marrow', 'Odo Fennimore', 'Wren Tallow']));
    expect(third.file.framesKept).toBeGreaterThanOrEqual(110);
  },
  300_000,
);

test('of another delivery, or of a file that is not as it was, nothing is taken', async () => {
  const payload = order('png-sequence', { origin: 'osier/second', format: 'wide-576' });
  const before = await make(payload, programme(FIRST));
  const elsewhere = await make({ ...payload, origin: 'osier/third' }, programme(CHANGED));
  expect(elsewhere.file.framesKept).toBeUndefined();
  const bytes = readFileSync(before.path);
  bytes[bytes.length >> 1] ^= 1;
  writeFileSync(before.path, bytes);
  const after = await make(payload, programme(['Ilse Marrow', 'Odo Fenn', 'Wren Tallis']));
  expect(after.file.framesKept).toBeUndefined();
});

test('a programme that only became shorter paints nothing but what is compared', async () => {
  const payload = order('mov-prores', { origin: 'osier/fourth', format: 'wide-576' });
  await make(payload, programme(FIRST));
  const shorter = await make(payload, { ...programme(FIRST), lengthFrames: 149 });
  expect(shorter.file).toMatchObject({ framesPainted: 0, framesKept: 149, frames: 149 });
});
