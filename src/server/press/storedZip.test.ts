import { execFileSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeFileSync, writeSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crc32 } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { unzipSync } from 'fflate';
import { readStored, storedEntries } from './readStored';
import { StoredZip } from './storedZip';
import { zipFiles } from './zipFiles';

let folder: string;
beforeAll(() => void (folder = mkdtempSync(join(tmpdir(), 'gilder-zip-'))));
afterAll(() => rmSync(folder, { recursive: true }));

/** What two readers that know nothing of ours say of a zip: how many files it has. One looks at each checksum. */
function readByOthers(path: string): readonly number[] {
  expect(execFileSync('unzip', ['-tqq', path]).toString()).toBe('');
  const listed = execFileSync('unzip', ['-Z1', path], { maxBuffer: 1e8 })
    .toString()
    .trim()
    .split('\n').length;
  return [listed, Object.keys(unzipSync(new Uint8Array(readFileSync(path)))).length];
}

test('more files than a plain zip can have are all there for every reader', async () => {
  const path = join(folder, 'many.zip');
  const zip = new StoredZip();
  const file = openSync(path, 'w');
  const words = (i: number): Buffer => Buffer.from(`row ${i}`);
  const COUNT = 65_700;
  for (let i = 0; i < COUNT; i++) {
    // Every other one says its checksum behind it.
    const later = i % 2 === 0;
    const bytes = words(i);
    writeSync(file, zip.before(`${i}.txt`, bytes.length, later ? null : crc32(bytes)));
    writeSync(file, bytes);
    if (later) writeSync(file, zip.after(crc32(bytes)));
  }
  writeSync(file, zip.end());
  closeSync(file);
  expect(readByOthers(path)).toEqual([COUNT, COUNT]);
  const read = await open(path);
  const entries = await storedEntries(read);
  expect(entries).toHaveLength(COUNT);
  expect((await readStored(read, entries[COUNT - 1])).toString()).toBe(`row ${COUNT - 1}`);
  await read.close();
});

test('files become one zip as they are read, with names of any script; one that is gone ends it', async () => {
  const files = ['001-ilse-marrow.mov', '002-سيما.png'].map((name, i) => {
    const path = join(folder, `file-${i}`);
    writeFileSync(path, Buffer.alloc(200_000 + i, i + 1));
    return { name, path };
  });
  const chunks: Uint8Array[] = [];
  for await (const chunk of zipFiles(files)) chunks.push(chunk);
  const all = Buffer.concat(chunks);
  const path = join(folder, 'all.zip');
  writeFileSync(path, all);
  expect(readByOthers(path)).toEqual([2, 2]);
  const opened = unzipSync(new Uint8Array(all));
  expect(Object.keys(opened)).toEqual(files.map(({ name }) => name));
  expect(opened['002-سيما.png']).toHaveLength(200_001);
  const gone = zipFiles([{ name: 'gone', path: join(folder, 'gone') }]);
  await expect(gone.next()).rejects.toThrow();
});
