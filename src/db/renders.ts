import { desc, eq, inArray } from 'drizzle-orm';
import type { FileFacts } from '@/contract/jobs';
import type { Db } from './open';
import { renders } from './schema';

/** A file that was made, and the job in whose folder it is. */
export interface MadeFile {
  readonly jobId: string;
  readonly facts: FileFacts;
}

/** The file that was made last of what has this key, or undefined. */
export async function findRender(db: Db, key: string): Promise<MadeFile | undefined> {
  const rows = await db
    .select({ jobId: renders.jobId, facts: renders.facts })
    .from(renders)
    .where(eq(renders.key, key));
  return rows[0];
}

/** The file that was made last of one line of files, or undefined. */
export async function findLastOfLine(db: Db, line: string): Promise<MadeFile | undefined> {
  const rows = await db
    .select({ jobId: renders.jobId, facts: renders.facts })
    .from(renders)
    .where(eq(renders.line, line))
    .orderBy(desc(renders.madeAt))
    .limit(1);
  return rows[0];
}

/** What a file that was made is found by. */
export interface RenderKeys {
  readonly key: string;
  readonly line: string | null;
  readonly output: string;
}

/** Remembers that a file was made. */
export async function putRender(db: Db, { key, ...found }: RenderKeys, made: MadeFile): Promise<void> {
  const row = { ...made, ...found, madeAt: new Date() };
  await db
    .insert(renders)
    .values({ key, ...row })
    .onConflictDoUpdate({ target: renders.key, set: row });
}

/** The files of a kind that were made last. */
export async function recentRenders(db: Db, output: string, most: number): Promise<FileFacts[]> {
  const rows = await db
    .select({ facts: renders.facts })
    .from(renders)
    .where(eq(renders.output, output))
    .orderBy(desc(renders.madeAt))
    .limit(most);
  return rows.map(({ facts }) => facts);
}

/** The files that were made last of what has one of these keys, by key. */
export async function findRenders(db: Db, keys: readonly string[]): Promise<ReadonlyMap<string, MadeFile>> {
  if (keys.length === 0) return new Map();
  const rows = await db
    .select({ key: renders.key, jobId: renders.jobId, facts: renders.facts })
    .from(renders)
    .where(inArray(renders.key, [...keys]));
  return new Map(rows.map(({ key, ...made }) => [key, made]));
}
