import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { JobRecord } from '@/db/jobs';
import { findJob } from '@/db/jobs';
import type { OpenDatabase } from '@/db/open';
import { openDatabase } from '@/db/open';
import type { JobPayload } from '@/db/schema';
import { Press } from './press';
import { RenderPool } from './renderPool';

let folder: string;
let database: OpenDatabase;
let press: Press;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-press-'));
  database = await openDatabase(folder);
  press = new Press(database.db, new RenderPool(2), join(folder, 'renders'));
  await press.start();
}, 60_000);

afterAll(async () => {
  await press.stop();
  await database.close();
  rmSync(folder, { recursive: true });
});

function payload(output: string, lengthFrames = 60): JobPayload {
  const title = { titleId: 't1', fileStem: '001-ilse', document: tidelineStrap, values: {}, lengthFrames };
  const onlyFrame = output === 'png-still' ? 30 : null;
  return { name: 'Test', output, format: 'wide-1080', rate: '25', titles: [{ ...title, onlyFrame }] };
}

function ended(id: string): Promise<JobRecord> {
  return new Promise((resolve, reject) => {
    const look = (job: JobRecord | undefined): void => {
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
    expect(file).toMatchObject({ codec, frames: 60, widthPx: 1920, heightPx: 1080 });
    // 25 frames in and 20 out move; the hold of 15 is one picture.
    expect(file.framesPainted).toBeLessThanOrEqual(46);
    expect(job.progress.doneFrames).toBe(60);
  },
  60_000,
);
