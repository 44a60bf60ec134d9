import { and, asc, desc, eq, getTableColumns, inArray, isNull, lt, notInArray, or, sql } from 'drizzle-orm';
import type { JobState, JobSummary } from '@/contract/jobs';
import type { Db } from './open';
import type { JobPayload } from './schema';
import { jobs } from './schema';

/** A job with all that it was ordered to do. */
export interface JobRecord extends JobState {
  readonly payload: JobPayload;
}

const {
  payload: _,
  away: _away,
  awayAt: _awayAt,
  clientId: _clientId,
  clientKey: _clientKey,
  orderHash: _orderHash,
  ...summaryColumns
} = getTableColumns(jobs);

/** Who ordered a job, and what they call it. */
export interface ClientOrder {
  readonly clientId: string;
  readonly clientKey: string | null;
  readonly orderHash: string;
}

interface Times {
  readonly createdAt: Date;
  readonly startedAt: Date | null;
  readonly endedAt: Date | null;
}

function withTimes<T extends Times>(
  row: T,
): Omit<T, keyof Times> & Pick<JobState, 'createdAt' | 'startedAt' | 'endedAt'> {
  return {
    ...row,
    createdAt: row.createdAt.toISOString(),
    startedAt: row.startedAt?.toISOString() ?? null,
    endedAt: row.endedAt?.toISOString() ?? null,
  };
}

/** A page of jobs, the newest first: those that came before one of them, or the newest. */
export async function listJobs(db: Db, most: number, beforeId?: string): Promise<JobSummary[]> {
  const [before] =
    beforeId === undefined
      ? []
      : await db.select({ id: jobs.id, createdAt: jobs.createdAt }).from(jobs).where(eq(jobs.id, beforeId));
  const older =
    before === undefined
      ? undefined
      : or(
          lt(jobs.createdAt, before.createdAt),
          and(eq(jobs.createdAt, before.createdAt), lt(jobs.id, before.id)),
        );
  const rows = await db
    .select(summaryColumns)
    .from(jobs)
    .where(and(isNull(jobs.away), older))
    .orderBy(desc(jobs.createdAt), desc(jobs.id))
    .limit(most);
  return rows.map(withTimes);
}

/** What is told of a job, or undefined; without the documents that are rendered. */
export async function findJob(db: Db, id: string): Promise<JobSummary | undefined> {
  const rows = await db.select(summaryColumns).from(jobs).where(eq(jobs.id, id));
  return rows.map(withTimes)[0];
}

/** A job of a client; undefined for one that is not its own. */
export async function findClientJob(db: Db, clientId: string, id: string): Promise<JobSummary | undefined> {
  const own = and(eq(jobs.id, id), eq(jobs.clientId, clientId));
  return (await db.select(summaryColumns).from(jobs).where(own)).map(withTimes)[0];
}

/** The job that a client ordered under a key of its own, with the hash of what it asked for; undefined for none. */
export async function findByClientKey(
  db: Db,
  clientId: string,
  clientKey: string,
): Promise<{ readonly id: string; readonly orderHash: string | null } | undefined> {
  const own = and(eq(jobs.clientId, clientId), eq(jobs.clientKey, clientKey));
  return (await db.select({ id: jobs.id, orderHash: jobs.orderHash }).from(jobs).where(own))[0];
}

/** What a job was ordered to do, or undefined. */
export async function findPayload(db: Db, id: string): Promise<JobPayload | undefined> {
  return (await db.select({ payload: jobs.payload }).from(jobs).where(eq(jobs.id, id)))[0]?.payload;
}

/** Puts a job at the end of the queue. */
export async function insertJob(
  db: Db,
  id: string,
  payload: JobPayload,
  totalFrames: number,
  papers: readonly string[] = [],
  client: ClientOrder | null = null,
): Promise<void> {
  const { name, output, format, rate, titles } = payload;
  const progress = { doneFrames: 0, totalFrames, paintedFrames: 0 };
  const listed = { name, output, format, rate, titleCount: titles.length, papers };
  await db
    .insert(jobs)
    .values({ id, status: 'queued', payload, ...listed, ...client, progress, files: [], error: null });
}

/** The most urgent of the jobs that wait, of equals the one that waits longest; or undefined. `except`: ids to pass over. */
export async function nextQueuedJob(db: Db, except: readonly string[] = []): Promise<JobRecord | undefined> {
  const rows = await db
    .select()
    .from(jobs)
    .where(and(eq(jobs.status, 'queued'), notInArray(jobs.id, [...except])))
    .orderBy(desc(jobs.priority), asc(jobs.createdAt))
    .limit(1);
  return rows.map(withTimes)[0];
}

/** Marks a job as running; false for one that does not wait any more. */
export async function startJob(db: Db, id: string): Promise<boolean> {
  const waiting = and(eq(jobs.id, id), eq(jobs.status, 'queued'));
  const started = await db
    .update(jobs)
    .set({ status: 'running', startedAt: new Date() })
    .where(waiting)
    .returning({ id: jobs.id });
  return started.length > 0;
}

/** Makes a job more urgent than all others that are not over. */
export async function putFirst(db: Db, id: string): Promise<void> {
  const most = sql<number>`(select coalesce(max(priority), 0) + 1 from jobs where ended_at is null)`;
  await db.update(jobs).set({ priority: most }).where(eq(jobs.id, id));
}

/** Changes some of a job's columns. */
export async function updateJob(
  db: Db,
  id: string,
  change: Partial<
    Pick<
      typeof jobs.$inferSelect,
      'status' | 'progress' | 'files' | 'failures' | 'error' | 'startedAt' | 'endedAt'
    >
  >,
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
