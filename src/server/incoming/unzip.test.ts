import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { InputError } from '@/core/kit/inputError';
import { openZip } from './unzip';

const folder = mkdtempSync(join(tmpdir(), 'gilder-zip-'));
afterAll(() => rmSync(folder, { recursive: true }));

let written = 0;
function put(bytes: Uint8Array): string {
  const path = join(folder, `${(written += 1)}.zip`);
  writeFileSync(path, bytes);
  return path;
}

/** Everything that a zip gives, or why it gives nothing. */
async function readAll(bytes: Uint8Array, mostBytes = 1_000_000): Promise<Map<string, string>> {
  const zip = await openZip(put(bytes), 'Package');
  try {
    const all = new Map<string, string>();
    for (const name of zip.names) all.set(name, Buffer.from(await zip.read(name, mostBytes)).toString());
    return all;
  } finally {
    zip.close();
  }
}

/** Where the n-th header with a signature begins (PKWARE APPNOTE, 4.3). */
function headerAt(bytes: Uint8Array, signature: number): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
  for (let i = 0; i + 4 <= bytes.length; i++) if (view.getUint32(i, true) === signature) return i;
  throw new Error('no such header');
}
const CENTRAL = 0x02014b50;
function changed(bytes: Uint8Array, change: (view: DataView, central: number) => void): Uint8Array {
  const copy = Uint8Array.from(bytes);
  change(new DataView(copy.buffer), headerAt(copy, CENTRAL));
  return copy;
}

const TWO = zipSync({ 'a.txt': strToU8('alpha'.repeat(50)), 'b.txt': [strToU8('beta'), { level: 0 }] });

describe('a zip', () => {
  test('of ours and of the usual tool is read to the byte', async () => {
    expect(Object.fromEntries(await readAll(TWO))).toEqual({ 'a.txt': 'alpha'.repeat(50), 'b.txt': 'beta' });
    writeFileSync(join(folder, 'c.txt'), 'gamma');
    const path = join(folder, 'tool.zip');
    execFileSync('python3', ['-m', 'zipfile', '-c', path, join(folder, 'c.txt')]);
    const zip = await openZip(path, 'Package');
    expect([...zip.names]).toEqual(['c.txt']);
    expect(Buffer.from(await zip.read('c.txt', 100)).toString()).toBe('gamma');
    zip.close();
  });

  test('may have entries called like what every object has', async () => {
    const odd = zipSync({ constructor: strToU8('1'), toString: strToU8('2'), hasOwnProperty: strToU8('3') });
    expect([...(await readAll(odd)).entries()].toSorted()).toEqual([
      ['constructor', '1'],
      ['hasOwnProperty', '3'],
      ['toString', '2'],
    ]);
    const zip = await openZip(put(TWO), 'Package');
    await expect(zip.read('constructor', 10)).rejects.toThrow(/needs the file constructor/);
    zip.close();
  });

  test.each([
    ['that is none', strToU8('not a zip at all'), /a zip file that is whole/],
    ['that ends early', TWO.subarray(0, TWO.length - 10), /a zip file that is whole/],
    [
      'with a wrong checksum',
      changed(TWO, (view, at) => view.setUint32(at + 16, 7, true)),
      /a\.txt: needs a file whose checksum is right/,
    ],
    [
      'that is encrypted',
      changed(TWO, (view, at) => view.setUint16(at + 8, 1, true)),
      /needs files that are not encrypted, found "a\.txt"/,
    ],
    [
      'packed in another way',
      changed(TWO, (view, at) => view.setUint16(at + 10, 14, true)),
      /stored or deflated, found "method 14"/,
    ],
    [
      'whose sizes are too small',
      changed(TWO, (view, at) => view.setUint32(at + 24, 3, true)),
      /needs a zip file that is whole/,
    ],
    [
      'whose sizes are too large',
      changed(TWO, (view, at) => view.setUint32(at + 24, 99_999, true)),
      /needs a zip file that is whole/,
    ],
    ['with one name twice', twice(), /each file once, found "two called \\"a\.txt\\""/],
    ['with a way out of the folder', zipSync({ '../a.txt': strToU8('x') }), /a zip file that is whole/],
  ])('%s is refused in words', async (_what, bytes, message) => {
    const reading = readAll(bytes);
    await expect(reading).rejects.toBeInstanceOf(InputError);
    await expect(reading).rejects.toThrow(message);
  });

  test('that inflates to more than is allowed is stopped, also when its directory does not say so', async () => {
    const bomb = zipSync({ 'a.bin': new Uint8Array(50_000_000) });
    await expect(readAll(bomb)).rejects.toThrow(/needs at most 1 MB in a\.bin, found "50 MB"/);
    const lying = changed(bomb, (view, at) => view.setUint32(at + 24, 900_000, true));
    const before = process.memoryUsage().rss;
    await expect(readAll(lying)).rejects.toThrow(/a zip file that is whole/);
    expect(process.memoryUsage().rss - before).toBeLessThan(100_000_000);
  });

  test('whatever is changed in it, gives its bytes or is refused in words', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(TWO.length - 1), fc.nat(255)), { minLength: 1, maxLength: 5 }),
        async (changes) => {
          const bytes = Uint8Array.from(TWO);
          for (const [at, value] of changes) bytes[at] = value;
          const found = await readAll(bytes).catch((error: unknown) => error);
          if (found instanceof Error) expect(found).toBeInstanceOf(InputError);
        },
      ),
      { numRuns: 300 },
    );
  });
});

/** A zip with two entries of one name: what the reader would make of it depends on the reader. */
function twice(): Uint8Array {
  const bytes = zipSync({ 'a.txt': strToU8('1'), 'b.txt': strToU8('2') });
  return Uint8Array.from(Buffer.from(bytes).toString('latin1').replaceAll('b.txt', 'a.txt'), (one) =>
    one.charCodeAt(0),
  );
}
