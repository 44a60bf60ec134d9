import { open, rm } from 'node:fs/promises';
import { hasAlpha } from '@/core/outputs/output';
import { isTopFirst, toVideo, videoColour } from './colour';
import { FfmpegFeed } from './ffmpeg';
import type { FieldOrder } from './mov/movFile';
import { createMov } from './mov/movFile';
import { readMov } from './mov/readMov';
import type { FrameSink, SinkOptions } from './sink';
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
  const repeats: number[] = [];
  const interlaced = format.interlaced === true;
  const { code, primaries, transfer, matrix } = videoColour(format);
  // The colour is said in every frame's own header too.
  const tags = `prores_metadata=color_primaries=${primaries}:color_trc=${transfer}:colorspace=${matrix}`;
  const feed = new FfmpegFeed([
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
  const fields: FieldOrder = isTopFirst(format) ? 'topFirst' : 'bottomFirst';
  return {
    async write(bytes, times) {
      repeats.push(times);
      await feed.write(bytes);
    },
    async finish() {
      await feed.finish();
      const { samples } = await readMov(encoded);
      if (samples.length !== repeats.length)
        throw new Error(`The encoder gave ${samples.length} pictures instead of ${repeats.length}`);
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
      const from = await open(encoded);
      try {
        for (const [i, { offset, bytes }] of samples.entries()) {
          const picture = Buffer.alloc(bytes);
          await from.read(picture, 0, bytes, offset);
          await mov.write(picture, repeats[i]);
        }
        await mov.finish();
      } finally {
        await from.close();
        await rm(encoded, { force: true });
      }
    },
    async abort() {
      await feed.abort();
      await rm(encoded, { force: true });
    },
  };
}
