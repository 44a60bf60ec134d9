import { createSequenceSink, createStillSink } from './pictureSinks';
import { createMp4Sink } from './mp4Sink';
import { createPngMovSink } from './pngMovSink';
import { createProresSink } from './proresSink';
import type { FrameSink, SinkOptions } from './sink';
import { createWebmSink } from './webmSink';

/** Raised whenever a sink writes other bytes than before, so that files of the old kind are not taken for new ones. */
export const CODING_VERSION = 1;

const SINKS: Readonly<Record<string, (options: SinkOptions) => FrameSink>> = {
  'mov-png': createPngMovSink,
  'mov-prores': createProresSink,
  'mov-fill-key': createProresSink,
  'webm-vp9': createWebmSink,
  'mp4-h264': createMp4Sink,
  'png-sequence': createSequenceSink,
  'png-still': createStillSink,
  'png-fill-key': createStillSink,
};

/** The ids of the outputs that can be written. */
export const SINK_IDS = Object.keys(SINKS);

/** Opens the sink for an output. */
export function createSink(output: string, options: SinkOptions): FrameSink {
  const create = SINKS[output];
  if (create === undefined) throw new Error(`No way to write the output "${output}"`);
  return create(options);
}
