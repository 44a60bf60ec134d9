import { open, writeFile } from 'node:fs/promises';
import { crc32 } from 'node:zlib';
import type { FrameSink, SinkOptions } from './sink';
import { StoredZip } from './storedZip';

/** One picture. */
export function createStillSink({ path }: SinkOptions): FrameSink {
  return {
    write: (bytes) => writeFile(path, bytes),
    finish: async () => undefined,
    abort: async () => undefined,
  };
}

/** Numbered pictures in a zip, stored as they are, since they are packed already. */
export function createSequenceSink({ path, pictureExtension }: SinkOptions): FrameSink {
  const opened = open(path, 'w');
  // Told where the file is next written to.
  opened.catch(() => undefined);
  const zip = new StoredZip();
  let count = 0;
  const write = async (bytes: Buffer, repeats: number): Promise<void> => {
    const file = await opened;
    const crc = crc32(bytes);
    for (let i = 0; i < repeats; i++) {
      await file.appendFile(
        zip.before(`frame_${String(count++).padStart(6, '0')}.${pictureExtension}`, bytes.length, crc),
      );
      await file.appendFile(bytes);
    }
  };
  return {
    write,
    writeCoded: async (read, repeats) => write(await read(), repeats),
    async finish() {
      const file = await opened;
      await file.appendFile(zip.end());
      await file.close();
    },
    abort: async () => (await opened).close(),
  };
}
