import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { FileFacts, JobFailure, JobSummary } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import type { JobRecord } from '@/db/jobs';
import { findJob, insertJob, nextQueuedJob, requeueInterrupted, updateJob } from '@/db/jobs';
import type { Db } from '@/db/open';
import { findRender, putRender } from '@/db/renders';
import type { JobContent, JobPayload } from '@/db/schema';
import { paperNames } from './papers';
import { renderKey } from './renderKey';
import type { RenderPool } from './renderPool';
import { framesOf, renderTitle } from './renderTitle';
import type { Sources } from './sources';
import { takeMade } from './takeMade';

// Progress is saved and told this often, not for each frame.
const TELL_EVERY_MS = 250;

/** Takes jobs from the queue one after the other; the titles of a job are rendered side by side. */
export class Press {
  private running: { readonly id: string; readonly abort: AbortController } | null = null;
  private readonly listeners = new Set<(job: JobSummary) => void>();
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
    void this.work();
  }

  /** Queues a job and gives its id. */
  async enqueue(payload: JobPayload): Promise<string> {
    const id = nanoid(12);
    const totalFrames = payload.titles.reduce((sum, title) => sum + framesOf(payload, title), 0);
    await insertJob(this.db, id, payload, totalFrames, paperNames(payload));
    await this.tell(id);
    void this.work();
    return id;
  }

  /** Queues a job again that failed or was stopped; files that are finished stay. */
  async retry(id: string): Promise<void> {
    await updateJob(this.db, id, { status: 'queued', error: null, failures: [], endedAt: null });
    await this.tell(id);
    void this.work();
  }

  /** Stops a job that waits or runs; files that are finished stay. */
  async cancel(id: string): Promise<void> {
    const job = await findJob(this.db, id);
    if (job === undefined || (job.status !== 'queued' && job.status !== 'running')) return;
    await updateJob(this.db, id, { status: 'cancelled', endedAt: new Date() });
    if (this.running?.id === id) this.running.abort.abort();
    await this.tell(id);
  }

  /** Calls back with every job that changes, until the returned function is called. */
  subscribe(listener: (job: JobSummary) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Ends without marking the running job: the next start takes it up again. */
  async stop(): Promise<void> {
    this.stopped = true;
    this.running?.abort.abort();
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

  private async tell(id: string): Promise<void> {
    if (this.listeners.size === 0) return;
    const job = await findJob(this.db, id);
    if (job !== undefined) for (const listener of this.listeners) listener(job);
  }

  private async work(): Promise<void> {
    if (this.running !== null) return;
    // Taken before the first wait, so that two calls cannot both start.
    this.running = { id: '', abort: new AbortController() };
    try {
      for (
        let job = await nextQueuedJob(this.db);
        job !== undefined && !this.stopped;
        job = await nextQueuedJob(this.db)
      ) {
        const abort = new AbortController();
        this.running = { id: job.id, abort };
        await this.run(job, abort);
      }
    } finally {
      this.running = null;
    }
  }

  private async run(job: JobRecord, abort: AbortController): Promise<void> {
    await updateJob(this.db, job.id, { status: 'running', startedAt: new Date() });
    await this.tell(job.id);
    try {
      const failures = await this.renderAll(job, abort);
      await this.end(job.id, { ...outcome(failures, job.payload.titles.length), endedAt: new Date() });
    } catch (error) {
      if (this.stopped) return;
      const current = await findJob(this.db, job.id);
      if (current?.status === 'cancelled') return;
      await this.end(job.id, { status: 'failed', error: wordsOf(error), endedAt: new Date() });
    }
  }

  /** The file of a title as another job made it, in this job's folder; null where it has to be made. */
  private async takeMade(key: string, title: JobContent, folder: string): Promise<FileFacts | null> {
    const made = await findRender(this.db, key);
    if (made === undefined) return null;
    const taken = await takeMade(made, this.folderOf(made.jobId), folder, title.fileStem);
    return taken && { ...made.facts, ...taken, titleId: title.titleId, reused: true };
  }

  private async end(id: string, change: Parameters<typeof updateJob>[2]): Promise<void> {
    await updateJob(this.db, id, change);
    await this.tell(id);
  }

  /** Renders all titles that have no file yet; gives those that could not be made. */
  private async renderAll(job: JobRecord, abort: AbortController): Promise<readonly JobFailure[]> {
    const { payload } = job;
    const folder = this.folderOf(job.id);
    mkdirSync(folder, { recursive: true });
    const files: FileFacts[] = [...job.files];
    const failures: JobFailure[] = [];
    // By name: a title may become two files.
    const done = new Set(files.map((file) => file.name));
    const { extension } = OUTPUTS.get(payload.output);
    const waiting = payload.titles.filter(({ fileStem }) => !done.has(`${fileStem}.${extension}`));
    let doneFrames =
      job.progress.totalFrames - waiting.reduce((sum, title) => sum + framesOf(payload, title), 0);
    let paintedFrames = files.reduce(
      (sum, { reused, framesPainted }) => sum + (reused === true ? 0 : framesPainted),
      0,
    );
    let toldAt = 0;
    const save = async (): Promise<void> => {
      toldAt = Date.now();
      const progress = { doneFrames, paintedFrames, totalFrames: job.progress.totalFrames };
      await updateJob(this.db, job.id, { progress, files: [...files], failures: [...failures] });
      await this.tell(job.id);
    };
    const onFrames = (frames: number): void => {
      doneFrames += frames;
      paintedFrames++;
      if (Date.now() - toldAt > TELL_EVERY_MS) void save();
    };
    const lane = async (): Promise<void> => {
      for (let title = waiting.shift(); title !== undefined; title = waiting.shift()) {
        const { titleId, fileStem: name } = title;
        const { pool, sources } = this;
        const signal = abort.signal;
        try {
          const key = renderKey(payload, title);
          const made = await this.takeMade(key, title, folder);
          if (made !== null) doneFrames += framesOf(payload, title);
          const file =
            made ?? (await renderTitle({ payload, title, folder, pool, sources, signal, onFrames }));
          files.push(file);
          await putRender(this.db, key, payload.output, {
            jobId: job.id,
            facts: { ...file, reused: false },
          });
        } catch (error) {
          // What is stopped is stopped as a whole; what cannot be made leaves the others alone.
          if (abort.signal.aborted || this.stopped) throw error;
          failures.push({ titleId, name, message: wordsOf(error, folder) });
        }
        await save();
      }
    };
    try {
      await Promise.all(Array.from({ length: this.pool.size }, lane));
      return failures;
    } catch (error) {
      abort.abort();
      throw error;
    }
  }
}

/** How a job ended of whose titles some could not be made. */
function outcome(failures: readonly JobFailure[], titleCount: number): Pick<JobSummary, 'status' | 'error'> {
  const [first] = failures;
  if (first === undefined) return { status: 'done', error: null };
  const error =
    titleCount === 1 ? first.message : `${failures.length} of ${titleCount} titles could not be made.`;
  return { status: 'failed', error };
}

/** What went wrong, in words, without the folders of this machine. */
function wordsOf(error: unknown, folder?: string): string {
  const message = error instanceof Error ? error.message : String(error);
  return folder === undefined ? message : message.replaceAll(`${folder}/`, '');
}
