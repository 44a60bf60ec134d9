import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';

interface Holder {
  readonly pid: number;
  /** When the process started, in clock ticks since boot; tells a reused pid from the same process. */
  readonly started: string;
}

/** The data folder is in use by another running process. */
export class FolderInUseError extends Error {
  override readonly name = 'FolderInUseError';

  constructor(folder: string, pid: number) {
    super(
      `The data folder ${folder} is in use by another Gilder (process ${pid}). ` +
        'Stop that one first, or set GILDER_DATA to another folder: two on one folder would lose work.',
    );
  }
}

/**
 * Takes the data folder for this process alone. A lock left by a process that is gone is taken over.
 * Returns the function that gives it back. Throws FolderInUseError when a running process holds it.
 */
export function lockFolder(folder: string): () => void {
  const path = join(folder, 'gilder.lock');
  const mine = JSON.stringify({ pid: process.pid, started: startOf(process.pid) });
  for (let attempt = 0; attempt < 5; attempt++) {
    if (createExclusively(path, mine)) return () => release(path, mine);
    const holder = readHolder(path);
    if (holder !== null && holder.started !== '' && startOf(holder.pid) === holder.started) {
      throw new FolderInUseError(folder, holder.pid);
    }
    setAside(path);
  }
  throw new Error(`The lock file ${path} could not be taken`);
}

function createExclusively(path: string, content: string): boolean {
  try {
    writeFileSync(path, content, { flag: 'wx' });
    return true;
  } catch (error) {
    if (typeof error === 'object' && error !== null && Reflect.get(error, 'code') === 'EEXIST') return false;
    throw error;
  }
}

// Renaming is atomic: of two processes that find the same stale lock only one gets it.
function setAside(path: string): void {
  const aside = `${path}.${nanoid(6)}`;
  try {
    renameSync(path, aside);
    rmSync(aside, { force: true });
  } catch {
    // Someone else was faster; the next attempt finds out who.
  }
}

function release(path: string, mine: string): void {
  try {
    if (readFileSync(path, 'utf8') === mine) rmSync(path);
  } catch {
    // Already gone: nothing is held.
  }
}

function readHolder(path: string): Holder | null {
  try {
    const value: unknown = JSON.parse(readFileSync(path, 'utf8'));
    if (typeof value !== 'object' || value === null) return null;
    const pid: unknown = Reflect.get(value, 'pid');
    const started: unknown = Reflect.get(value, 'started');
    return typeof pid === 'number' && typeof started === 'string' ? { pid, started } : null;
  } catch {
    return null;
  }
}

/** Start time of a running process from /proc; an empty string when there is no such process. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The command name may hold spaces, so fields are counted from its closing bracket.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}
