import { mkdir, open, readFile, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { nanoid } from 'nanoid';
import { findAssets } from '@/db/assets';
import type { Db } from '@/db/open';

/** Where the file of a picture lies: under the SHA-256 of its bytes, so that it never changes. */
export function picturePath(folder: string, hash: string): string {
  return join(folder, hash.slice(0, 2), hash);
}

/** Keeps a picture's bytes. They are on the disk, under their name, when this resolves. */
export async function keepPicture(folder: string, hash: string, bytes: Uint8Array): Promise<void> {
  const path = picturePath(folder, hash);
  if ((await stat(path).catch(() => null))?.size === bytes.length) return;
  await mkdir(dirname(path), { recursive: true });
  const partial = `${path}.${nanoid(6)}.part`;
  const file = await open(partial, 'wx');
  try {
    await file.writeFile(bytes);
    await file.sync();
  } finally {
    await file.close();
  }
  await rename(partial, path);
}

/** Removes a picture's file. */
export async function dropPicture(folder: string, hash: string): Promise<void> {
  await rm(picturePath(folder, hash), { force: true });
}

/** The bytes of pictures by id; those that are not here are left out. */
export async function readPictures(
  db: Db,
  folder: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Uint8Array>> {
  const read = new Map<string, Uint8Array>();
  for (const { id, hash } of await findAssets(db, ids)) {
    const bytes = await readFile(picturePath(folder, hash)).catch(() => null);
    if (bytes !== null) read.set(id, bytes);
  }
  return read;
}
