import { isTopFirst, videoColour } from './colour';
import type { FieldOrder } from './mov/movFile';
import { createMov } from './mov/movFile';
import type { FrameSink, SinkOptions } from './sink';

/** PNG files as they are, in a MOV. */
export function createPngMovSink({ path, format, rate, timecode, plane }: SinkOptions): FrameSink {
  // PNG lays both fields into one picture, line by line.
  const woven: FieldOrder = isTopFirst(format) ? 'topFirst' : 'bottomFirstWoven';
  const mov = createMov({
    path,
    format,
    rate,
    timecode,
    codec: 'png ',
    codecName: 'PNG',
    plane,
    colour: videoColour(format).code,
    fields: format.interlaced === true ? woven : 'progressive',
  });
  // Told where the file is next written to.
  mov.catch(() => undefined);
  const write = async (bytes: Buffer, repeats: number): Promise<void> => (await mov).write(bytes, repeats);
  return {
    write,
    writeCoded: async (read, repeats) => write(await read(), repeats),
    finish: async () => (await mov).finish(),
    abort: async () => (await mov).abort(),
  };
}
