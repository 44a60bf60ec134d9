import { labelOf } from '@/core/time/timecode';
import { toVideo, isTopFirst } from './colour';
import { FfmpegFeed } from './ffmpeg';
import { SOUND } from './ground/groundSound';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput } from './sink';

const H264 = '-c:v libx264 -pix_fmt yuv420p -preset veryfast -crf 18'.split(' ');
const AAC = '-c:a aac -b:a 192k'.split(' ');

/** H.264 in an MP4, with sound where there is some; its index stands first, so that it plays while it comes. */
export function createMp4Sink(options: SinkOptions): FrameSink {
  const { format, rate, timecode, sound, path } = options;
  const heard =
    sound === null
      ? []
      : ['-f', 's16le', '-ar', String(SOUND.hertz), '-ac', String(SOUND.channels), '-i', sound];
  const label =
    timecode === null
      ? []
      : ['-timecode', labelOf(timecode.frame, { rate, mode: timecode.drop ? 'drop' : 'non-drop' })];
  const fields =
    format.interlaced === true
      ? ['-flags', '+ildct+ilme', '-x264-params', isTopFirst(format) ? 'tff=1' : 'bff=1']
      : [];
  const feed = new FfmpegFeed([
    ...rawInput(options),
    ...heard,
    ...['-map', '0:v', ...(sound === null ? [] : ['-map', '1:a', ...AAC])],
    ...toVideo(format),
    ...H264,
    ...fields,
    ...label,
    ...['-movflags', '+faststart', '-f', 'mp4', path],
  ]);
  return {
    async write(bytes, repeats) {
      for (let i = 0; i < repeats; i++) await feed.write(bytes);
    },
    finish: () => feed.finish(),
    abort: () => feed.abort(),
  };
}
