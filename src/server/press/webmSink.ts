import { toVideo } from './colour';
import { feedSink } from './feedSink';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput } from './sink';

const VP9 =
  '-c:v libvpx-vp9 -pix_fmt yuva420p -auto-alt-ref 0 -crf 20 -b:v 0 -deadline realtime -cpu-used 8 -row-mt 1'.split(
    ' ',
  );

/** VP9 with alpha. */
export function createWebmSink(options: SinkOptions): FrameSink {
  return feedSink([...rawInput(options), ...toVideo(options.format), ...VP9, '-f', 'webm', options.path]);
}
