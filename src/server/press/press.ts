import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { FileFacts, JobSummary } from '@/contract/jobs';
import type { ClientOrder, JobRecord } from '@/db/jobs';
import {
  findJob,
  insertJob,
  nextQueuedJob,
  putFirst,
  requeueInterrupted,
  startJob,
  updateJob,
} from '@/db/jobs';
import type { Db } from '@/db/open';
import { findRender, putRender } from '@/db/renders';
import type { JobContent, JobPayload } from '@/db/schema';
import { paperNames } from './papers';
import { renderKey } from './renderKey';
import type { RenderPool } from './renderPool';
import { framesOf, renderTitle } from './renderTitle';
import { RunningJob } from './runningJob';
import type { Sources } from './sources';
import { takeMade } from './takeMade';

interface Task {
  readonly running: RunningJob;
  readonly title: JobContent;
}

/**
 * Takes titles from the jobs in the queue, the most urgent job first, and renders as many side by side as there are
 * lanes, whether they are of one job or of several.
 */
export class Press {
  private readonly running = new Map<string, RunningJob>();
  private readonly listeners = new Set<(job: JobSummary) => void>();
  private lanesAtWork = 0;
  private isNews = false;
  // One after the other, so that no title is taken twice.
  private taking: Promise<unknown> = Promise.resolve();
  private stopped = false;

  constructor(
    private readonly db: Db,
    private readonly pool: RenderPool,
    private readonly folder: string,
    private readonly sources: Sources,
  ) {}

  /** Takes up what the last process left unfinished. */
  async start(): Promise<void> {
    await requeueInterrupted(this.db);
    this.work();
  }

  /** Queues a job, for a client where one ordered it, and gives its id. */
  async enqueue(payload: JobPayload, client: ClientOrder | null = null): Promise<string> {
    const id = nanoid(12);
    const totalFrames = payload.titles.reduce((sum, title) => sum + framesOf(payload, title), 0);
    await insertJob(this.db, id, payload, totalFrames, paperNames(payload), client);
    await this.tell(id);
    this.work();
    return id;
  }

  /** Queues a job again that failed, was stopped or waits; files that are finished stay. */
  async retry(id: string): Promise<void> {
    await updateJob(this.db, id, { status: 'queued', error: null, failures: [], endedAt: null });
    await this.tell(id);
    this.work();
  }

  /** Stops a job that waits or runs; files that are finished stay. */
  cancel(id: string): Promise<void> {
    return this.halt(id, { status: 'cancelled', endedAt: new Date() });
  }

  /** Lets a job that waits or runs wait until it is queued again; files that are finished stay. */
  pause(id: string): Promise<void> {
    return this.halt(id, { status: 'paused' });
  }

  /** Puts a job before all others; what is painted at the moment is finished first. */
  async putFirst(id: string): Promise<void> {
    await putFirst(this.db, id);
    const running = this.running.get(id);
    const job = await findJob(this.db, id);
    if (running !== undefined && job !== undefined) running.priority = job.priority;
    await this.tell(id);
  }

