import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { crc32 } from 'node:zlib';
import { StoredZip } from './storedZip';

/** A file that lies on the disk, or one that is made as it is sent. */
type ZippedFile =
  { readonly name: string; readonly path: string } | { readonly name: string; readonly bytes: Uint8Array };

/** Files as a zip, piece by piece as it is read; nothing of it is kept. Throws for a file that is gone. */
export async function* zipFiles(files: readonly ZippedFile[]): AsyncGenerator<Uint8Array> {
  const zip = new StoredZip();
  for (const one of files) {
    if ('bytes' in one) {
      yield zip.before(one.name, one.bytes.length, crc32(one.bytes));
      yield one.bytes;
      continue;
    }
    const { name, path } = one;
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
