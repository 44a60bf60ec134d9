import { join } from 'node:path';
import { tidelineStrap } from '../demo/templates';
import type { Template } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import type { Output, Plane } from '@/core/outputs/output';
import { hasGround, isStill, missingFor, planesOf, shadesOf } from '@/core/outputs/output';
import { RATES } from '@/core/time/rates';
import type { JobTitle } from '@/db/schema';
import { ffmpegEncoders } from '@/server/press/ffmpeg';
import { PICTURE_CODECS } from '@/server/press/pictures/pictureCodecs';
import { RenderPool } from '@/server/press/renderPool';
import { ONLY_ATTEMPT, renderTitle } from '@/server/press/renderTitle';
import { createSink } from '@/server/press/sinks';
import { median, report, timeAsync } from './measure';
import { withFolder } from './server';
import { NO_SOURCES } from '@/server/press/sources';

const FORMAT = FORMATS.get('wide-1080');
const RATE = RATES.get('25');
const TURNS = 3;
const DOCUMENT: Template = { ...tidelineStrap, timing: { inSeconds: 1, holdSeconds: 4, outSeconds: 1 } };

interface Ready {
  readonly bytes: Buffer;
  readonly repeats: number;
}

/** A title of six seconds as a kind of file: painting, encoding and the whole of it. */
class Measured {
  private readonly shades;
  private readonly plane: Plane;
  private readonly title: JobTitle;

  constructor(
    private readonly output: Output,
    private readonly pool: RenderPool,
    private readonly folder: string,
  ) {
    this.shades = shadesOf(output, false);
    [this.plane] = planesOf(output, false);
    const onlyFrame = isStill(output) ? 75 : null;
    const asked = { titleId: 't', fileStem: output.id, document: DOCUMENT, values: {}, lengthFrames: 150 };
    this.title = { ...asked, onlyFrame, plane: this.plane };
  }

  /** Paints the frames, as the file wants them, and hands them to somebody. */
  async paint(take: (ready: Ready) => void): Promise<void> {
    const { title: content, shades } = this;
    const { frames } = this.output;
    const none = { pictures: new Map<string, Uint8Array>(), videos: new Map<string, string>() };
    await this.pool.render(
      { content, format: FORMAT.id, rate: RATE.id, frames, shades, ...none },
      { frame: async (bytes, { repeats }) => take({ bytes, repeats }), reference: () => undefined },
      new AbortController().signal,
    );
  }

  /** Encodes frames that are there already. */
  async encode(ready: readonly Ready[]): Promise<void> {
    const { frames, id } = this.output;
    const sink = createSink(id, {
      path: join(this.folder, `${id}.alone`),
      format: FORMAT,
      rate: RATE,
      timecode: null,
      sound: null,
      plane: this.plane,
      deep: this.shades === 'deep',
      pictureExtension: frames === 'rgba' ? '' : PICTURE_CODECS[frames].extension,
    });
    for (const { bytes, repeats } of ready) await sink.write(bytes, repeats);
    await sink.finish();
  }

  /** What somebody waits for: painting, encoding and the verification of the finished file. */
  async whole(): Promise<void> {
    const none = NO_SOURCES;
    await renderTitle({
      payload: { name: 'x', output: this.output.id, format: FORMAT.id, rate: RATE.id, titles: [] },
      title: this.title,
      folder: this.folder,
      attempt: ONLY_ATTEMPT,
      pool: this.pool,
      sources: none,
      signal: new AbortController().signal,
      onFrames: () => undefined,
    });
  }
}

async function measure(output: Output, pool: RenderPool, folder: string): Promise<void> {
  const measured = new Measured(output, pool, folder);
  const ready: Ready[] = [];
  await measured.paint(({ bytes, repeats }) => void ready.push({ bytes: Buffer.from(bytes), repeats }));
  const rounds: { paint: number; encode: number; whole: number }[] = [];
  for (let turn = 0; turn < TURNS; turn++)
    rounds.push({
      paint: await timeAsync(() => measured.paint(() => undefined), 1),
      encode: await timeAsync(() => measured.encode(ready), 1),
      whole: await timeAsync(() => measured.whole(), 1),
    });
  const of = (what: 'paint' | 'encode' | 'whole'): string =>
    median(rounds.map((round) => round[what])).toFixed(0);
  const ratio = median(rounds.map(({ paint, encode, whole }) => whole / Math.max(paint, encode)));
  report(
    `${output.label}: ${of('paint')} painting, ${of('encode')} encoding, ${of('whole')} ms`,
    `${ratio.toFixed(2)} ×`,
    'at most 1.15',
  );
}

/** Every kind of file: what is waited for, by what is slower of its painting and its encoding, in turns of one run. */
export async function benchOutputs(): Promise<void> {
  console.log('\nEvery kind of file of a 6 s title (1 in, 4 still, 1 out), 1920 × 1080, one worker');
  const there = ffmpegEncoders();
  const pool = new RenderPool(1);
  await withFolder(async (folder) => {
    for (const output of OUTPUTS.list) {
      // Those over pictures are of whole programmes.
      if (hasGround(output) || missingFor(output, there) !== null) continue;
      await measure(output, pool, folder);
    }
  });
  await pool.close();
}
