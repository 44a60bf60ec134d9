import { readFileSync, realpathSync, rmSync, statSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:net';
import { createServer } from 'node:net';
import { join } from 'node:path';

/** The data folder is in use by another running process. */
export class FolderInUseError extends Error {
  override readonly name = 'FolderInUseError';

  constructor(
    folder: string,
    /** Where the other one answers, if it says so. */
    readonly url: string | null,
  ) {
    const where = url === null ? '' : ` at ${url}`;
    super(
      `The data folder ${folder} is in use by another Gilder${where}. ` +
        'Stop that one first, or set GILDER_DATA to another folder: two on one folder would lose work.',
    );
  }
}

/**
 * Takes the data folder for this process alone, and gives the function that gives it back. The lock is a socket that the
 * kernel names after the folder and takes away when the process ends, however it ends: it cannot be stale, and only one
 * process can have it (unix(7), abstract sockets). Throws FolderInUseError when another process has it.
 */
export async function lockFolder(folder: string): Promise<() => void> {
  const { dev, ino } = statSync(realpathSync(folder));
  const held = await listen(`\0gilder-folder-${dev}-${ino}`);
  const told = join(folder, 'gilder.lock');
  if (held === null) throw new FolderInUseError(folder, readUrl(told));
  // For people and for commands that want to ask the one that runs; it locks nothing.
  writeFileSync(told, JSON.stringify({ pid: process.pid, url: process.env.GILDER_URL ?? null }));
  return () => {
    rmSync(told, { force: true });
    held.close();
  };
}

function listen(name: string): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.destroy());
    server.once('error', (error) =>
      Reflect.get(error, 'code') === 'EADDRINUSE' ? resolve(null) : reject(error),
    );
    server.listen({ path: name, exclusive: true }, () => resolve(server.unref()));
  });
}

function readUrl(path: string): string | null {
  try {
    const url: unknown = Reflect.get(Object(JSON.parse(readFileSync(path, 'utf8'))), 'url');
    return typeof url === 'string' ? url : null;
  } catch {
    return null;
  }
}
