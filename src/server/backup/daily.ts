import { listBackups, removeBackup } from './folder';
import type { BackupSource } from './makeBackup';
import { makeBackup } from './makeBackup';

const DAY_MS = 24 * 60 * 60 * 1000;
const KEPT = 7;

/** Makes the backup of the day if there is none yet, and keeps the last seven. */
export async function backUpDaily(source: BackupSource, now = new Date()): Promise<void> {
  const { dataFolder } = source;
  const [newest] = (await listBackups(dataFolder)).filter(({ automatic }) => automatic);
  if (newest !== undefined && now.getTime() - Date.parse(newest.madeAt) < DAY_MS) return;
  await makeBackup(source, true, now);
  const all = (await listBackups(dataFolder)).filter(({ automatic }) => automatic);
  for (const { name } of all.slice(KEPT)) await removeBackup(dataFolder, name);
}
