import { copyFile, link, mkdir, open, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import { create } from 'tar';
import type { Db } from '@/db/open';
import type { TableName } from '@/db/tables';
import { readRows } from '@/db/tables';
import { picturePath } from '../pictures/pictureFiles';
import { mediaFileName } from '../mediaFiles';
import type { DataFolders } from '../dataFolders';
import { hashFile } from '../hashFile';
import { freeBytes, refuseWithoutRoom } from '../incoming/disk';
import { backupName, backupPath, backupsFolder, inWorkFolder } from './folder';
import type { BackupManifest } from './manifest';
import { BACKUP_VERSION } from './manifest';
import { checkBackup } from './readBackup';

export interface BackupSource extends Pick<DataFolders, 'dataFolder' | 'mediaFolder' | 'pictureFolder'> {
  readonly db: Db;
}

// What changes together is read at one moment; what never changes once it is there may be read after it, bit by bit.
const TOGETHER: readonly TableName[] = [
  'facts',
  'house',
  'media',
  'templates',
  'projects',
  'clips',
  'titles',
  'cues',
];
const AFTERWARDS: readonly TableName[] = ['editions', 'assets', 'fonts', 'jobs', 'handed_files'];

/**
 * Writes everything that is kept (documents, pictures, fonts, videos, the list of jobs
 * and that of delivered files, not the rendered files) to one file
 * while work goes on, reads it back, and gives its name. A file that does not read back is not kept.
 */
export async function makeBackup(
  source: BackupSource,
  automatic: boolean,
  now = new Date(),
): Promise<string> {
  const { dataFolder } = source;
  const name = backupName(dataFolder, now, automatic);
  await mkdir(backupsFolder(dataFolder), { recursive: true });
  return inWorkFolder(dataFolder, nanoid(8), async (folder) => {
    const manifest = await writeParts(source, folder, now);
    await writeFile(join(folder, 'manifest.json'), JSON.stringify(manifest, null, 1));
    const partial = `${backupPath(dataFolder, name)}.part`;
    const total = manifest.entries.reduce((sum, { bytes }) => sum + bytes, 0);
    await refuseWithoutRoom(dataFolder, total, freeBytes);
    try {
      const names = ['manifest.json', ...manifest.entries.map(({ path }) => path)];
      await create({ file: partial, cwd: folder, portable: true }, names);
      await syncFile(partial);
      await checkBackup(partial);
      await rename(partial, backupPath(dataFolder, name));
    } finally {
      await rm(partial, { force: true });
    }
    return name;
  });
}

async function writeParts(
  { db, mediaFolder, pictureFolder }: BackupSource,
  folder: string,
  now: Date,
): Promise<BackupManifest> {
  for (const part of ['tables', 'pictures', 'fonts', 'videos']) await mkdir(join(folder, part));
  const paths: string[] = [];
  const files: { readonly from: string; readonly path: string }[] = [];
  const writeTable = async (from: Pick<Db, 'select'>, table: TableName): Promise<void> => {
    const path = `tables/${table}.ndjson`;
    const file = await open(join(folder, path), 'w');
    for await (const row of readRows(from, table)) {
      await file.write(`${JSON.stringify(row)}\n`);
      const [id, hash] = [String(row.id), String(row.hash)];
      if (table === 'media')
        files.push({ from: join(mediaFolder, mediaFileName(id)), path: `videos/${mediaFileName(id)}` });
      if (table === 'assets')
        files.push({ from: picturePath(pictureFolder, hash), path: `pictures/${hash}` });
      if (table === 'fonts') files.push({ from: picturePath(pictureFolder, id), path: `fonts/${id}` });
    }
    await file.close();
    paths.push(path);
  };
  await db.transaction(async (tx) => {
    for (const table of TOGETHER) await writeTable(tx, table);
  });
  for (const table of AFTERWARDS) await writeTable(db, table);
  for (const { from, path } of files) {
    if (await linkOrCopy(from, join(folder, path))) paths.push(path);
  }
  const entries = [];
  for (const path of paths.toSorted()) entries.push(await describe(folder, path));
  return { kind: 'gilder-backup', version: BACKUP_VERSION, madeAt: now.toISOString(), entries };
}

/** A picture or a video never changes, so its file is not written twice where the disk can hold one file under two names. */
async function linkOrCopy(from: string, to: string): Promise<boolean> {
  try {
    await link(from, to).catch(() => copyFile(from, to));
    return true;
  } catch {
    // What somebody took out of the folder is missing before and after.
    return false;
  }
}

async function describe(folder: string, path: string): Promise<BackupManifest['entries'][number]> {
  const file = join(folder, path);
  return { path, bytes: (await stat(file)).size, sha256: await hashFile(file) };
}

async function syncFile(path: string): Promise<void> {
  const file = await open(path, 'r+');
  await file.sync();
  await file.close();
}
