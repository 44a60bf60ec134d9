import { createWriteStream } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { once } from 'node:events';
import { Zip, ZipPassThrough } from 'fflate';
import type { FrameSink, SinkOptions } from './sink';

/** One PNG file. */
export function createStillSink({ path }: SinkOptions): FrameSink {
  return {
    write: (bytes) => writeFile(path, bytes),
    finish: async () => undefined,
    abort: async () => undefined,
  };
}

/** Numbered PNG files in a zip, stored as they are, since PNG is deflated already. */
export function createSequenceSink({ path }: SinkOptions): FrameSink {
  const stream = createWriteStream(path);
  let failure: Error | null = null;
  stream.on('error', (error) => (failure = error));
  const zip = new Zip((error, chunk, final) => {
    if (error !== null) failure = error;
    else stream.write(chunk);
    if (final) stream.end();
  });
  let count = 0;
  return {
    async write(bytes, repeats) {
      // The zip keeps what it is given until it is written, and the ring's memory is used again.
      const copy = Uint8Array.from(bytes);
      for (let i = 0; i < repeats; i++) {
        const entry = new ZipPassThrough(`frame_${String(count++).padStart(6, '0')}.png`);
        zip.add(entry);
        entry.push(copy, true);
        if (stream.writableNeedDrain) await once(stream, 'drain');
        if (failure !== null) throw failure;
      }
    },
    async finish() {
      zip.end();
      await once(stream, 'close');
      if (failure !== null) throw failure;
    },
    async abort() {
      zip.terminate();
      stream.destroy();
    },
  };
}
