import { isTopFirst, toVideo } from './colour';
import { feedSink } from './feedSink';
import { SOUND } from './ground/groundSound';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput, timecodeArguments } from './sink';

interface Coding {
  readonly args: readonly string[];
  /** What fields are said with; null where it has none. */
  readonly fields: ((topFirst: boolean) => string[]) | null;
  /** With pixels of 16 bits it takes this many. */
  readonly deepFormat: string;
}

const H264: Coding = {
  args: '-c:v libx264 -preset veryfast -crf 18'.split(' '),
  fields: (topFirst) => ['-flags', '+ildct+ilme', '-x264-params', topFirst ? 'tff=1' : 'bff=1'],
  deepFormat: 'yuv420p',
};
// The tag of files whose parameters stand in their head, which more players know.
const H265: Coding = {
  args: '-c:v libx265 -preset veryfast -crf 19 -tag:v hvc1 -x265-params log-level=error'.split(' '),
  fields: null,
  deepFormat: 'yuv420p10le',
};
const AV1: Coding = {
  args: '-c:v libsvtav1 -preset 8 -crf 24'.split(' '),
  fields: null,
  deepFormat: 'yuv420p10le',
};
const AAC = '-c:a aac -b:a 192k'.split(' ');

/** A video in an MP4, with sound where there is some; its index stands first, so that it plays while it comes. */
function mp4Sink(coding: Coding, options: SinkOptions): FrameSink {
  const { format, sound, path, deep } = options;
  const heard =
    sound === null
      ? []
      : ['-f', 's16le', '-ar', String(SOUND.hertz), '-ac', String(SOUND.channels), '-i', sound];
  const fields =
    format.interlaced === true && coding.fields !== null ? coding.fields(isTopFirst(format)) : [];
  return feedSink([
    ...rawInput(options),
    ...heard,
    ...['-map', '0:v', ...(sound === null ? [] : ['-map', '1:a', ...AAC])],
    ...toVideo(format),
    ...coding.args,
    ...['-pix_fmt', deep ? coding.deepFormat : 'yuv420p'],
    ...fields,
    ...timecodeArguments(options),
    ...['-movflags', '+faststart', '-f', 'mp4', path],
  ]);
}

/** H.264 in an MP4. */
export const createH264Sink = (options: SinkOptions): FrameSink => mp4Sink(H264, options);

/** H.265 in an MP4. */
export const createH265Sink = (options: SinkOptions): FrameSink => mp4Sink(H265, options);

/** AV1 in an MP4. */
export const createAv1Sink = (options: SinkOptions): FrameSink => mp4Sink(AV1, options);
