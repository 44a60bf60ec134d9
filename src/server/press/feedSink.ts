import { FfmpegFeed } from './ffmpeg';
import type { FrameSink } from './sink';

/** A file that ffmpeg writes by itself. Its frames depend on one another, so a repeated one is handed over again, but not painted. */
export function feedSink(args: readonly string[]): FrameSink {
  const feed = new FfmpegFeed(args);
  return {
    async write(bytes, repeats) {
      for (let i = 0; i < repeats; i++) await feed.write(bytes);
    },
    finish: () => feed.finish(),
    abort: () => feed.abort(),
  };
}
