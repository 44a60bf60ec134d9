import { FfmpegFeed } from './ffmpeg';
import type { FrameSink, SinkOptions } from './sink';
import { rateArgument } from './sink';

/** PNG files as they are, wrapped into a MOV. A repeated frame is the same bytes again. */
export function createPngMovSink(options: SinkOptions): FrameSink {
  const rate = rateArgument(options.rate);
  const feed = new FfmpegFeed([
    '-f',
    'image2pipe',
    '-framerate',
    rate,
    '-c:v',
    'png',
    '-i',
    '-',
    '-c',
    'copy',
    '-f',
    'mov',
    options.path,
  ]);
  return {
    async write(bytes, repeats) {
      for (let i = 0; i < repeats; i++) await feed.write(bytes);
    },
    finish: () => feed.finish(),
    abort: () => feed.abort(),
  };
}
