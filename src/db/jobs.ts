import { and, asc, desc, eq, getTableColumns, inArray, isNull, lt, notExists, or, sql } from 'drizzle-orm';
import type { FileFacts, Handover, JobProgress, JobSummary } from '@/contract/jobs';
import type { Db } from './open';
import type { JobContent, JobPayload } from './schema';
import { callbacks, jobs, runs } from './schema';

const {
  payload: _,
  away: _away,
  awayAt: _awayAt,
  clientId: _clientId,
  clientKey: _clientKey,
  orderHash: _orderHash,
  ...ownColumns
} = getTableColumns(jobs);

const summaryColumns = {
  ...ownColumns,
  /** With what is done of the titles that are being made. */
  progress: sql<JobProgress>`(
    select jsonb_build_object(
      'totalFrames', (jobs.progress->>'totalFrames')::int,
      'doneFrames', (jobs.progress->>'doneFrames')::int + coalesce(sum(done_frames), 0),
      'paintedFrames', (jobs.progress->>'paintedFrames')::int + coalesce(sum(painted_frames), 0)
    ) from runs where job_id = jobs.id
  )`,
};

/** Who ordered a job, and what they call it. */
export interface ClientOrder {
  readonly clientId: string;
  readonly clientKey: string | null;
  readonly orderHash: string;
  /** What is told when it is over; null for nothing. */
  readonly callback: string | null;
}

interface Times {
  readonly createdAt: Date;
  readonly startedAt: Date | null;
  readonly endedAt: Date | null;
}

function withTimes<T extends Times>(
  row: T,
): Omit<T, keyof Times> & Pick<JobSummary, 'createdAt' | 'startedAt' | 'endedAt'> {
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

/** One of a job's titles, with what is ordered of all of them but without the others, and which files there are. */
export interface TitleOfJob {
  readonly payload: JobPayload;
  readonly title: JobContent;
  readonly fileNames: readonly string[];
}

/** One of a job's titles by its place in it; or undefined. */
export async function findJobTitle(db: Db, id: string, index: number): Promise<TitleOfJob | undefined> {
  const [row] = await db
    .select({
      payload: sql<Omit<JobPayload, 'titles'>>`payload - 'titles' - 'papers'`,
      title: sql<JobContent | null>`payload->'titles'->${index}::int`,
      fileNames: sql<readonly string[]>`jsonb_path_query_array(files, '$[*].name')`,
    })
    .from(jobs)
    .where(eq(jobs.id, id));
  if (row === undefined || row.title === null) return undefined;
  return { ...row, payload: { ...row.payload, titles: [] }, title: row.title };
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
  const handover: Handover | null =
    payload.folder === undefined
      ? null
      : { folder: payload.folder, status: 'waiting', files: 0, error: null, at: null };
  const listed = { name, output, format, rate, titleCount: titles.length, papers, handover };
  const { callback = null, ...ordered } = client ?? {};
  await db.transaction(async (tx) => {
    await tx
      .insert(jobs)
      .values({ id, status: 'queued', payload, ...listed, ...ordered, progress, files: [], error: null });
    if (callback !== null) await tx.insert(callbacks).values({ jobId: id, url: callback });
  });
}

/** Makes a job more urgent than all others that are not over; gives how urgent it is. */
export async function putFirst(db: Db, id: string): Promise<number> {
  const most = sql<number>`(select coalesce(max(priority), 0) + 1 from jobs where ended_at is null)`;
  const changed = await db
    .update(jobs)
    .set({ priority: most })
    .where(eq(jobs.id, id))
    .returning({ priority: jobs.priority });
  return changed[0]?.priority ?? 0;
}

/** Changes some of a job's columns. */
export async function updateJob(
  db: Db,
  id: string,
  change: Partial<
    Pick<
      typeof jobs.$inferSelect,
      'status' | 'progress' | 'files' | 'failures' | 'error' | 'startedAt' | 'endedAt' | 'filesGone'
    >
  >,
): Promise<void> {
  await db.update(jobs).set(change).where(eq(jobs.id, id));
}

/** What is to be put in the queue of a job. */
export interface UnfinishedJob {
  readonly id: string;
  readonly priority: number;
  readonly payload: JobPayload;
  readonly files: readonly FileFacts[];
}

const unfinishedColumns = {
  id: jobs.id,
  priority: jobs.priority,
  payload: jobs.payload,
  files: jobs.files,
};

/** A job with what it was ordered to do, or undefined. */
export async function findUnfinished(db: Db, id: string): Promise<UnfinishedJob | undefined> {
  return (await db.select(unfinishedColumns).from(jobs).where(eq(jobs.id, id)))[0];
}

/** The ids of jobs that wait or run, the oldest first; of those that nobody is at work on it is said that they wait. */
export async function unfinishedJobs(db: Db): Promise<readonly string[]> {
  const atWork = db.select({ id: runs.id }).from(runs).where(eq(runs.jobId, jobs.id));
  await db
    .update(jobs)
    .set({ status: 'queued' })
    .where(and(eq(jobs.status, 'running'), notExists(atWork)));
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .where(inArray(jobs.status, ['queued', 'running']))
    .orderBy(asc(jobs.createdAt), asc(jobs.id));
  return rows.map(({ id }) => id);
}
