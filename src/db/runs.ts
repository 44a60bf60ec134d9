import { and, eq, gt, inArray, lt, sql } from 'drizzle-orm';
import type { FileFacts, JobFailure, JobStatus } from '@/contract/jobs';
import type { Channel, Db } from './open';
import { jobs, machines, runs } from './schema';

/** How long nobody need hear of a machine before it is taken for gone. */
const GONE_AFTER = sql`interval '15 seconds'`;

/** A process that makes titles. */
export interface Machine {
  readonly id: string;
  readonly name: string;
  readonly lanes: number;
}

/** One try of making a title: its task, its job, who tries. */
export interface Run {
  readonly id: string;
  readonly token: string;
  readonly jobId: string;
  readonly machineId: string;
}

/** What came of a title: its file, which stands for so many frames, or why there is none. */
export type RunOutcome =
  { readonly file: FileFacts; readonly frames: number } | { readonly failure: JobFailure };

/** Tells all processes that have this database open. */
export async function tellAll(db: Db, channel: Channel, told: string): Promise<void> {
  await db.execute(sql`select pg_notify(${channel}, ${told})`);
}

/** Says that a machine is there. */
export async function sayThere(db: Db, machine: Machine): Promise<void> {
  const seenAt = sql`now()`;
  await db
    .insert(machines)
    .values({ ...machine, seenAt })
    .onConflictDoUpdate({ target: machines.id, set: { seenAt } });
}

/** Says that a machine goes; what it was at is nobody's now. */
export async function sayGone(db: Db, machineId: string): Promise<void> {
  await db.delete(machines).where(eq(machines.id, machineId));
}

/** The machines that are there. */
export function machinesThere(db: Db): Promise<Machine[]> {
  return db
    .select({ id: machines.id, name: machines.name, lanes: machines.lanes })
    .from(machines)
    .where(gt(machines.seenAt, sql`now() - ${GONE_AFTER}`))
    .orderBy(machines.name, machines.id);
}

/** Takes machines that went without a word for gone, or all; gives what they were at, which is nobody's now. */
export async function dropGone(db: Db, which: 'silent' | 'all' = 'silent'): Promise<Run[]> {
  const silent = which === 'all' ? undefined : lt(machines.seenAt, sql`now() - ${GONE_AFTER}`);
  return db.transaction(async (tx) => {
    const gone = await tx.select({ id: machines.id }).from(machines).where(silent).for('update');
    if (gone.length === 0) return [];
    const ids = gone.map(({ id }) => id);
    const lost = await tx.delete(runs).where(inArray(runs.machineId, ids)).returning(runColumns);
    await tx.delete(machines).where(inArray(machines.id, ids));
    return lost;
  });
}

const runColumns = { id: runs.id, token: runs.token, jobId: runs.jobId, machineId: runs.machineId };

/** Whether a title was begun, was not since somebody else is at it or its job is halted, or belongs to no job. */
export type Begun = 'begun' | 'not now' | 'no job';

/** Begins to make a title. */
export function beginRun(db: Db, run: Run): Promise<Begun> {
  return db.transaction(async (tx) => {
    const own = eq(jobs.id, run.jobId);
    const [job] = await tx.select({ status: jobs.status }).from(jobs).where(own).for('update');
    if (job === undefined) return 'no job';
    if (job.status !== 'queued' && job.status !== 'running') return 'not now';
    const begun = await tx.insert(runs).values(run).onConflictDoNothing().returning({ id: runs.id });
    if (begun.length === 0) return 'not now';
    if (job.status === 'queued')
      await tx.update(jobs).set({ status: 'running', startedAt: new Date() }).where(own);
    return 'begun';
  });
}

/** Says how far a title is; false where it is not this machine's any more. */
export async function reportRun(
  db: Db,
  { id, token }: Run,
  frames: { readonly doneFrames: number; readonly paintedFrames: number },
): Promise<boolean> {
  const own = and(eq(runs.id, id), eq(runs.token, token));
  return (await db.update(runs).set(frames).where(own).returning({ id: runs.id })).length > 0;
}

/** The tokens of what a machine is at. */
export async function tokensOf(db: Db, machineId: string): Promise<ReadonlySet<string>> {
  const rows = await db.select({ token: runs.token }).from(runs).where(eq(runs.machineId, machineId));
  return new Set(rows.map(({ token }) => token));
}

/** Ends a try of which nothing came: it could not be said what did. */
export async function dropRun(db: Db, token: string): Promise<void> {
  await db.delete(runs).where(eq(runs.token, token));
}

/** Halts a job that waits or runs: whoever is at one of its titles has lost it. False for a job that is over. */
export function haltJob(
  db: Db,
  jobId: string,
  change: { readonly status: JobStatus; readonly endedAt?: Date },
): Promise<boolean> {
  return db.transaction(async (tx) => {
    const isOn = and(eq(jobs.id, jobId), inArray(jobs.status, ['queued', 'running', 'paused']));
    const halted = await tx.update(jobs).set(change).where(isOn).returning({ id: jobs.id });
    if (halted.length === 0) return false;
    await tx.delete(runs).where(eq(runs.jobId, jobId));
    return true;
  });
}

/**
 * Takes in what came of a title, and ends the job with its last one; false, and nothing is taken in, where the title is
 * not this machine's any more.
 */
export function endRun(db: Db, { id, token, jobId }: Run, outcome: RunOutcome): Promise<boolean> {
  return db.transaction(async (tx) => {
    const own = eq(jobs.id, jobId);
    const [job] = await tx
      .select({
        files: jobs.files,
        failures: jobs.failures,
        titleCount: jobs.titleCount,
        progress: jobs.progress,
      })
      .from(jobs)
      .where(own)
      .for('update');
    const ended = await tx
      .delete(runs)
      .where(and(eq(runs.id, id), eq(runs.token, token)))
      .returning({ id: runs.id });
    if (job === undefined || ended.length === 0) return false;
    const files = 'file' in outcome ? [...job.files, outcome.file] : job.files;
    const failures = 'failure' in outcome ? [...job.failures, outcome.failure] : job.failures;
    const { doneFrames, paintedFrames, totalFrames } = job.progress;
    const isMade = 'file' in outcome && outcome.file.reused !== true;
    const progress = {
      totalFrames,
      doneFrames: doneFrames + ('file' in outcome ? outcome.frames : 0),
      paintedFrames: paintedFrames + (isMade ? outcome.file.framesPainted : 0),
    };
    const isOver = files.length + failures.length >= job.titleCount;
    const end = isOver ? { ...endOf(failures, job.titleCount), endedAt: new Date() } : {};
    await tx
      .update(jobs)
      .set({ files, failures, progress, ...end })
      .where(own);
    return true;
  });
}

/** How a job ends some of whose titles may not have been made. */
function endOf(
  failures: readonly JobFailure[],
  titleCount: number,
): { readonly status: JobStatus; readonly error: string | null } {
  const [first] = failures;
  if (first === undefined) return { status: 'done', error: null };
  const error =
    titleCount === 1 ? first.message : `${failures.length} of ${titleCount} titles could not be made.`;
  return { status: 'failed', error };
}
