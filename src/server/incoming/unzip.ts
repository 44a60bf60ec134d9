import { crc32 } from 'node:zlib';
import type { Readable } from 'node:stream';
import type { Entry, ZipFile } from 'yauzl';
import yauzl from 'yauzl';
import { InputError } from '@/core/kit/inputError';

/** A zip that was opened: its entries by name, each read when it is asked for. */
export interface OpenZip {
  readonly names: ReadonlySet<string>;
  /** The bytes of an entry, inflated; throws InputError for one that is longer than allowed or not what it says. */
  read(name: string, mostBytes: number): Promise<Uint8Array>;
  close(): void;
}

const MOST_ENTRIES = 1000;
const HARMLESS_METHODS = new Set([0, 8]);

/**
 * Opens a zip on disk by its directory. Throws InputError for a file that is no whole zip, has too many entries, two of
 * one name, or one that is encrypted or packed in a way that is not read.
 */
export async function openZip(path: string, where: string): Promise<OpenZip> {
  const zip = await open(path, where);
  try {
    const entries = await readDirectory(zip, where);
    return {
      names: new Set(entries.keys()),
      read: (name, mostBytes) => readEntry(zip, entries.get(name), name, mostBytes, where),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

function open(path: string, where: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(path, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error === null ? resolve(zip) : reject(notWhole(error, where)),
    );
  });
}

function notWhole(error: Error, where: string): InputError {
  return InputError.of(where, 'a zip file that is whole', error.message.slice(0, 80), 'Export it again.');
}

/** The entries by name; a Map, so that no name is one that every object has. */
function readDirectory(zip: ZipFile, where: string): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>();
  return new Promise((resolve, reject) => {
    zip.on('error', (error: Error) => reject(notWhole(error, where)));
    zip.on('end', () => resolve(entries));
    zip.on('entry', (entry: Entry) => {
      const problem = refuseEntry(entry, entries, where);
      if (problem !== null) return reject(problem);
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}

function refuseEntry(entry: Entry, known: ReadonlyMap<string, Entry>, where: string): InputError | null {
  const name = entry.fileName.slice(0, 80);
  if (known.size >= MOST_ENTRIES) return InputError.of(where, `at most ${MOST_ENTRIES} files`, 'more');
  if (known.has(entry.fileName)) return InputError.of(where, 'each file once', `two called "${name}"`);
  if (entry.isEncrypted())
    return InputError.of(where, 'files that are not encrypted', name, 'Pack it again without a password.');
  if (!HARMLESS_METHODS.has(entry.compressionMethod))
    return InputError.of(where, 'files that are stored or deflated', `method ${entry.compressionMethod}`);
  return null;
}

function openEntry(zip: ZipFile, entry: Entry): Promise<Readable> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => (error === null ? resolve(stream) : reject(error)));
  });
}

async function readEntry(
  zip: ZipFile,
  entry: Entry | undefined,
  name: string,
  mostBytes: number,
  where: string,
): Promise<Uint8Array> {
  if (entry === undefined) throw InputError.of(where, `the file ${name}`, 'a package without it');
  const most = `at most ${Math.round(mostBytes / 1e6)} MB in ${name}`;
  if (entry.uncompressedSize > mostBytes)
    throw InputError.of(where, most, `${Math.round(entry.uncompressedSize / 1e6)} MB`);
  const chunks: Buffer[] = [];
  let length = 0;
  let check = 0;
  try {
    // What inflates to more than the directory says is stopped by the reader as it comes.
    for await (const chunk of await openEntry(zip, entry)) {
      length += chunk.length;
      if (length > mostBytes) throw InputError.of(where, most, 'more');
      check = crc32(chunk, check);
      chunks.push(chunk);
    }
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw notWhole(error instanceof Error ? error : new Error(String(error)), `${where}, ${name}`);
  }
  if (check !== entry.crc32)
    throw InputError.of(`${where}, ${name}`, 'a file whose checksum is right', 'another', 'Export it again.');
  return Buffer.concat(chunks);
}
