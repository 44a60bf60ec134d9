import type { SQL } from 'drizzle-orm';
import { and, eq, inArray, isNotNull, isNull, lt, or, sql } from 'drizzle-orm';
import type { OldFiles } from '@/contract/jobs';
import type { Db } from './open';
import { jobs } from './schema';

const fileBytes = sql`(select coalesce(sum((f->>'bytes')::bigint), 0) from jsonb_array_elements(${jobs.files}) f)`;
const hasFiles = sql`jsonb_array_length(${jobs.files}) > 0`;

/** Jobs with files that were over before a time, but for those whose files are kept. */
const overBefore = (time: Date): SQL | undefined =>
  and(isNotNull(jobs.endedAt), lt(jobs.endedAt, time), eq(jobs.keep, false), hasFiles);

/** The ids of jobs with files that were over before a time, but for those whose files are kept. */
export async function jobsOverBefore(db: Db, time: Date): Promise<readonly string[]> {
  const rows = await db.select({ id: jobs.id }).from(jobs).where(overBefore(time));
  return rows.map(({ id }) => id);
}

/** What those jobs have. */
export async function filesOverBefore(db: Db, time: Date): Promise<OldFiles> {
  const [found] = await db
    .select({
      jobs: sql<number>`count(*)::int`,
      files: sql<number>`coalesce(sum(jsonb_array_length(${jobs.files})), 0)::int`,
      bytes: sql`coalesce(sum(${fileBytes}), 0)`.mapWith(Number),
    })
    .from(jobs)
    .where(overBefore(time));
  return found;
}

/** Takes down that the files of a job are no longer there; false for one that has none, or is not over. */
export async function noteFilesGone(db: Db, id: string): Promise<boolean> {
  const gone = sql`jsonb_build_object('at', ${new Date().toISOString()}::text, 'files', jsonb_array_length(${jobs.files}), 'bytes', ${fileBytes})`;
  const done = await db
    .update(jobs)
    .set({ filesGone: gone, files: [] })
    .where(and(eq(jobs.id, id), isNotNull(jobs.endedAt), hasFiles))
    .returning({ id: jobs.id });
  return done.length > 0;
}

/** Says whether the files of a job are kept however old they get. */
export async function setKeep(db: Db, id: string, keep: boolean): Promise<void> {
  await db.update(jobs).set({ keep }).where(eq(jobs.id, id));
}

/** Those of the given ids whose jobs are there and may have files: none is deleted for good, nor are its files. */
export async function jobsThatKeepFiles(db: Db, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(inArray(jobs.id, [...ids]), or(isNull(jobs.filesGone), isNull(jobs.endedAt))));
  return new Set(rows.map(({ id }) => id));
}
