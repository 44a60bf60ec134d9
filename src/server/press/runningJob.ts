import type { FileFacts, JobFailure, JobProgress, JobSummary } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import type { JobRecord } from '@/db/jobs';
import type { JobContent } from '@/db/schema';
import { framesOf } from './renderTitle';

// Progress is saved and told this often, not for each frame.
const TELL_EVERY_MS = 250;

/** What is kept of a job while it runs. */
export interface JobState {
  readonly progress: JobProgress;
  readonly files: readonly FileFacts[];
  readonly failures: readonly JobFailure[];
}

/** A job on the press: what of it waits, and what came of it so far. Titles that have their file already are passed over. */
export class RunningJob {
  readonly abort = new AbortController();
  private readonly waiting: JobContent[];
  private readonly files: FileFacts[];
  private readonly failures: JobFailure[] = [];
  /** The higher, the sooner; it may change while it runs. */
  priority: number;
  readonly createdAt: string;
  private atWork = 0;
  private doneFrames: number;
  private paintedFrames: number;
  private toldAt = 0;

  constructor(
    readonly job: JobRecord,
    readonly folder: string,
    private readonly keep: (state: JobState) => Promise<void>,
  ) {
    const { payload } = job;
    this.priority = job.priority;
    this.createdAt = job.createdAt;
    this.files = [...job.files];
    // By name: a title may become two files.
    const done = new Set(job.files.map((file) => file.name));
    const { extension } = OUTPUTS.get(payload.output);
    this.waiting = payload.titles.filter(({ fileStem }) => !done.has(`${fileStem}.${extension}`));
    const left = this.waiting.reduce((sum, title) => sum + framesOf(payload, title), 0);
    this.doneFrames = job.progress.totalFrames - left;
    this.paintedFrames = job.files.reduce(
      (sum, { reused, framesPainted }) => sum + (reused === true ? 0 : framesPainted),
      0,
    );
  }

  get hasWaiting(): boolean {
    return this.waiting.length > 0 && !this.isStopped;
  }

  /** Whether nothing of it is worked on, and nothing more will be. */
  get isOver(): boolean {
    return this.atWork === 0 && !this.hasWaiting;
  }

  get isStopped(): boolean {
    return this.abort.signal.aborted;
  }

  /** Takes the next title; it has to be given back by `release`. */
  take(): JobContent | undefined {
    const title = this.hasWaiting ? this.waiting.shift() : undefined;
    if (title !== undefined) this.atWork++;
    return title;
  }

  release(): void {
    this.atWork--;
  }

  /** Counts frames that were painted: how many one picture stands for. */
  count(frames: number): void {
    this.doneFrames += frames;
    this.paintedFrames++;
    if (Date.now() - this.toldAt > TELL_EVERY_MS) void this.save().catch(() => undefined);
  }

  /** Takes in a file; one that was made before was not counted frame by frame. */
  async finish(title: JobContent, file: FileFacts): Promise<void> {
    if (file.reused === true) this.doneFrames += framesOf(this.job.payload, title);
    this.files.push(file);
    await this.save();
  }

  async fail({ titleId, fileStem: name }: JobContent, message: string): Promise<void> {
    this.failures.push({ titleId, name, message });
    await this.save();
  }

  /** How it ended of which some titles may not have been made. */
  get outcome(): Pick<JobSummary, 'status' | 'error'> {
    const [first] = this.failures;
    if (first === undefined) return { status: 'done', error: null };
    const { length } = this.job.payload.titles;
    const error =
      length === 1 ? first.message : `${this.failures.length} of ${length} titles could not be made.`;
    return { status: 'failed', error };
  }

  private async save(): Promise<void> {
    this.toldAt = Date.now();
    const { doneFrames, paintedFrames } = this;
    const { totalFrames } = this.job.progress;
    await this.keep({
      progress: { doneFrames, paintedFrames, totalFrames },
      files: [...this.files],
      failures: [...this.failures],
    });
  }
}
