import type { SQL } from 'drizzle-orm';
import { and, eq, gt, inArray, lt, sql } from 'drizzle-orm';
import type { FileFacts, JobFailure, JobStatus } from '@/contract/jobs';
import type { Channel, Db } from './open';
import { jobs, machines, runs } from './schema';

/** After how many seconds without a word a machine is taken for gone, and what it took is given to others. */
export const GONE_AFTER_SECONDS = 15;
const GONE_AFTER = sql.raw(`interval '${GONE_AFTER_SECONDS} seconds'`);

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

/** Whether a title was begun, was not since somebody else is at it or its job is halted, or is not wanted by any job. */
export type Begun = 'begun' | 'not now' | 'not wanted';

/** Begins to make a title. */
export async function beginRun(db: Db, run: Run): Promise<Begun> {
  const own = eq(jobs.id, run.jobId);
  const begun = await db.transaction(async (tx): Promise<Begun> => {
    // Shared, so that many machines can begin at once, and none while the job is being halted.
    const [job] = await tx.select({ status: jobs.status }).from(jobs).where(own).for('share');
    if (job === undefined || job.status === 'done') return 'not wanted';
    if (job.status !== 'queued' && job.status !== 'running') return 'not now';
    const added = await tx.insert(runs).values(run).onConflictDoNothing().returning({ id: runs.id });
    return added.length === 0 ? 'not now' : 'begun';
  });
  if (begun === 'begun')
    await db
      .update(jobs)
      .set({ status: 'running', startedAt: new Date() })
      .where(and(own, eq(jobs.status, 'queued')));
  return begun;
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
 * not this machine's any more. One statement: all machines that are at a job come by its one row.
 */
export async function endRun(db: Db, { id, token, jobId }: Run, outcome: RunOutcome): Promise<boolean> {
  const { files, failures, frames, painted, message } = addedBy(outcome);
  const madeSoFar = sql`jsonb_array_length(files) + jsonb_array_length(failures) + 1`;
  const failedSoFar = sql`jsonb_array_length(failures) + ${failures.length}::int`;
  const ended = db.$with('ended').as(
    db
      .delete(runs)
      .where(and(eq(runs.id, id), eq(runs.token, token)))
      .returning({ id: runs.id }),
  );
  const whenOver = (then: SQL, otherwise: SQL): SQL =>
    sql`case when ${madeSoFar} >= title_count then ${then} else ${otherwise} end`;
  const taken = await db
    .with(ended)
    .update(jobs)
    .set({
      files: sql`files || ${JSON.stringify(files)}::jsonb`,
      failures: sql`failures || ${JSON.stringify(failures)}::jsonb`,
      progress: sql`progress || jsonb_build_object(
        'doneFrames', (progress->>'doneFrames')::int + ${frames}::int,
        'paintedFrames', (progress->>'paintedFrames')::int + ${painted}::int)`,
      status: whenOver(sql`case when ${failedSoFar} = 0 then 'done' else 'failed' end`, sql`status`),
      error: whenOver(
        sql`case when ${failedSoFar} = 0 then null when title_count = 1 then ${message}::text
          else ${failedSoFar} || ' of ' || title_count || ' titles could not be made.' end`,
        sql`error`,
      ),
      endedAt: whenOver(sql`now()`, sql`ended_at`),
    })
    .where(and(eq(jobs.id, jobId), sql`exists (select from ended)`))
    .returning({ id: jobs.id });
  return taken.length > 0;
}

/** What a title adds to its job. */
function addedBy(outcome: RunOutcome): {
  readonly files: readonly FileFacts[];
  readonly failures: readonly JobFailure[];
  readonly frames: number;
  readonly painted: number;
  readonly message: string | null;
} {
  if ('failure' in outcome) {
    const { failure } = outcome;
    return { files: [], failures: [failure], frames: 0, painted: 0, message: failure.message };
  }
  const { file, frames } = outcome;
  const painted = file.reused === true ? 0 : file.framesPainted;
  return { files: [file], failures: [], frames, painted, message: null };
}
