import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder } from './folderLock';
import * as schema from './schema';

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
  const unlock = lockFolder(dataFolder);
  try {
    const client = await PGlite.create(join(dataFolder, 'database'));
    const db = drizzle(client, { schema, casing: 'snake_case' });
    await migrate(db, { migrationsFolder: MIGRATIONS });
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
