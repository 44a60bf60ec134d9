// npm run backup: one file with everything that is kept. A Gilder that runs makes it; else it is made here.
import { join } from 'node:path';
import { FolderInUseError } from '../src/db/folderLock';
import { openDatabase } from '../src/db/open';
import { foldersIn } from '../src/server/dataFolders';
import { backupPath } from '../src/server/backup/folder';
import { makeBackup } from '../src/server/backup/makeBackup';

const dataFolder = process.env.GILDER_DATA ?? join(process.cwd(), 'data');

async function askRunning(url: string): Promise<string> {
  const response = await fetch(`${url}/api/backups`, { method: 'POST' });
  const answer: { name?: string; message?: string } = await response.json();
  if (answer.name === undefined) throw new Error(answer.message ?? 'The backup was not made.');
  return answer.name;
}

async function run(): Promise<string> {
  try {
    const { db, close } = await openDatabase(dataFolder);
    try {
      return await makeBackup({ db, ...foldersIn(dataFolder) }, false);
    } finally {
      await close();
    }
  } catch (error) {
    if (error instanceof FolderInUseError && error.url !== null) return askRunning(error.url);
    throw error;
  }
}

run().then(
  (name) => console.log(`Backed up to ${backupPath(dataFolder, name)}`),
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  },
);
