import type { FileHandle } from 'node:fs/promises';

/** A file in a zip that is stored as it is. */
interface StoredEntry {
  readonly bytes: number;
  readonly headerAt: number;
}

const END_OF_DIRECTORY = 0x06054b50;
const ENTRY = 0x02014b50;
const ENTRY_BYTES = 46;
const LOCAL_BYTES = 30;

/** The files of a zip in their order, as its directory names them (APPNOTE 6.3.10, 4.3.12 and 4.3.16). */
export async function storedEntries(file: FileHandle): Promise<StoredEntry[]> {
  const { size } = await file.stat();
  const tail = await readAt(file, Math.max(0, size - 22), 22);
  if (tail.readUInt32LE(0) !== END_OF_DIRECTORY) throw new Error('The zip is not complete');
  const directory = await readAt(file, tail.readUInt32LE(16), tail.readUInt32LE(12));
  const entries: StoredEntry[] = [];
  for (let at = 0; at + ENTRY_BYTES <= directory.length;) {
    if (directory.readUInt32LE(at) !== ENTRY) throw new Error('The zip’s directory is damaged');
    entries.push({ bytes: directory.readUInt32LE(at + 20), headerAt: directory.readUInt32LE(at + 42) });
    at += ENTRY_BYTES + [28, 30, 32].reduce((sum, field) => sum + directory.readUInt16LE(at + field), 0);
  }
  return entries;
}

/** The bytes of a file that is stored as it is. */
export async function readStored(file: FileHandle, { bytes, headerAt }: StoredEntry): Promise<Buffer> {
  const head = await readAt(file, headerAt, LOCAL_BYTES);
  const from = headerAt + LOCAL_BYTES + head.readUInt16LE(26) + head.readUInt16LE(28);
  return readAt(file, from, bytes);
}

async function readAt(file: FileHandle, from: number, count: number): Promise<Buffer> {
  const bytes = Buffer.alloc(count);
  const { bytesRead } = await file.read(bytes, 0, count, from);
  if (bytesRead < count) throw new Error('The file is not complete');
  return bytes;
}
