import { mkdirSync } from 'node:fs';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import type { QueryResult } from 'pg';
import { Client, Pool } from 'pg';
import { lockFolder } from './folderLock';
import { MIGRATIONS } from './migrationsFolder';
import type { OpenDatabase } from './open';
import * as schema from './schema';
import { ServerNews } from './serverNews';

/** The database on a PostgreSQL server is in use by another application. */
class DatabaseInUseError extends Error {
  override readonly name = 'DatabaseInUseError';
}

// Numbers of our own for advisory locks: "gild".
const MIGRATION_LOCK = 0x67696c64;
const APPLICATION_LOCK = MIGRATION_LOCK + 1;
// Besides the one that hears; there may be many machines, and a server has a hundred connections by default.
const MOST_CONNECTIONS = { application: 8, machine: 2 };

interface ServerOptions {
  /** For the application, which is the only one on a database: its data folder. Press machines leave it out. */
  readonly alone?: string;
}

/**
 * Opens a database on a PostgreSQL server and brings its tables up to date. Throws DatabaseInUseError, or
 * FolderInUseError, when it is to be alone and another has the database or the data folder.
 */
export async function openServer(url: string, { alone }: ServerOptions = {}): Promise<OpenDatabase> {
  if (alone !== undefined) mkdirSync(alone, { recursive: true });
  const unlock = alone === undefined ? () => undefined : await lockFolder(alone);
  const max = alone === undefined ? MOST_CONNECTIONS.machine : MOST_CONNECTIONS.application;
  const pool = new Pool({ connectionString: url, max });
  // What broke is told to whoever asks next; without this, an idle connection that breaks would end the process.
  pool.on('error', () => undefined);
  const news = new ServerNews(url, alone === undefined ? null : lockDatabase);
  const close = async (): Promise<void> => {
    await news.close();
    await pool.end();
    unlock();
  };
  try {
    await news.open();
    await bringUpToDate(url);
    return {
      db: drizzle(pool, { schema, casing: 'snake_case' }),
      runSql: async (text, values) => {
        // Of several statements it gives the results of each.
        const results: QueryResult | QueryResult[] = await pool.query(text, values);
        return { rows: (Array.isArray(results) ? results.at(-1) : results)?.rows ?? [] };
      },
      listen: (channel, heard) => news.listen(channel, heard),
      isShared: true,
      close,
    };
  } catch (error) {
    await close();
    throw error;
  }
}

async function lockDatabase(client: Client): Promise<void> {
  const { rows } = await client.query('select pg_try_advisory_lock($1) as held', [APPLICATION_LOCK]);
  if (rows[0].held !== true)
    throw new DatabaseInUseError(
      'The database that DATABASE_URL names is in use by another Gilder. Stop that one first, or name another database; press machines join with ./press-worker.',
    );
}

/** One process at a time, however many start at once. */
async function bringUpToDate(url: string): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await migrate(drizzle(client, { schema, casing: 'snake_case' }), { migrationsFolder: MIGRATIONS });
  } finally {
    await client.end();
  }
}
