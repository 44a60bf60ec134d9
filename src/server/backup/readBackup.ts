import { createHash } from 'node:crypto';
import { list } from 'tar';
import { InputError } from '@/core/kit/inputError';
import type { BackupManifest } from './manifest';
import { parseManifest } from './manifest';

const MANIFEST = 'manifest.json';
const LARGEST_MANIFEST = 64 * 1024 * 1024;

/**
 * Reads a backup from beginning to end and compares every entry with what its manifest says of it. Throws InputError for
 * one that is not whole; gives the manifest.
 */
export async function checkBackup(path: string): Promise<BackupManifest> {
  const found = new Map<string, { bytes: number; sha256: string }>();
  let manifest = '';
  const reading = list({
    file: path,
    strict: true,
    onReadEntry(entry) {
      const hash = createHash('sha256');
      let bytes = 0;
      entry.on('data', (chunk: Buffer) => {
        hash.update(chunk);
        bytes += chunk.length;
        if (entry.path === MANIFEST && bytes <= LARGEST_MANIFEST) manifest += chunk.toString('utf8');
      });
      entry.on('end', () => found.set(entry.path, { bytes, sha256: hash.digest('hex') }));
    },
  });
  await Promise.resolve(reading).catch((error: unknown) => {
    const told = error instanceof Error ? error.message : String(error);
    throw InputError.of('Backup', 'a file that is whole', told.slice(0, 80));
  });
  if (!found.has(MANIFEST)) throw InputError.of('Backup', 'a manifest.json in it', 'none');
  const told = parseManifest(manifest);
  for (const { path: entry, bytes, sha256 } of told.entries) {
    const got = found.get(entry);
    if (got?.bytes !== bytes || got.sha256 !== sha256)
      throw InputError.of(
        `Backup, ${entry}`,
        'the bytes that were kept',
        got === undefined ? 'none' : 'others',
      );
  }
  return told;
}
