import { asc, desc, eq, inArray } from 'drizzle-orm';
import type { JobState } from '@/contract/jobs';
import type { Db } from './open';
import type { JobPayload } from './schema';
import { jobs } from './schema';

/** A job with all that it was ordered to do. */
export interface JobRecord extends JobState {
  readonly payload: JobPayload;
}

type JobRow = typeof jobs.$inferSelect;

function rowToJob(row: JobRow): JobRecord {
  return {
    ...row,
    createdAt: row.createdAt.toISOString(),
    startedAt: row.startedAt?.toISOString() ?? null,
    endedAt: row.endedAt?.toISOString() ?? null,
  };
}

/** The last hundred jobs, the newest first. */
export async function listJobs(db: Db): Promise<JobRecord[]> {
  const rows = await db.select().from(jobs).orderBy(desc(jobs.createdAt)).limit(100);
  return rows.map(rowToJob);
}

/** A job, or undefined. */
export async function findJob(db: Db, id: string): Promise<JobRecord | undefined> {
  const rows = await db.select().from(jobs).where(eq(jobs.id, id));
  return rows.map(rowToJob)[0];
}

/** Puts a job at the end of the queue. */
export async function insertJob(db: Db, id: string, payload: JobPayload, totalFrames: number): Promise<void> {
  const progress = { doneFrames: 0, totalFrames, paintedFrames: 0 };
  await db.insert(jobs).values({ id, status: 'queued', payload, progress, files: [], error: null });
}

/** The job that waits longest, or undefined. */
export async function nextQueuedJob(db: Db): Promise<JobRecord | undefined> {
  const rows = await db
    .select()
    .from(jobs)
    .where(eq(jobs.status, 'queued'))
    .orderBy(asc(jobs.createdAt))
    .limit(1);
  return rows.map(rowToJob)[0];
}

/** Changes some of a job's columns. */
export async function updateJob(
  db: Db,
  id: string,
  change: Partial<Pick<JobRow, 'status' | 'progress' | 'files' | 'error' | 'startedAt' | 'endedAt'>>,
): Promise<void> {
  await db.update(jobs).set(change).where(eq(jobs.id, id));
}

/** Queues again what was running when the last process ended. Files that were finished stay finished. */
export async function requeueInterrupted(db: Db): Promise<void> {
  await db
    .update(jobs)
    .set({ status: 'queued' })
    .where(inArray(jobs.status, ['running']));
}
