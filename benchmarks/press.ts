import { motionOf } from '@/core/model/newMove';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { tidelineStrap } from '../demo/templates';
import type { Template } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import { RATES } from '@/core/time/rates';
import { RenderPool } from '@/server/press/renderPool';
import type { JobTitle } from '@/db/schema';
import type { RenderTask } from '@/server/press/renderTask';
import { createSink } from '@/server/press/sinks';
import { report, timeAsync, timeInTurns } from './measure';

const FORMAT = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const SIX_SECONDS: Template = { ...tidelineStrap, timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 1 } };

const inPress = (document: Template, lengthFrames: number): JobTitle => ({
  titleId: 't',
  fileStem: 't',
  document,
  values: {},
  lengthFrames,
  onlyFrame: null,
});

/** What the workers are asked for: the title of six seconds. */
function sixSeconds(frames: 'png' | 'rgba'): Omit<RenderTask, 'ring'> {
  return {
    content: inPress(SIX_SECONDS, 150),
    format: FORMAT.id,
    rate: RATE.id,
    frames,
    shades: 'plain',
    pictures: new Map(),
    videos: new Map(),
  };
}

interface Export {
  readonly pool: RenderPool;
  readonly output: string;
  readonly frames: 'png' | 'rgba';
  readonly folder: string;
  /** Frames at rest count once: what the moving frames cost alone. */
  readonly holdOnce?: boolean;
  readonly name?: string;
}

async function exportTitle({
  pool,
  output,
  frames,
  folder,
  holdOnce = false,
  name = 'a',
}: Export): Promise<void> {
  const sink = createSink(output, {
    path: join(folder, `${name}.${output}`),
    format: FORMAT,
    rate: RATE,
    timecode: null,
    sound: null,
    plane: 'straight',
    deep: false,
    pictureExtension: 'png',
  });
  const receiver = {
    frame: (bytes: Buffer, { repeats }: { repeats: number }) => sink.write(bytes, holdOnce ? 1 : repeats),
    reference: () => undefined,
  };
  await pool.render(sixSeconds(frames), receiver, new AbortController().signal);
  await sink.finish();
}

/** Collects the frames of the title, so that an encoder can be fed without painting. */
async function readyFrames(pool: RenderPool): Promise<{ bytes: Buffer; repeats: number }[]> {
  const ready: { bytes: Buffer; repeats: number }[] = [];
  await pool.render(
    sixSeconds('rgba'),
    {
      frame: async (bytes, { repeats }) => void ready.push({ bytes: Buffer.from(bytes), repeats }),
      reference: () => undefined,
    },
    new AbortController().signal,
  );
  return ready;
}

/** A title of six seconds, one in, four still, one out: what the hold costs, and what painting adds to the encoder. */
export async function benchExport(): Promise<void> {
  console.log('\nExport of a 6 s title (1 in, 4 still, 1 out), 1920 × 1080');
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  const pool = new RenderPool(1);
  const mov = { pool, output: 'mov-png', frames: 'png', folder } as const;
  await exportTitle(mov);
  const lossless = await timeInTurns(
    () => exportTitle(mov),
    () => exportTitle({ ...mov, holdOnce: true }),
    7,
  );
  report('MOV, lossless alpha: whole title', `${lossless.first.toFixed(0)} ms`);
  report('MOV, lossless alpha: its moving frames alone', `${lossless.second.toFixed(0)} ms`);
  report('ratio', `${lossless.ratio.toFixed(2)} ×`, 'at most 1.15');

  const webm = { pool, output: 'webm-vp9', frames: 'rgba', folder } as const;
  const ready = await readyFrames(pool);
  const encoderAlone = async (): Promise<void> => {
    const sink = createSink('webm-vp9', {
      path: join(folder, 'ready.webm'),
      format: FORMAT,
      rate: RATE,
      timecode: null,
      sound: null,
      plane: 'straight',
      deep: false,
      pictureExtension: 'png',
    });
    for (const { bytes, repeats } of ready) await sink.write(bytes, repeats);
    await sink.finish();
  };
  const alpha = await timeInTurns(() => exportTitle(webm), encoderAlone);
  report('WebM with alpha: whole title', `${alpha.first.toFixed(0)} ms`);
  report('WebM with alpha: encoder alone on ready frames', `${alpha.second.toFixed(0)} ms`);
  report('ratio', `${alpha.ratio.toFixed(2)} ×`, 'at most 1.15');
  const prores = await timeAsync(() => exportTitle({ pool, output: 'mov-prores', frames: 'rgba', folder }));
  report('MOV, ProRes 4444: whole title', `${prores.toFixed(0)} ms`);
  await pool.close();
  rmSync(folder, { recursive: true });
}