  /** Calls back with every job that changes, until the returned function is called. */
  subscribe(listener: (job: JobSummary) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Ends without marking running jobs: the next start takes them up again. */
  async stop(): Promise<void> {
    this.stopped = true;
    for (const { abort } of this.running.values()) abort.abort();
    await this.pool.close();
  }

  /** How many titles are rendered side by side. */
  get lanes(): number {
    return this.pool.size;
  }

  /** The folder with a job's files. */
  folderOf(jobId: string): string {
    return join(this.folder, jobId);
  }

  private async halt(id: string, change: Parameters<typeof updateJob>[2]): Promise<void> {
    const job = await findJob(this.db, id);
    if (job === undefined || !['queued', 'running', 'paused'].includes(job.status)) return;
    await updateJob(this.db, id, change);
    this.running.get(id)?.abort.abort();
    await this.tell(id);
  }

  private async tell(id: string): Promise<void> {
    if (this.listeners.size === 0) return;
    const job = await findJob(this.db, id);
    if (job !== undefined) for (const listener of this.listeners) listener(job);
  }

  /** Sees to it that as many lanes are at work as there are. */
  private work(): void {
    this.isNews = true;
    while (this.lanesAtWork < this.pool.size && !this.stopped) {
      this.lanesAtWork++;
      // Where the database cannot be written to, the next start takes up what is left.
      this.lane().catch(() => this.lanesAtWork--);
    }
  }

  private async lane(): Promise<void> {
    for (;;) {
      const task = await this.take();
      if (task === null) {
        // What was queued while it looked is looked for once more; it ends in the same step in which it asks.
        if (!this.isNews) break;
        this.isNews = false;
        continue;
      }
      const { running, title } = task;
      try {
        await this.make(running, title);
      } finally {
        running.release();
        await this.endWhenOver(running);
      }
    }
    this.lanesAtWork--;
  }

  private take(): Promise<Task | null> {
    const next = this.taking.then(() => this.nextTask());
    this.taking = next.catch(() => undefined);
    return next;
  }

  /** The next title of the most urgent job; null while there is none. */
  private async nextTask(): Promise<Task | null> {
    while (!this.stopped) {
      const [first] = [...this.running.values()].filter((one) => one.hasWaiting).sort(byUrgency);
      // One that was stopped and is queued again waits until its last title has been let go.
      const queued = await nextQueuedJob(this.db, [...this.running.keys()]);
      const isQueuedNext = queued !== undefined && (first === undefined || byUrgency(first, queued) > 0);
      const running = isQueuedNext ? await this.begin(queued) : first;
      if (running === undefined) return null;
      if (running === null) continue;
      const title = running.take();
      if (title !== undefined) return { running, title };
      await this.endWhenOver(running);
    }
    return null;
  }

  /** Puts a job on the press; null for one that was stopped meanwhile, or that cannot be begun and has failed. */
  private async begin(job: JobRecord): Promise<RunningJob | null> {
    if (!(await startJob(this.db, job.id))) return null;
    const folder = this.folderOf(job.id);
    try {
      mkdirSync(folder, { recursive: true });
      const running = new RunningJob(job, folder, async (state) => {
        await updateJob(this.db, job.id, state);
        await this.tell(job.id);
      });
      this.running.set(job.id, running);
      await this.tell(job.id);
      return running;
    } catch (error) {
      const failed = { status: 'failed', error: wordsOf(error, folder), endedAt: new Date() } as const;
      await updateJob(this.db, job.id, failed);
      await this.tell(job.id);
      return null;
    }
  }

  private async endWhenOver(running: RunningJob): Promise<void> {
    const { id } = running.job;
    if (!running.isOver || this.running.get(id) !== running) return;
    this.running.delete(id);
    if (this.stopped) return;
    // One that was stopped says so already, and may be queued again by now.
    if (running.isStopped) return this.work();
    await updateJob(this.db, id, { ...running.outcome, endedAt: new Date() });
    await this.tell(id);
  }

  /** Makes the file of a title, or takes it as it was made before. What cannot be made leaves the others alone. */
  private async make(running: RunningJob, title: JobContent): Promise<void> {
    const { job, folder } = running;
    const { payload } = job;
    const { pool, sources } = this;
    try {
      const key = renderKey(payload, title);
      const made = await this.takeMade(key, title, folder);
      const onFrames = (frames: number): void => running.count(frames);
      const { signal } = running.abort;
      const file = made ?? (await renderTitle({ payload, title, folder, pool, sources, signal, onFrames }));
      await putRender(this.db, key, payload.output, { jobId: job.id, facts: { ...file, reused: false } });
      await running.finish(title, file);
    } catch (error) {
      if (running.isStopped || this.stopped) return;
      await running.fail(title, wordsOf(error, folder));
    }
  }

  /** The file of a title as another job made it, in this job's folder; null where it has to be made. */
  private async takeMade(key: string, title: JobContent, folder: string): Promise<FileFacts | null> {
    const made = await findRender(this.db, key);
    if (made === undefined) return null;
    const taken = await takeMade(made, this.folderOf(made.jobId), folder, title.fileStem);
    return taken && { ...made.facts, ...taken, titleId: title.titleId, reused: true };
  }
}

/** The more urgent one first, and of equals the older. */
function byUrgency(
  a: Pick<JobRecord, 'priority' | 'createdAt'>,
  b: Pick<JobRecord, 'priority' | 'createdAt'>,
): number {
  return b.priority - a.priority || a.createdAt.localeCompare(b.createdAt);
}

/** What went wrong, in words, without the folders of this machine. */
function wordsOf(error: unknown, folder: string): string {
  const message = error instanceof Error ? error.message : String(error);
  return message.replaceAll(`${folder}/`, '');
}
