import { isTopFirst, toVideo } from './colour';
import { feedSink } from './feedSink';
import type { FrameSink, SinkOptions } from './sink';
import { rawInput, timecodeArguments } from './sink';

const DNXHR = '-c:v dnxhd -profile:v dnxhr_hqx -pix_fmt yuv422p10le'.split(' ');
/** Every frame by itself, as finely as its 8 bits go. */
const MPEG2 =
  '-c:v mpeg2video -pix_fmt yuv422p -g 1 -qmin 1 -qmax 28 -qscale:v 1 -intra_vlc 1 -non_linear_quant 1 -dc 10'.split(
    ' ',
  );

function mxfSink(coding: readonly string[], options: SinkOptions): FrameSink {
  const { format, path } = options;
  const fields =
    format.interlaced === true ? ['-flags', '+ildct+ilme', '-top', isTopFirst(format) ? '1' : '0'] : [];
  return feedSink([
    ...rawInput(options),
    ...toVideo(format),
    ...coding,
    ...fields,
    ...timecodeArguments(options),
    '-f',
    'mxf',
    path,
  ]);
}

/** DNxHR HQX in MXF (SMPTE ST 2019-4). */
export const createDnxhrSink = (options: SinkOptions): FrameSink => mxfSink(DNXHR, options);

/** MPEG-2 4:2:2 in MXF (SMPTE ST 381-2), frames that stand alone. */
export const createMpeg2Sink = (options: SinkOptions): FrameSink => mxfSink(MPEG2, options);
