import { createHash } from 'node:crypto';
import PgBoss from 'pg-boss';
import type { OpenDatabase } from '@/db/open';
import { GONE_AFTER_SECONDS } from '@/db/runs';

/** A title that waits to be made, or is being made: one of a job's, by its place in it. */
export interface TitleTask {
  readonly id: string;
  readonly jobId: string;
  readonly index: number;
}

const QUEUE = 'titles';
// A title whose machines end again and again while it is made would take all of them with it.
const MOST_TRIES = 5;

/**
 * The titles that wait, of all jobs, in the project's own database: the most urgent first, of equals the one that waits
 * longest. It knows what waits and what was taken; what became of it stands with the jobs, from which it can be filled
 * again at any time.
 */
export class TitleQueue {
  private constructor(
    private readonly boss: PgBoss,
    private readonly database: Pick<OpenDatabase, 'runSql'>,
  ) {}

  /** Opens the queue of a database. One that no other process has open is emptied: whoever took from it is gone. */
  static async open({ runSql, isShared }: OpenDatabase): Promise<TitleQueue> {
    const boss = new PgBoss({
      db: { executeSql: async (text, values) => ({ rows: [...(await runSql(text, values)).rows] }) },
      // What is made is removed at once, so that nothing has to be archived, and machines that go are noticed here.
      supervise: false,
      schedule: false,
    });
    boss.on('error', (error) => console.error('Queue:', error.message));
    await boss.start();
    await boss.createQueue(QUEUE, { name: QUEUE, policy: 'standard', retryLimit: MOST_TRIES - 1 });
    // Not the queue itself: it cannot be deleted while anything is in it.
    if (!isShared) await runSql('delete from pgboss.job where name = $1', [QUEUE]);
    return new TitleQueue(boss, { runSql });
  }

  /** Puts titles of a job into the queue; those that are in it already stay where they are. */
  async put(jobId: string, indices: readonly number[], priority: number): Promise<void> {
    const tasks = indices.map((index) => ({
      id: taskId(jobId, index),
      name: QUEUE,
      data: { jobId, index },
      priority,
    }));
    if (tasks.length > 0) await this.boss.insert(tasks);
  }

  /** Takes the next title; null while there is none. */
  async take(): Promise<TitleTask | null> {
    const [task] = await this.boss.fetch<Omit<TitleTask, 'id'>>(QUEUE);
    return task === undefined ? null : { id: task.id, ...task.data };
  }

  /** Removes what is made, or is not to be made any more. */
  async remove(ids: readonly string[]): Promise<void> {
    if (ids.length > 0) await this.boss.deleteJob(QUEUE, [...ids]);
  }

  /** Removes all titles of a job with so many of them. */
  withdraw(jobId: string, titleCount: number): Promise<void> {
    return this.remove(Array.from({ length: titleCount }, (_, index) => taskId(jobId, index)));
  }

  /** Makes what waits of a job more urgent, or less. */
  async prioritise(jobId: string, priority: number): Promise<void> {
    await this.database.runSql(
      "update pgboss.job set priority = $1 where name = $2 and data->>'jobId' = $3 and state < 'active'",
      [priority, QUEUE, jobId],
    );
  }

  /** Puts back what was taken and is left as it was, as if nobody had taken it. */
  async giveBack(ids: readonly string[]): Promise<void> {
    await this.database.runSql(
      "update pgboss.job set state = 'created', started_on = null where name = $1 and id = any($2::uuid[]) and state = 'active'",
      [QUEUE, [...ids]],
    );
  }

  /**
   * Puts back what was taken by those who are gone. Gives what was taken too often: it is in the queue no more, and
   * whether anything waits again.
   */
  async recover(): Promise<{ readonly given: boolean; readonly givenUp: readonly TitleTask[] }> {
    const orphaned = await this.idsOf(
      `state = 'active' and started_on < now() - interval '${GONE_AFTER_SECONDS} seconds'
        and not exists (select from runs where runs.id = job.id)`,
    );
    if (orphaned.length === 0) return { given: false, givenUp: [] };
    const ids = orphaned.map(({ id }) => id);
    await this.boss.fail(QUEUE, ids);
    const givenUp = await this.idsOf("state = 'failed'");
    await this.remove(givenUp.map(({ id }) => id));
    return { given: givenUp.length < ids.length, givenUp };
  }

  private async idsOf(where: string): Promise<TitleTask[]> {
    const { rows } = await this.database.runSql(
      `select id, data->>'jobId' as "jobId", (data->>'index')::int as index from pgboss.job where name = $1 and ${where}`,
      [QUEUE],
    );
    return rows.map(({ id, jobId, index }) => ({
      id: String(id),
      jobId: String(jobId),
      index: Number(index),
    }));
  }
}

/** One id for a title of a job, whoever asks, so that it is in the queue once; ids of a job go by the place in it. */
function taskId(jobId: string, index: number): string {
  const job = createHash('sha256').update(jobId).digest('hex');
  const hex = `${job.slice(0, 12)}4${job.slice(12, 15)}8${job.slice(15, 18)}${index.toString(16).padStart(12, '0')}`;
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-');
}
