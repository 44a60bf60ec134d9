import type { FileHandle } from 'node:fs/promises';
import { open, rm } from 'node:fs/promises';
import { hasAlpha } from '@/core/outputs/output';
import { isTopFirst, toVideo, videoColour } from './colour';
import { FfmpegFeed } from './ffmpeg';
import type { FieldOrder, MovWriter } from './mov/movFile';
import { createMov } from './mov/movFile';
import type { MovTrack } from './mov/readMov';
import { readMov } from './mov/readMov';
import type { FrameSink, ReadsCoded, SinkOptions } from './sink';
import { rawInput } from './sink';

const PRORES = '-c:v prores_ks -qscale:v 2 -mbs_per_slice 8'.split(' ');
const WITH_ALPHA = {
  codec: 'ap4h',
  codecName: 'ProRes 4444',
  coding: '-profile:v 4444 -pix_fmt yuva444p10le -alpha_bits 16'.split(' '),
};
const WITHOUT = {
  codec: 'apch',
  codecName: 'ProRes 422 HQ',
  coding: '-profile:v hq -pix_fmt yuv422p10le'.split(' '),
};

/**
 * ProRes: 4444 for what has alpha, 422 HQ for what has none. Every frame stands alone, so each different picture is encoded once; a MOV of our own then
 * names it for as many frames as it stands.
 */
export function createProresSink(options: SinkOptions): FrameSink {
  const { path, format, rate, timecode, plane } = options;
  const { coding, codec, codecName } = hasAlpha(plane) ? WITH_ALPHA : WITHOUT;
  const encoded = `${path}.encoded.mov`;
  const pictures: Picture[] = [];
  const interlaced = format.interlaced === true;
  const { code, primaries, transfer, matrix } = videoColour(format);
  // The colour is said in every frame's own header too.
  const tags = `prores_metadata=color_primaries=${primaries}:color_trc=${transfer}:colorspace=${matrix}`;
  const startFeed = (): FfmpegFeed =>
    new FfmpegFeed([
      ...rawInput(options),
      ...toVideo(format),
      ...PRORES,
      ...coding,
      ...(interlaced ? ['-flags', '+ildct'] : []),
      '-bsf:v',
      tags,
      '-f',
      'mov',
      encoded,
    ]);
  // Where nothing is new, nothing is encoded.
  let feed: FfmpegFeed | null = null;
  const fields: FieldOrder = isTopFirst(format) ? 'topFirst' : 'bottomFirst';
  const newlyCoded = async (): Promise<MovTrack['samples']> => {
    if (feed === null) return [];
    await feed.finish();
    const { samples } = await readMov(encoded);
    const wanted = pictures.filter(({ read }) => read === null).length;
    if (samples.length !== wanted)
      throw new Error(`The encoder gave ${samples.length} pictures instead of ${wanted}`);
    return samples;
  };
  const assemble = async (mov: MovWriter, samples: MovTrack['samples']): Promise<void> => {
    const from = samples.length === 0 ? null : await open(encoded);
    const next = samples.values();
    try {
      for (const { read, repeats } of pictures) {
        const coded = read === null ? await readNext(from, next) : await read();
        await mov.write(coded, repeats);
      }
    } finally {
      await from?.close();
    }
  };
  return {
    async write(bytes, repeats) {
      pictures.push({ read: null, repeats });
      feed ??= startFeed();
      await feed.write(bytes);
    },
    async writeCoded(read, repeats) {
      pictures.push({ read, repeats });
    },
    async finish() {
      const samples = await newlyCoded();
      const mov = await createMov({
        path,
        format,
        rate,
        timecode,
        codec,
        codecName,
        plane,
        colour: code,
        fields: interlaced ? fields : 'progressive',
      });
      try {
        await assemble(mov, samples);
      } catch (error) {
        await mov.abort();
        throw error;
      }
      await mov.finish();
      await rm(encoded, { force: true });
    },
    async abort() {
      await feed?.abort();
      await rm(encoded, { force: true });
    },
  };
}

/** A picture of the file: how it is read where it was coded before; null where it is encoded now. */
interface Picture {
  readonly read: ReadsCoded | null;
  readonly repeats: number;
}

async function readNext(
  file: FileHandle | null,
  samples: Iterator<MovTrack['samples'][number], undefined>,
): Promise<Buffer> {
  const { value } = samples.next();
  if (file === null || value === undefined) throw new Error('The encoder gave too few pictures');
  const picture = Buffer.alloc(value.bytes);
  await file.read(picture, 0, value.bytes, value.offset);
  return picture;
}
