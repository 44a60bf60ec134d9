import { backupPath, removeBackup } from '../backup/folder';
import { makeBackup } from '../backup/makeBackup';
import { restoreBackup } from '../backup/restoreBackup';
import { ConflictError } from '../respond';
import { sendFile } from '../sendFile';
import { workshop } from '../workshop';

let busy = false;

/** One backup or restore at a time. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  if (busy) throw new ConflictError('A backup is being made or restored already. Wait until it is done.');
  busy = true;
  try {
    return await work();
  } finally {
    busy = false;
  }
}

/** Makes a backup now; gives its name. */
export function backUp(): Promise<string> {
  return alone(async () => makeBackup(await workshop(), false));
}

/** A backup's file, or a part of it. Throws NotFoundError. */
export async function backupFile(request: Request, name: string): Promise<Response> {
  const { dataFolder } = await workshop();
  return sendFile(request, backupPath(dataFolder, name), {
    mediaType: 'application/x-tar',
    saveAs: name,
    immutable: true,
    gone: `There is no backup "${name}".`,
  });
}

/** Removes a backup. Throws NotFoundError for a name that none can have. */
export async function dropBackup(name: string): Promise<void> {
  await removeBackup((await workshop()).dataFolder, name);
}

/** Puts everything back as a backup has it. What is there now is backed up first; gives the name of that backup. */
export function restore(name: string): Promise<string> {
  return alone(async () => {
    const shop = await workshop();
    const path = backupPath(shop.dataFolder, name);
    const before = await makeBackup(shop, false);
    await restoreBackup(shop, path);
    // What a job was in the middle of then is begun again.
    await shop.press.start();
    shop.news.tell({ kind: 'restored' });
    return before;
  });
}
