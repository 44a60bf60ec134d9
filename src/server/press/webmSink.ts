import { toVideo } from './colour';
import { FfmpegFeed } from './ffmpeg';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput } from './sink';

const VP9 =
  '-c:v libvpx-vp9 -pix_fmt yuva420p -auto-alt-ref 0 -crf 20 -b:v 0 -deadline realtime -cpu-used 8 -row-mt 1'.split(
    ' ',
  );

/** VP9 with alpha. Frames depend on one another, so a repeated frame is handed over again, but not painted. */
export function createWebmSink(options: SinkOptions): FrameSink {
  const feed = new FfmpegFeed([
    ...rawInput(options),
    ...toVideo(options.format),
    ...VP9,
    '-f',
    'webm',
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
