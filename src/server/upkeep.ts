import { backUpDaily } from './backup/daily';
import { clearUnfinished } from './backup/folder';
import { sweepJobFiles, sweepLeftFolders } from './usecases/jobFiles';
import { sweepDeleted } from './usecases/room';
import { clearCopies } from './videos/viewingCopy';
import type { Workshop } from './workshop';

const FIRST_AFTER_MS = 60_000;
const EVERY_MS = 60 * 60 * 1000;

/** What is done without being asked: the backup of the day, the end of what was deleted a month ago, and of files that got old. */
export function startUpkeep(shop: Workshop): void {
  void clearUnfinished(shop.dataFolder);
  void clearCopies(shop.mediaFolder);
  if (process.env.GILDER_UPKEEP === 'off') return;
  const run = async (): Promise<void> => {
    try {
      await sweepDeleted(shop);
      await sweepJobFiles(shop);
      await sweepLeftFolders(shop);
      await backUpDaily(shop);
    } catch (error) {
      console.error('Upkeep:', error instanceof Error ? error.message : error);
    }
  };
  setTimeout(() => void run(), FIRST_AFTER_MS).unref();
  setInterval(() => void run(), EVERY_MS).unref();
}
