import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Handover } from '@/contract/jobs';
import type { Db } from './open';
import { handedFiles, jobs } from './schema';

/** A file that was put into the folder of delivery, by its path from there. */
export interface HandedFile {
  readonly path: string;
  readonly sha256: string;
  /** What it is made of: only what is made of the same takes its place. */
  readonly origin: string;
}

/** The jobs that are over and whose files are to be put into the folder of delivery, the oldest first. */
export async function dueHandovers(db: Db): Promise<readonly string[]> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(
      and(
        isNotNull(jobs.endedAt),
        inArray(jobs.status, ['done', 'failed']),
        isNull(jobs.away),
        sql`handover->>'status' = 'waiting'`,
      ),
    )
    .orderBy(asc(jobs.endedAt));
  return rows.map(({ id }) => id);
}

/** Takes down how far a job's files are on their way to the folder of delivery; one that has no such way stays so. */
export async function noteHandover(
  db: Db,
  jobId: string,
  change: Partial<Omit<Handover, 'folder'>>,
): Promise<void> {
  await db
    .update(jobs)
    .set({ handover: sql`handover || ${JSON.stringify(change)}::jsonb` })
    .where(and(eq(jobs.id, jobId), isNotNull(jobs.handover)));
}

/** The file that was put at a path, or undefined. */
export async function findHanded(db: Db, path: string): Promise<HandedFile | undefined> {
  const [row] = await db.select().from(handedFiles).where(eq(handedFiles.path, path));
  return row;
}

/** Remembers that a file was put at a path. */
export async function putHanded(db: Db, { path, ...row }: HandedFile): Promise<void> {
  await db
    .insert(handedFiles)
    .values({ path, ...row })
    .onConflictDoUpdate({ target: handedFiles.path, set: row });
}
