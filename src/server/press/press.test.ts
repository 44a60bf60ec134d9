import { motionOf, newMoveUse } from '@/core/model/newMove';
import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { harbourRoll } from '../../../demo/creditTemplates';
import { tidelineStrap } from '../../../demo/templates';
import { textToCredits } from '@/core/credits/creditText';
import { FORMATS } from '@/core/frame/formats';
import { NO_CREDITS } from '@/core/model/credits';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { cueTitle } from '@/core/captions/cueTitle';
import { PLAIN_CAPTION } from '@/core/captions/plainCaption';
import { newCue } from '@/core/model/captions';
import { newTitle } from '@/core/model/project';
import type { JobSummary } from '@/contract/jobs';
import { findJob, insertJob, updateJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import type { JobPart, JobPayload, JobProgramme, JobTitle } from '@/db/schema';
import { FfmpegFeed } from './ffmpeg';
import { encodePng } from './pictures/png';
import { Press } from './press';
import { previewJobs } from './previewOrders';
import { RenderPool } from './renderPool';
import { NO_SOURCES } from './sources';

let folder: string;
let database: OpenDatabase;
let press: Press;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-press-'));
  database = await openDatabase(folder);
  press = await Press.open({
    database,
    pool: new RenderPool(2),
    folder: join(folder, 'renders'),
    sources: NO_SOURCES,
  });
  await press.start();
});

afterAll(async () => {
  await press.stop();
  await database.close();
  rmSync(folder, { recursive: true });
});

const strapOf = (lengthFrames: number): JobTitle => ({
  titleId: 't1',
  fileStem: '001-ilse',
  document: tidelineStrap,
  values: {},
  lengthFrames,
  onlyFrame: null,
});

function payload(output: string, lengthFrames = 60): JobPayload {
  const title = strapOf(lengthFrames);
  const onlyFrame = output === 'png-still' ? 30 : null;
  return { name: 'Test', output, format: 'wide-720', rate: '25', titles: [{ ...title, onlyFrame }] };
}

function ended(id: string): Promise<JobSummary> {
  return new Promise((resolve, reject) => {
    const look = (job: JobSummary | undefined): void => {
      if (job?.id === id && job.endedAt !== null) resolve(job);
    };
    press.subscribe(look);
    findJob(database.db, id).then(look, reject);
  });
}

test.each([
  ['mov-png', 'png'],
  ['mov-prores', 'prores'],
  ['webm-vp9', 'vp9'],
  ['png-sequence', 'png'],
])(
  '%s has all its frames and the alpha that was painted, and the hold was painted once',
  async (output, codec) => {
    const job = await ended(await press.enqueue(payload(output)));
    expect(job.error).toBeNull();
    const [file] = job.files;
    expect(file).toMatchObject({ codec, frames: 60, widthPx: 1280, heightPx: 720 });
    // 25 frames in and 20 out move; the hold of 15 is one picture.
    expect(file.framesPainted).toBeLessThanOrEqual(46);
    expect(job.progress.doneFrames).toBe(60);
  },
  300_000,
);

test('a still is the frame that was asked for', async () => {
  const job = await ended(await press.enqueue(payload('png-still')));
  expect(job.error).toBeNull();
  expect(job.files[0]).toMatchObject({ name: '001-ilse.png', frames: 1, alphaErrorMax: 0 });
});

