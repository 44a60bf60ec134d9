import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { nameKnownColours, noteEmptiedWords } from './bringOver';
import { openEmbedded } from './embedded';
import { openServer } from './server';
import type * as schema from './schema';
import { completeListed } from './templates';

/** Either driver's database; repositories know no more than this. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

/**
 * Something that processes tell one another by the database: a job changed, a job was halted, or titles wait to be
 * made. Every machine hears what it listens to, so none listens to how far the others are.
 */
export type Channel = 'gilder_jobs' | 'gilder_halted' | 'gilder_titles';

export interface OpenDatabase {
  readonly db: Db;
  /** Runs a statement with its values, or several statements without any. */
  runSql(text: string, values?: unknown[]): Promise<{ readonly rows: Record<string, unknown>[] }>;
  /** Calls back with what is told on a channel, by whichever process, until the returned function is called. */
  listen(channel: Channel, heard: (told: string) => void): Promise<() => void>;
  /** Whether other processes may be at work on it. */
  readonly isShared: boolean;
  close(): Promise<void>;
}

/**
 * Opens the application's database for this process alone, and brings its tables up to date: the one in a data folder,
 * or the server's that `DATABASE_URL` names.
 */
export async function openDatabase(dataFolder: string): Promise<OpenDatabase> {
  const url = process.env.DATABASE_URL ?? '';
  const open = url === '' ? await openEmbedded(dataFolder) : await openServer(url, { alone: dataFolder });
  try {
    await completeListed(open.db);
    await noteEmptiedWords(open.db);
    await nameKnownColours(open.db);
    return open;
  } catch (error) {
    await open.close();
    throw error;
  }
}
