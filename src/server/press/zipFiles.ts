import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { crc32 } from 'node:zlib';
import { StoredZip } from './storedZip';

interface ZippedFile {
  readonly name: string;
  readonly path: string;
}

/** Files as a zip, piece by piece as it is read; nothing of it is kept. Throws for a file that is gone. */
export async function* zipFiles(files: readonly ZippedFile[]): AsyncGenerator<Uint8Array> {
  const zip = new StoredZip();
  for (const { name, path } of files) {
    const { size } = await stat(path);
    yield zip.before(name, size, null);
    let crc = 0;
    for await (const chunk of createReadStream(path)) {
      if (!(chunk instanceof Uint8Array)) continue;
      crc = crc32(chunk, crc);
      yield chunk;
    }
    yield zip.after(crc);
  }
  yield zip.end();
}