/** Milliseconds for some titles with as many workers as asked, the workers started and warm. */
async function batch(workers: number, titles: number, folder: string): Promise<number> {
  const pool = new RenderPool(workers);
  const exportAs = (name: string): Promise<void> =>
    exportTitle({ pool, output: 'mov-png', frames: 'png', folder, name });
  await Promise.all(Array.from({ length: workers }, (_, i) => exportAs(`warm${i}`)));
  const waiting = Array.from({ length: titles }, (_, i) => `title${i}`);
  const lane = async (): Promise<void> => {
    for (let name = waiting.shift(); name !== undefined; name = waiting.shift()) await exportAs(name);
  };
  const took = await timeAsync(
    async () => void (await Promise.all(Array.from({ length: workers }, lane))),
    1,
  );
  await pool.close();
  return took;
}

const SPIN = `const { parentPort } = require('node:worker_threads');
let sum = 0; for (let i = 0; i < 1.5e9; i++) sum += i % 7; parentPort.postMessage(sum);`;

/** Milliseconds until so many threads have each counted to the same figure: what the machine itself gives. */
const spin = (threads: number): Promise<number> =>
  timeAsync(async () => {
    const one = (): Promise<unknown> => once(new Worker(SPIN, { eval: true }), 'message');
    await Promise.all(Array.from({ length: threads }, one));
  }, 1);

/** Twenty titles with one worker and with two, in turns of ten, beside what two threads that only count gain. */
export async function benchBatch(): Promise<void> {
  console.log('\nA batch of 20 titles, MOV with lossless alpha');
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  const took = { one: 0, two: 0, spinOne: 0, spinTwo: 0 };
  for (let turn = 0; turn < 2; turn++) {
    took.one += await batch(1, 10, folder);
    took.spinOne += await spin(1);
    took.two += await batch(2, 10, folder);
    took.spinTwo += await spin(2);
  }
  report('one worker', `${(took.one / 1000).toFixed(1)} s`);
  report('two workers', `${(took.two / 1000).toFixed(1)} s`);
  report('one ÷ two', `${(took.one / took.two).toFixed(2)} ×`, 'at least 1.7');
  report('two counting threads of this machine: gain', `${((2 * took.spinOne) / took.spinTwo).toFixed(2)} ×`);
  rmSync(folder, { recursive: true });
}

/** Memory of the whole process, its one worker included, over 5 000 frames that all move. */
export async function benchMemory(): Promise<void> {
  console.log('\nMemory over 5 000 moving frames, one worker');
  const pool = new RenderPool(1);
  const document: Template = {
    ...SIX_SECONDS,
    timing: { inSeconds: 60, holdSeconds: 0, outSeconds: 60 },
    layers: SIX_SECONDS.layers.map((layer) =>
      layer.motion.in.length === 0
        ? layer
        : {
            ...layer,
            motion: motionOf(
              { ...layer.motion.in[0], startSeconds: 0, lengthSeconds: 60, ease: 'even' },
              'mirror',
            ),
          },
    ),
  };
  const before = process.memoryUsage().rss;
  const samples: number[] = [];
  let frames = 0;
  while (frames < 5000) {
    const task = {
      content: inPress(document, 3000),
      format: FORMAT.id,
      rate: '25',
      frames: 'rgba' as const,
      shades: 'plain' as const,
      pictures: new Map(),
      videos: new Map(),
    };
    const receiver = {
      frame: async (): Promise<void> => {
        if (++frames % 250 === 0) samples.push(process.memoryUsage().rss);
      },
      reference: () => undefined,
    };
    await pool.render(task, receiver, new AbortController().signal);
  }
  await pool.close();
  const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;
  const half = samples.slice(samples.length / 2);
  report('frames painted', String(frames));
  report('most above the start', megabytes(Math.max(...samples) - before), 'under 400 MB');
  report(
    'second half against first half, highest',
    `${(Math.max(...half) / Math.max(...samples.slice(0, samples.length / 2))).toFixed(2)} ×`,
    'flat: about 1',
  );
}
