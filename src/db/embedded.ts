import { cpSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder } from './folderLock';
import { MIGRATIONS } from './migrationsFolder';
import type { Db, OpenDatabase } from './open';
import * as schema from './schema';

/** Opens the database in a data folder. Throws FolderInUseError when another process has the folder. */
export async function openEmbedded(dataFolder: string): Promise<OpenDatabase> {
  mkdirSync(dataFolder, { recursive: true });
  const unlock = await lockFolder(dataFolder);
  try {
    const path = join(dataFolder, 'database');
    if (!existsSync(path)) await createDatabase(path);
    const { client, db } = await openTables(path);
    return {
      db,
      runSql: async (text, values = []) => {
        if (values.length > 0) return client.query(text, values);
        const results = await client.exec(text);
        return { rows: results.at(-1)?.rows ?? [] };
      },
      listen: async (channel, heard) => {
        const leave = await client.listen(channel, heard);
        return () => void leave().catch(() => undefined);
      },
      isShared: false,
      close: async () => {
        await client.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

async function openTables(path: string): Promise<{ readonly client: PGlite; readonly db: Db }> {
  const client = await PGlite.create(path);
  const db = drizzle(client, { schema, casing: 'snake_case' });
  await migrate(db, { migrationsFolder: MIGRATIONS });
  return { client, db };
}

// Made under another name and renamed once it is whole, so that a process that is killed while it makes one leaves
// nothing that the next would take for a database. Where an empty one was prepared, as for tests, it starts as a copy.
async function createDatabase(path: string): Promise<void> {
  const unfinished = `${path}.new`;
  rmSync(unfinished, { recursive: true, force: true });
  const prepared = process.env.GILDER_EMPTY_DATABASE ?? '';
  if (prepared !== '') cpSync(prepared, unfinished, { recursive: true });
  const { client } = await openTables(unfinished);
  await client.close();
  renameSync(unfinished, path);
}
