import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { tidelineStrap } from '../demo/templates';
import type { Template } from '@/core/document/template';
import { FORMATS } from '@/core/layout/formats';
import { RATES } from '@/core/units/rates';
import { RenderPool } from '@/server/press/renderPool';
import { createSink } from '@/server/press/sinks';
import { report, timeAsync } from './measure';

const FORMAT = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const SIX_SECONDS: Template = { ...tidelineStrap, timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 1 } };

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
  const sink = createSink(output, { path: join(folder, `${name}.${output}`), format: FORMAT, rate: RATE });
  const task = {
    document: SIX_SECONDS,
    values: {},
    format: FORMAT.id,
    rate: RATE.id,
    lengthFrames: 150,
    onlyFrame: null,
    frames,
  };
  const receiver = {
    frame: (bytes: Buffer, { repeats }: { repeats: number }) => sink.write(bytes, holdOnce ? 1 : repeats),
    reference: () => undefined,
  };
  await pool.render(task, receiver, new AbortController().signal);
  await sink.finish();
}

/** Collects the frames of the title, so that an encoder can be fed without painting. */
async function readyFrames(pool: RenderPool): Promise<{ bytes: Buffer; repeats: number }[]> {
  const ready: { bytes: Buffer; repeats: number }[] = [];
  const task = {
    document: SIX_SECONDS,
    values: {},
    format: FORMAT.id,
    rate: RATE.id,
    lengthFrames: 150,
    onlyFrame: null,
    frames: 'rgba' as const,
  };
  await pool.render(
    task,
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
  const whole = await timeAsync(() => exportTitle(mov), 5);
  const moving = await timeAsync(() => exportTitle({ ...mov, holdOnce: true }), 5);
  report('MOV, lossless alpha: whole title', `${whole.toFixed(0)} ms`);
  report('MOV, lossless alpha: its moving frames alone', `${moving.toFixed(0)} ms`);
  report('ratio', `${(whole / moving).toFixed(2)} ×`, 'at most 1.15');

  const webm = { pool, output: 'webm-vp9', frames: 'rgba', folder } as const;
  const ready = await readyFrames(pool);
  const encoderAlone = async (): Promise<void> => {
    const sink = createSink('webm-vp9', { path: join(folder, 'ready.webm'), format: FORMAT, rate: RATE });
    for (const { bytes, repeats } of ready) await sink.write(bytes, repeats);
    await sink.finish();
  };
  const painted = await timeAsync(() => exportTitle(webm));
  const encoded = await timeAsync(encoderAlone);
  report('WebM with alpha: whole title', `${painted.toFixed(0)} ms`);
  report('WebM with alpha: encoder alone on ready frames', `${encoded.toFixed(0)} ms`);
  report('ratio', `${(painted / encoded).toFixed(2)} ×`, 'at most 1.15');
  const prores = await timeAsync(() => exportTitle({ pool, output: 'mov-prores', frames: 'rgba', folder }));
  report('MOV, ProRes 4444: whole title', `${prores.toFixed(0)} ms`);
  await pool.close();
  rmSync(folder, { recursive: true });
}

/** Twenty titles with one worker and with two. */
export async function benchBatch(): Promise<void> {
  console.log('\nA batch of 20 titles, MOV with lossless alpha');
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  const batch = async (workers: number): Promise<number> => {
    const pool = new RenderPool(workers);
    await Promise.all(
      Array.from({ length: workers }, (_, i) =>
        exportTitle({ pool, output: 'mov-png', frames: 'png', folder, name: `warm${i}` }),
      ),
    );
    const took = await timeAsync(async () => {
      const waiting = Array.from({ length: 20 }, (_, i) => `title${i}`);
      const lane = async (): Promise<void> => {
        for (let name = waiting.shift(); name !== undefined; name = waiting.shift()) {
          await exportTitle({ pool, output: 'mov-png', frames: 'png', folder, name });
        }
      };
      await Promise.all(Array.from({ length: workers }, lane));
    }, 1);
    await pool.close();
    return took;
  };
  const one = await batch(1);
  const two = await batch(2);
  report('one worker', `${(one / 1000).toFixed(1)} s`);
  report('two workers', `${(two / 1000).toFixed(1)} s`);
  report('one ÷ two', `${(one / two).toFixed(2)} ×`, 'at least 1.7');
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
      layer.motion.in === null
        ? layer
        : {
            ...layer,
            motion: {
              in: { ...layer.motion.in, startSeconds: 0, lengthSeconds: 60, ease: 'even' },
              out: 'mirror',
            },
          },
    ),
  };
  const before = process.memoryUsage().rss;
  const samples: number[] = [];
  let frames = 0;
  while (frames < 5000) {
    const task = {
      document,
      values: {},
      format: FORMAT.id,
      rate: '25',
      lengthFrames: 3000,
      onlyFrame: null,
      frames: 'rgba' as const,
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