test('a programme is one file: captions at their frames, clear of titles, and nothing painted in between', async () => {
  const track = { id: 'en', name: 'English', language: 'en', editionId: null };
  const cue = (startFrame: number, lengthFrames: number, words: string): JobPart => {
    const made = newCue({ id: words, trackId: 'en', startFrame, lengthFrames, words });
    const title = cueTitle(made, track, PLAIN_CAPTION, false);
    return { ...title, lengthFrames, document: 0, place: 'auto', painted: true };
  };
  const values = { name: 'A long name that reaches far across', role: 'So that a caption would stand on it' };
  const strap = newTitle({ id: 's', editionId: 's', startFrame: 60, lengthFrames: 50, lane: 0, values });
  const programme: JobProgramme = {
    titleId: 'programme',
    fileStem: 'captions',
    lengthFrames: 150,
    onlyFrame: null,
    documents: [PLAIN_CAPTION, tidelineStrap],
    // The title is not painted here, and kept clear of all the same.
    parts: [
      cue(10, 20, 'Below'),
      cue(70, 25, 'A caption that would stand on the words of the title'),
      { ...strap, document: 1, place: null, painted: false },
    ],
  };
  const job = await ended(await press.enqueue({ ...payload('png-sequence'), titles: [programme] }));
  expect(job.error).toBeNull();
  const [file] = job.files;
  expect(file).toMatchObject({ name: 'captions.zip', frames: 150 });
  // Nothing, a caption, nothing, a caption, nothing.
  expect(file.framesPainted).toBe(5);
  const pictures = openZip(join(press.folderOf(job.id), 'captions.zip'));
  expect(pictures).toHaveLength(150);
  const rowsOf = (frame: number): readonly [number, number] | null => inkRows(pictures[frame]);
  for (const empty of [0, 9, 30, 69, 95, 149]) expect([empty, rowsOf(empty)]).toEqual([empty, null]);
  for (const frame of [10, 29]) expect(rowsOf(frame)?.[0]).toBeGreaterThan(360);
  for (const frame of [70, 94]) expect(rowsOf(frame)?.[1]).toBeLessThan(360);
});

/** The first and last row of a picture with anything in it; null for none. */
function inkRows(bytes: Uint8Array): readonly [number, number] | null {
  const { data, width, height } = PNG.sync.read(Buffer.from(bytes));
  const rows = Array.from({ length: height }, (_, y) => y).filter((y) => {
    for (let x = 0; x < width; x++) if (data[(y * width + x) * 4 + 3] > 0) return true;
    return false;
  });
  return rows.length === 0 ? null : [rows[0], rows[rows.length - 1]];
}

function openZip(path: string): Uint8Array[] {
  const files = unzipSync(new Uint8Array(readFileSync(path)));
  const names = Object.keys(files).filter((name) => name.endsWith('.png'));
  return names.sort().map((name) => files[name]);
}

test.each([
  ['wide-720', false],
  ['classic-576', true],
] as const)(
  'a roll in a file of %s (interlaced: %s) goes whole lines, decoded by ffmpeg',
  async (format, interlaced) => {
    const rows = textToCredits(Array.from({ length: 30 }, (_, i) => `Role ${i}\tName ${i}`).join('\n')).rows;
    const credits = { ...NO_CREDITS, rows };
    const title = { ...strapOf(250), document: harbourRoll, credits, fileStem: 'roll' };
    const asked = { ...payload('mov-png', 250), format, interlaced, titles: [title] };
    const job = await ended(await press.enqueue(asked));
    expect(job.error).toBeNull();
    expect(job.files[0]).toMatchObject({ name: 'roll.mov', frames: 250 });
    const { widthPx, heightPx } = FORMATS.get(format);
    const path = join(press.folderOf(job.id), 'roll.mov');
    const size = widthPx * heightPx;
    const gray = execFileSync(
      'ffmpeg',
      ['-v', 'error', '-ss', '4', '-i', path, '-frames:v', '12', '-pix_fmt', 'gray', '-f', 'rawvideo', '-'],
      { maxBuffer: 100e6 },
    );
    expect(gray.length).toBe(size * 12);
    const frames = Array.from({ length: 12 }, (_, i) => gray.subarray(i * size, (i + 1) * size));
    // Whether every picture is the one before, so many lines further up.
    const movesBy = (by: number): boolean =>
      frames.slice(1).every((next, i) => {
        // What is cut at the picture's edges is smoothed otherwise there.
        for (let at = 8 * widthPx; at < size - (by + 8) * widthPx; at++)
          if (Math.abs(next[at] - frames[i][at + by * widthPx]) > 16) return false;
        return true;
      });
    const steps = Array.from({ length: 14 }, (_, i) => i + 1);
    const speeds = steps.filter(movesBy);
    expect(speeds).toHaveLength(1);
    if (interlaced) expect(speeds[0] % 2).toBe(0);
  },
  300_000,
);

