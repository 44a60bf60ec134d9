import { feedSink } from './feedSink';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput } from './sink';

// Again and again, as pictures on pages do.
const WEBP = '-c:v libwebp_anim -pix_fmt bgra -lossless 1 -compression_level 4 -loop 0 -f webp'.split(' ');
const APNG = '-c:v apng -pix_fmt rgba -plays 0 -f apng'.split(' ');

/** Lossless WebP pictures that follow one another. */
export function createWebpSink(options: SinkOptions): FrameSink {
  return feedSink([...rawInput(options), ...WEBP, options.path]);
}

/** PNG pictures that follow one another. */
export function createApngSink(options: SinkOptions): FrameSink {
  return feedSink([...rawInput(options), ...APNG, options.path]);
}
