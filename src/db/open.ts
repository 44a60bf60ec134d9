import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { noteEmptiedWords } from './bringOver';
import { lockFolder } from './folderLock';
import * as schema from './schema';
import { completeListed } from './templates';

/** Either driver's database; repositories know no more than this. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

export interface OpenDatabase {
  readonly db: Db;
  close(): Promise<void>;
}

const MIGRATIONS = join(process.cwd(), 'src', 'db', 'migrations');

/** Opens the database in a data folder, for this process alone, and brings its tables up to date. */
export async function openDatabase(dataFolder: string): Promise<OpenDatabase> {
  mkdirSync(dataFolder, { recursive: true });
  const unlock = await lockFolder(dataFolder);
  try {
    const path = join(dataFolder, 'database');
    if (!existsSync(path)) await createDatabase(path);
    const { client, db } = await openTables(path);
    await completeListed(db);
    await noteEmptiedWords(db);
    return {
      db,
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
// nothing that the next would take for a database.
async function createDatabase(path: string): Promise<void> {
  const unfinished = `${path}.new`;
  rmSync(unfinished, { recursive: true, force: true });
  const { client } = await openTables(unfinished);
  await client.close();
  renameSync(unfinished, path);
}
