import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { harbourRoll } from '../demo/creditTemplates';
import { textToCredits } from '@/core/credits/creditText';
import { FORMATS } from '@/core/frame/formats';
import type { Credits, CreditRow } from '@/core/model/credits';
import { NO_CREDITS } from '@/core/model/credits';
import { newTitle } from '@/core/model/project';
import { showTitle } from '@/core/project/deliver';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { RATES } from '@/core/time/rates';
import { Painter } from '@/paint/painter';
import { createRasterFrame, serverSurfaces } from '@/server/raster';
import { RenderPool } from '@/server/press/renderPool';
import { pictureKeys } from '@/server/press/reuse/pictureKey';
import { createSink } from '@/server/press/sinks';
import { median, report, timeInTurns } from './measure';

const FORMAT = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const FIVE_MINUTES = 7500;

/** Two thousand roles with a name each; another round has other words, so that nothing is known of them. */
function rows(round: number): readonly CreditRow[] {
  const lines = Array.from({ length: 2000 }, (_, i) => `Role ${round} ${i}\tName of ${i} Number-${round}`);
  return textToCredits(lines.map((line, i) => (i % 25 === 0 ? `\n# Part ${i}\n${line}` : line)).join('\n'))
    .rows;
}

const titleOf = (credits: Credits) =>
  newTitle({ id: 't', editionId: 'e', startFrame: 0, lengthFrames: FIVE_MINUTES, lane: 0, credits });

/** A roll of two thousand names over five minutes: laying out, an edit, a frame, and what it adds to the encoder. */
export async function benchCredits(fonts: FontLibrary): Promise<void> {
  console.log('\nCredits: a roll of 2 000 names in five minutes, 1920 × 1080');
  const show = (list: readonly CreditRow[]) =>
    showTitle(titleOf({ ...NO_CREDITS, rows: list }), harbourRoll, {}, FORMAT, RATE, fonts);
  const timed = (work: () => void): number => {
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  const fresh = Array.from({ length: 5 }, (_, round) => rows(round)).map((list) =>
    timed(() => show(list).frame(3000)),
  );
  report('laid out, and a first frame', `${median(fresh).toFixed(0)} ms`, 'at most 300');
  const known = rows(0);
  const edits = Array.from({ length: 9 }, (_, i) => {
    const list = known.with(7 + i, { id: known[7 + i].id, kind: 'name', name: `Another ${i}` });
    return timed(() => show(list).frame(3000));
  });
  report('one row changed, and its frame', `${median(edits).toFixed(1)} ms`);
  const shown = show(known);
  const raster = createRasterFrame(FORMAT.widthPx, FORMAT.heightPx);
  const painter = new Painter(serverSurfaces);
  const frames = Array.from({ length: 120 }, (_, i) => 2000 + i * 3);
  const evaluated = frames.map((frame) => timed(() => shown.frame(frame)));
  const painted = frames.map((frame) => {
    const list = shown.frame(frame);
    return timed(() => {
      raster.clear();
      painter.paint(raster.context, list);
    });
  });
  const keyOf = pictureKeys();
  const keyed = frames.map((frame) => {
    const list = shown.frame(frame);
    return timed(() => keyOf([list]));
  });
  report('a frame: its key', `${median(keyed).toFixed(2)} ms`);
  report('a frame: evaluated', `${median(evaluated).toFixed(2)} ms`);
  report('a frame: painted', `${median(painted).toFixed(2)} ms`);
  await benchEncoder(known);
}

/** Twenty seconds of it, as dense as in five minutes, through the press, against the encoder alone on the same frames. */
async function benchEncoder(list: readonly CreditRow[]): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'gilder-bench-'));
  const pool = new RenderPool(1);
  const length = 500;
  const content = {
    titleId: 't',
    fileStem: 't',
    document: harbourRoll,
    values: {},
    lengthFrames: length,
    credits: { ...NO_CREDITS, rows: list.slice(0, 133) },
    onlyFrame: null,
  };
  const task = {
    content,
    format: FORMAT.id,
    rate: RATE.id,
    shades: 'plain' as const,
    pictures: new Map<string, Uint8Array>(),
    videos: new Map<string, string>(),
  };
  for (const [output, frames] of [
    ['mov-prores', 'rgba'],
    ['webm-vp9', 'rgba'],
  ] as const) {
    const ready: { bytes: Buffer; repeats: number }[] = [];
    const signal = new AbortController().signal;
    const gather = {
      frame: async (bytes: Buffer, { repeats }: { repeats: number }) =>
        void ready.push({ bytes: Buffer.from(bytes), repeats }),
      reference: () => undefined,
    };
    await pool.render({ ...task, frames }, gather, signal);
    const write = async (feed: (sink: ReturnType<typeof createSink>) => Promise<void>): Promise<void> => {
      const sink = createSink(output, {
        path: join(folder, `roll.${output}`),
        format: FORMAT,
        rate: RATE,
        timecode: null,
        sound: null,
        plane: 'straight',
        deep: false,
        pictureExtension: 'png',
      });
      await feed(sink);
      await sink.finish();
    };
    const { first, second, ratio } = await timeInTurns(
      () =>
        write((sink) =>
          pool.render(
            { ...task, frames },
            { frame: (bytes, { repeats }) => sink.write(bytes, repeats), reference: () => undefined },
            signal,
          ),
        ),
      () =>
        write(async (sink) => {
          for (const { bytes, repeats } of ready) await sink.write(bytes, repeats);
        }),
    );
    report(`${output}: a frame of the roll, made and encoded`, `${(first / length).toFixed(1)} ms`);
    report(`${output}: a frame, encoder alone`, `${(second / length).toFixed(1)} ms`);
    report('ratio', `${ratio.toFixed(2)} ×`, 'at most 1.2');
  }
  await pool.close();
  rmSync(folder, { recursive: true });
}
