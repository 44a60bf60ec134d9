import { statfs } from 'node:fs/promises';
import { DiskFullError } from '../respond';

// Left for the database and for what is being rendered.
const KEPT_FREE_BYTES = 256 * 1024 * 1024;

/** The bytes that are free for us where a folder lies. */
export async function freeBytes(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

/** The bytes that may be used where a folder lies, with some left for work; less than none where even that is gone. */
export async function roomBytes(folder: string, free = freeBytes): Promise<number> {
  return (await free(folder)) - KEPT_FREE_BYTES;
}

/** Throws DiskFullError when so many bytes more would leave no room for work. */
export async function refuseWithoutRoom(folder: string, bytes: number, free = freeBytes): Promise<void> {
  const room = await roomBytes(folder, free);
  if (bytes <= room) return;
  const megabytes = (value: number): string => `${Math.max(0, Math.round(value / 1e6))} MB`;
  throw new DiskFullError(
    `There is no room for this: it needs ${megabytes(bytes)}, and ${megabytes(room)} may be used. ` +
      'Make room on the disk, or under House, Room.',
  );
}

/** What is told when the disk fills up while a file comes in. */
export function isDiskFull(error: unknown): boolean {
  return error instanceof Error && Reflect.get(error, 'code') === 'ENOSPC';
}