test('a job that is stopped ends at once, leaves no half file, and the next one runs', async () => {
  const long = payload('webm-vp9', 3000);
  const id = await press.enqueue(long);
  await new Promise<void>((resolve) => {
    press.subscribe((job) => job.id === id && job.progress.doneFrames > 0 && resolve());
  });
  await press.cancel(id);
  expect((await ended(id)).status).toBe('cancelled');
  const next = await ended(await press.enqueue(payload('png-still')));
  expect(next.status).toBe('done');
  // The other lane made that while this one may still have been putting its half file away.
  while (readdirSync(press.folderOf(id)).length > 0) await new Promise((resolve) => setImmediate(resolve));
  expect((await findJob(database.db, id))?.files).toEqual([]);
});

test('a job that cannot be rendered fails with the reason', async () => {
  const impossible = { ...payload('png-still'), format: 'wide-720' };
  const title = strapOf(60);
  const document = {
    ...title.document,
    layers: [
      {
        ...title.document.layers[0],
        id: 'x',
        motion: motionOf({ ...newMoveUse('fade'), move: 'vanish' }, null),
      },
    ],
  };
  const job = await ended(await press.enqueue({ ...impossible, titles: [{ ...title, document }] }));
  expect(job).toMatchObject({ status: 'failed', error: expect.stringMatching(/Unknown move "vanish"/) });
});

test('a title that cannot be made leaves the others alone, and is tried again by itself', async () => {
  const good = { ...strapOf(20), titleId: 'good', fileStem: '001-good' };
  const [layer] = good.document.layers;
  const broken = { ...layer, motion: motionOf({ ...newMoveUse('fade'), move: 'vanish' }, null) };
  const bad = {
    ...good,
    titleId: 'bad',
    fileStem: '002-bad',
    document: { ...good.document, layers: [broken] },
  };
  const more = { ...good, titleId: 'more', fileStem: '003-more' };
  const asked = { ...payload('png-sequence'), titles: [good, bad, more] };
  const id = await press.enqueue(asked);
  const job = await ended(id);
  expect(job).toMatchObject({ status: 'failed', error: '1 of 3 titles could not be made.' });
  expect(job.files.map(({ name }) => name).toSorted()).toEqual(['001-good.zip', '003-more.zip']);
  const message = expect.stringContaining('Unknown move "vanish"');
  expect(job.failures).toEqual([{ titleId: 'bad', name: '002-bad', message }]);
  const hashes = job.files.map(({ sha256 }) => sha256);
  await press.retry(id);
  const again = await ended(id);
  expect(again).toMatchObject({ status: 'failed' });
  // What was finished was not made again.
  expect(again.files.map(({ sha256 }) => sha256)).toEqual(hashes);
  expect(again.progress.paintedFrames).toBe(job.progress.paintedFrames);
});

