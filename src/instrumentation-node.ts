import { startUpkeep } from '@/server/upkeep';
import { workshop } from '@/server/workshop';

/** Opens the database and the press before the first request; a server without them ends at once. */
export async function start(): Promise<void> {
  try {
    startUpkeep(await workshop());
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  }
}
