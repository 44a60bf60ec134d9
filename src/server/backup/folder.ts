import { existsSync } from 'node:fs';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupFacts } from '@/contract/room';
import { NotFoundError } from '../respond';

/** The folder of backups in a data folder. */
export const backupsFolder = (dataFolder: string): string => join(dataFolder, 'backups');

const NAME = /^gilder-(daily|backup)-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z\.tar$/;

/** A name for a backup that is made at a time, which none in the folder has: two in one second are told apart. */
export function backupName(dataFolder: string, time: Date, automatic: boolean): string {
  const [stamp] = time.toISOString().replaceAll(':', '-').split('.');
  const name = `gilder-${automatic ? 'daily' : 'backup'}-${stamp}Z.tar`;
  if (!existsSync(join(backupsFolder(dataFolder), name))) return name;
  return backupName(dataFolder, new Date(time.getTime() + 1000), automatic);
}

/** When a backup was made, by its name: a file that is copied keeps it. */
function momentOf(name: string): string {
  const [, , day, hour, minute, second] = NAME.exec(name) ?? [];
  return `${day}T${hour}:${minute}:${second}.000Z`;
}

/** The backups of a data folder, the newest first. */
export async function listBackups(dataFolder: string): Promise<BackupFacts[]> {
  const folder = backupsFolder(dataFolder);
  const names = await readdir(folder).catch(() => []);
  const found = await Promise.all(
    names
      .filter((name) => NAME.test(name))
      .map(async (name) => {
        const { size } = await stat(join(folder, name));
        return { name, bytes: size, madeAt: momentOf(name), automatic: name.includes('-daily-') };
      }),
  );
  return found.sort((a, b) => b.madeAt.localeCompare(a.madeAt));
}

/** The path of a backup. Throws NotFoundError for a name that none can have. */
export function backupPath(dataFolder: string, name: string): string {
  if (!NAME.test(name)) throw new NotFoundError(`There is no backup "${name.slice(0, 80)}".`);
  return join(backupsFolder(dataFolder), name);
}

/** Removes a backup. */
export async function removeBackup(dataFolder: string, name: string): Promise<void> {
  await rm(backupPath(dataFolder, name), { force: true });
}

/** Runs work in a folder of its own among the backups, which is removed afterwards. */
export async function inWorkFolder<T>(
  dataFolder: string,
  id: string,
  work: (folder: string) => Promise<T>,
): Promise<T> {
  const folder = join(backupsFolder(dataFolder), `.work-${id}`);
  await mkdir(folder, { recursive: true });
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Removes what a process that was killed left of a backup. */
export async function clearUnfinished(dataFolder: string): Promise<void> {
  const folder = backupsFolder(dataFolder);
  for (const name of await readdir(folder).catch(() => [])) {
    if (name.startsWith('.work-') || name.endsWith('.part'))
      await rm(join(folder, name), { recursive: true, force: true });
  }
}
