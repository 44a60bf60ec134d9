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
  const { from, bytes } = await directoryPlace(file, size, tail);
  const directory = await readAt(file, from, bytes);
  const entries: StoredEntry[] = [];
  for (let at = 0; at + ENTRY_BYTES <= directory.length;) {
    if (directory.readUInt32LE(at) !== ENTRY) throw new Error('The zip’s directory is damaged');
    entries.push(readEntry(directory, at));
    at += ENTRY_BYTES + [28, 30, 32].reduce((sum, field) => sum + directory.readUInt16LE(at + field), 0);
  }
  return entries;
}

const FOUR_GIB = 0xffffffff;
const LOCATOR_BYTES = 20;

/** Where the directory is, as the end of the zip says, or, beyond its limits, the ZIP64 record before it. */
async function directoryPlace(file: FileHandle, size: number, tail: Buffer) {
  const plain = { from: tail.readUInt32LE(16), bytes: tail.readUInt32LE(12) };
  if (plain.from !== FOUR_GIB && tail.readUInt16LE(10) !== 0xffff) return plain;
  const locator = await readAt(file, size - 22 - LOCATOR_BYTES, LOCATOR_BYTES);
  const end = await readAt(file, Number(locator.readBigUInt64LE(8)), 56);
  return { from: Number(end.readBigUInt64LE(48)), bytes: Number(end.readBigUInt64LE(40)) };
}

function readEntry(directory: Buffer, at: number): StoredEntry {
  let wide = at + ENTRY_BYTES + directory.readUInt16LE(at + 28) + 4;
  const value = (plain: number): number => {
    if (plain !== FOUR_GIB) return plain;
    wide += 8;
    return Number(directory.readBigUInt64LE(wide - 8));
  };
  const bytes = value(directory.readUInt32LE(at + 20));
  // Its length before it was deflated, which is the same.
  value(directory.readUInt32LE(at + 24));
  return { bytes, headerAt: value(directory.readUInt32LE(at + 42)) };
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
