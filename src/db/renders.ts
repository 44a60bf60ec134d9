import { eq } from 'drizzle-orm';
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

/** Remembers that a file was made. */
export async function putRender(db: Db, key: string, made: MadeFile): Promise<void> {
  await db
    .insert(renders)
    .values({ key, ...made })
    .onConflictDoUpdate({ target: renders.key, set: made });
}