test('what was made is taken as it is; one changed word makes one file again, under the same name', async () => {
  const named = (i: number, name: string): JobTitle => ({
    ...strapOf(20),
    titleId: `t${i}`,
    fileStem: `00${i}-strap`,
    values: { name, role: 'Pilot' },
  });
  const order = (names: readonly string[]) => ({
    ...payload('mov-png'),
    titles: names.map((name, i) => named(i, name)),
  });
  const facts = async (names: readonly string[]) => {
    const job = await ended(await press.enqueue(order(names)));
    expect(job.error).toBeNull();
    const files = job.files.toSorted((a, b) => (a.name < b.name ? -1 : 1));
    return { id: job.id, painted: job.progress.paintedFrames, done: job.progress.doneFrames, files };
  };
  const preview = (names: readonly string[]) =>
    previewJobs([order(names)], { db: database.db, folderOf: (id) => press.folderOf(id), lanes: 2 });
  expect(await preview(['Ilse', 'Teo', 'Noor'])).toMatchObject({ files: 3, reused: 0 });
  const first = await facts(['Ilse', 'Teo', 'Noor']);
  // What is said before something is sent is what becomes of it then.
  expect(await preview(['Ilse', 'Teo', 'Noor'])).toMatchObject({ files: 3, reused: 3, seconds: 0, bytes: 0 });
  const one = await preview(['Ilse', 'Teo Vance', 'Noor']);
  expect(one).toMatchObject({ files: 3, reused: 2 });
  expect(one.basis).toBeGreaterThanOrEqual(3);
  expect(one.seconds).toBeGreaterThan(0);
  expect(one.bytes).toBeGreaterThan(first.files[1].bytes / 4);
  expect(one.bytes).toBeLessThan(first.files[1].bytes * 4);
  expect(first.files.map(({ reused }) => reused === true)).toEqual([false, false, false]);
  const second = await facts(['Ilse', 'Teo Vance', 'Noor']);
  expect(second.files.map(({ reused }) => reused === true)).toEqual([true, false, true]);
  expect(second.files.map(({ name }) => name)).toEqual(first.files.map(({ name }) => name));
  const same = [0, 2].map((i) => second.files[i].sha256 === first.files[i].sha256);
  expect([...same, second.files[1].sha256 === first.files[1].sha256]).toEqual([true, true, false]);
  expect([second.done, second.painted < first.painted]).toEqual([60, true]);
  for (const { name, sha256 } of second.files) {
    const bytes = readFileSync(join(press.folderOf(second.id), name));
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha256);
    expect(readdirSync(press.folderOf(second.id))).toContain(`${name}.rest.png`);
  }
  // Another place in the programme has another timecode, so it is another file.
  const [title] = order(['Ilse']).titles;
  const moved = { ...order([]), titles: [{ ...title, timecodeFrame: 90_000 }] };
  expect((await ended(await press.enqueue(moved))).files[0].reused).toBeUndefined();
  // What is gone, or was changed on the disk, is made again.
  rmSync(press.folderOf(first.id), { recursive: true });
  writeFileSync(join(press.folderOf(second.id), second.files[0].name), 'spoilt');
  const third = await facts(['Ilse', 'Teo', 'Noor']);
  expect(third.files.map(({ reused }) => reused === true)).toEqual([false, false, true]);
  expect(third.files.map(({ sha256 }) => sha256)).toEqual(first.files.map(({ sha256 }) => sha256));
});

test('an encoder that takes nothing any more is given up', async () => {
  // It reads one large picture in ten seconds.
  const slow = '-re -f rawvideo -pix_fmt rgba -s 1000x1000 -r 0.1 -i - -f null -'.split(' ');
  const feed = new FfmpegFeed(slow, 400);
  const picture = Buffer.alloc(4_000_000);
  const feeding = (async () => {
    for (let i = 0; i < 20; i++) await feed.write(picture);
  })();
  await expect(feeding).rejects.toThrow(/took no picture for 0 s and was given up/);
  await feed.abort();
});

test('what another process left half done is taken up and finished', async () => {
  const id = 'left-behind';
  await insertJob(database.db, id, payload('mov-png'), 60);
  await updateJob(database.db, id, { status: 'running', startedAt: new Date() });
  await press.start();
  const job = await ended(id);
  expect(job).toMatchObject({ status: 'done', error: null });
  expect(job.files[0].frames).toBe(60);
});

test('our PNG files decode to the very pixels', () => {
  const pixels = Uint8Array.from({ length: 7 * 5 * 4 }, (_, i) => (i * 37) % 256);
  const decoded = PNG.sync.read(encodePng(pixels, 7, 5));
  expect([decoded.width, decoded.height]).toEqual([7, 5]);
  expect(Uint8Array.from(decoded.data)).toEqual(pixels);
});
