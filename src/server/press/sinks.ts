import { createSequenceSink, createStillSink } from './pictureSinks';
import { createApngSink, createWebpSink } from './animatedSinks';
import { createAv1Sink, createH264Sink, createH265Sink } from './mp4Sink';
import { createDnxhrSink, createMpeg2Sink } from './mxfSink';
import { createPngMovSink } from './pngMovSink';
import { createProresSink } from './proresSink';
import type { FrameSink, SinkOptions } from './sink';
import { createWebmSink } from './webmSink';

/** Raised whenever a sink writes other bytes than before, so that files of the old kind are not taken for new ones. */
export const CODING_VERSION = 2;

const SINKS: Readonly<Record<string, (options: SinkOptions) => FrameSink>> = {
  'mov-png': createPngMovSink,
  'mov-prores': createProresSink,
  'webm-vp9': createWebmSink,
  'webp-anim': createWebpSink,
  apng: createApngSink,
  'mov-fill-key': createProresSink,
  'mxf-dnxhr-fill-key': createDnxhrSink,
  'mxf-mpeg2-fill-key': createMpeg2Sink,
  'png-fill-key': createStillSink,
  'mp4-h264': createH264Sink,
  'mp4-h265': createH265Sink,
  'mp4-av1': createAv1Sink,
  'png-sequence': createSequenceSink,
  'tiff-sequence': createSequenceSink,
  'tga-sequence': createSequenceSink,
  'exr-sequence': createSequenceSink,
  'png-still': createStillSink,
  'tiff-still': createStillSink,
  'exr-still': createStillSink,
};

/** The ids of the outputs that can be written. */
export const SINK_IDS = Object.keys(SINKS);

/** Opens the sink for an output. */
export function createSink(output: string, options: SinkOptions): FrameSink {
  const create = SINKS[output];
  if (create === undefined) throw new Error(`No way to write the output "${output}"`);
  return create(options);
}
