// npm run restore -- file.tar folder: puts a backup into a fresh data folder.
import { existsSync, readdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { openDatabase } from '../src/db/open';
import { foldersIn } from '../src/server/dataFolders';
import { restoreBackup } from '../src/server/backup/restoreBackup';

async function run(file: string | undefined, folder: string | undefined): Promise<string> {
  if (file === undefined || folder === undefined)
    throw new Error('Say which: npm run restore -- file.tar folder');
  const dataFolder = resolve(folder);
  if (existsSync(dataFolder) && readdirSync(dataFolder).length > 0)
    throw new Error(`${dataFolder} is not empty. Choose a folder that is, or restore under House, Backups.`);
  const { db, close } = await openDatabase(dataFolder);
  try {
    await restoreBackup({ db, ...foldersIn(dataFolder) }, resolve(file));
  } finally {
    await close();
  }
  return dataFolder;
}

run(process.argv[2], process.argv[3]).then(
  (folder) => console.log(`Restored. Start with it: GILDER_DATA=${folder} ./start`),
  (error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  },
);
