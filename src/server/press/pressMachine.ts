import { nanoid } from 'nanoid';
import { OUTPUTS } from '@/core/outputs';
import type { TitleOfJob } from '@/db/jobs';
import { findJobTitle } from '@/db/jobs';
import type { Db, OpenDatabase } from '@/db/open';
import type { Machine, Run, RunOutcome } from '@/db/runs';
import {
  beginRun,
  dropGone,
  dropRun,
  endRun,
  reportRun,
  sayGone,
  sayThere,
  tellAll,
  tokensOf,
} from '@/db/runs';
import type { JobContent } from '@/db/schema';
import type { TitleMaker } from './makeTitle';
import { FrameCount } from './frameCount';
import type { OnFrames } from './renderTitle';
import { framesOf } from './renderTitle';
import type { TitleQueue, TitleTask } from './titleQueue';

// How often a machine says that it is there, and looks for what it was not told; a fifth of what makes it gone.
const LOOK_EVERY_MS = 3000;

interface AtWork {
  readonly run: Run;
  readonly abort: AbortController;
  /** Whether the database says so already. */
  isBegun: boolean;
}

interface MachineOf {
  readonly database: OpenDatabase;
  readonly queue: TitleQueue;
  readonly maker: TitleMaker;
  readonly name: string;
  /** How many titles are made side by side. */
  readonly lanes: number;
  /** Called with words about each title that it made, or could not make. */
  readonly onTitle?: (words: string) => void;
}

/** Takes titles from the queue and makes them, several side by side, until it is stopped. */
export class PressMachine {
  readonly self: Machine;
  private readonly db: Db;
  private readonly atWork = new Map<string, AtWork>();
  private leave: (() => void)[] = [];
  private timer: NodeJS.Timeout | undefined;
  private lanesAtWork = 0;
  private isNews = false;
  private isStopped = false;

  constructor(private readonly of: MachineOf) {
    this.db = of.database.db;
    this.self = { id: nanoid(12), name: of.name, lanes: of.lanes };
  }

  /** Joins the machines of the database, and begins. */
  async start(): Promise<void> {
    const { database } = this.of;
    await sayThere(this.db, this.self);
    this.leave = [
      await database.listen('gilder_titles', () => this.work()),
      await database.listen('gilder_halted', (jobId) => {
        const isMine = [...this.atWork.values()].some(({ run }) => run.jobId === jobId);
        if (isMine) void this.letGo().catch(() => undefined);
      }),
    ];
    if (database.isShared) {
      // Where the database does not answer, the next look may find that it does.
      this.timer = setInterval(() => void this.look().catch(() => undefined), LOOK_EVERY_MS);
    }
    this.work();
  }

  /** Stops at once; what was being made is left to others. */
  async stop(): Promise<void> {
    this.isStopped = true;
    clearInterval(this.timer);
    for (const leave of this.leave) leave();
    const left = [...this.atWork.values()];
    for (const { abort } of left) abort.abort();
    await sayGone(this.db, this.self.id);
    await this.of.queue.giveBack(left.map(({ run }) => run.id));
    if (left.length > 0) await tellAll(this.db, 'gilder_titles', '');
  }

  /** Sees to it that as many lanes are at work as there are. */
  private work(): void {
    this.isNews = true;
    while (this.lanesAtWork < this.of.lanes && !this.isStopped) {
      this.lanesAtWork++;
      // Where the database cannot be written to, what was taken is found again by whoever looks next.
      this.lane().catch(() => this.lanesAtWork--);
    }
  }

  private async lane(): Promise<void> {
    while (!this.isStopped) {
      const task = await this.of.queue.take();
      if (task !== null) await this.begin(task);
      // What was queued while it looked is looked for once more; it ends in the same step in which it asks.
      else if (this.isNews) this.isNews = false;
      else break;
    }
    this.lanesAtWork--;
  }

  private async begin({ id, jobId, index }: TitleTask): Promise<void> {
    const run: Run = { id, jobId, token: nanoid(8), machineId: this.self.id };
    const work: AtWork = { run, abort: new AbortController(), isBegun: false };
    this.atWork.set(run.token, work);
    try {
      const begun = await beginRun(this.db, run);
      if (begun === 'not now') return;
      const wanted = begun === 'begun' ? await findJobTitle(this.db, jobId, index) : undefined;
      if (wanted === undefined || isMade(wanted)) await dropRun(this.db, run.token);
      else if (!(await this.makeFor(work, wanted))) return;
      await this.of.queue.remove([id]);
      await tellAll(this.db, 'gilder_jobs', jobId);
    } finally {
      this.atWork.delete(run.token);
    }
  }

  /** Makes a title for its job; false where it is not this machine's any more, and nothing came of it. */
  private async makeFor(work: AtWork, wanted: TitleOfJob): Promise<boolean> {
    const { run } = work;
    work.isBegun = true;
    await tellAll(this.db, 'gilder_jobs', run.jobId);
    const outcome = await this.make(work, wanted);
    if (outcome === null || !(await endRun(this.db, run, outcome))) return false;
    this.of.onTitle?.(wordsOf(outcome));
    return true;
  }

  /** What comes of a title; null where it is not this machine's any more. */
  private async make({ run, abort }: AtWork, { payload, title }: TitleOfJob): Promise<RunOutcome | null> {
    const { signal } = abort;
    const frames = new FrameCount(this.of.database.isShared, async (counted) => {
      const isMine = await reportRun(this.db, run, counted);
      if (isMine) await tellAll(this.db, 'gilder_jobs', run.jobId);
      else abort.abort();
    });
    const attempt = { token: run.token, isWanted: () => reportRun(this.db, run, frames.counted) };
    const { jobId } = run;
    try {
      const onFrames: OnFrames = (count, isPainted) => frames.add(count, isPainted);
      const file = await this.of.maker.make({ jobId, payload, title, attempt, signal, onFrames });
      return { file, frames: framesOf(payload, title) };
    } catch (error) {
      if (signal.aborted) return null;
      return failureOf(title, error instanceof Error ? error.message : String(error));
    }
  }

  /** Says that it is there, takes care of what those left who are gone, and takes what it was not told of. */
  private async look(): Promise<void> {
    await sayThere(this.db, this.self);
    await this.letGo();
    const { queue, maker } = this.of;
    for (const { jobId, token } of await dropGone(this.db)) await maker.clear(jobId, token);
    const { givenUp, given } = await queue.recover();
    for (const task of givenUp) await this.giveUp(task);
    if (given) await tellAll(this.db, 'gilder_titles', '');
    this.work();
  }

  /** Stops what is not this machine's any more, and gives back what it is not at any more. */
  private async letGo(): Promise<void> {
    const before = [...this.atWork.values()].filter(({ isBegun }) => isBegun);
    const mine = await tokensOf(this.db, this.self.id);
    for (const { run, abort } of before) if (!mine.has(run.token)) abort.abort();
    for (const token of mine) if (!this.atWork.has(token)) await dropRun(this.db, token);
  }

  private async giveUp({ id, jobId, index }: TitleTask): Promise<void> {
    const title = (await findJobTitle(this.db, jobId, index))?.title;
    const run: Run = { id, jobId, token: nanoid(8), machineId: this.self.id };
    if (title === undefined || (await beginRun(this.db, run)) !== 'begun') return;
    const message =
      'The machines that made it ended again and again before it was done. Look at what their memory and disks have left, then try again.';
    await endRun(this.db, run, failureOf(title, message));
    await tellAll(this.db, 'gilder_jobs', jobId);
  }
}

/** Whether a title has its file already: it was put into the queue once more as it came out of it. */
function isMade({ payload, title, fileNames }: TitleOfJob): boolean {
  return fileNames.includes(`${title.fileStem}.${OUTPUTS.find(payload.output)?.extension ?? ''}`);
}

const wordsOf = (outcome: RunOutcome): string =>
  'file' in outcome
    ? `Made ${outcome.file.name}`
    : `Could not make ${outcome.failure.name}: ${outcome.failure.message}`;

const failureOf = ({ titleId, fileStem: name }: JobContent, message: string): RunOutcome => ({
  failure: { titleId, name, message },
});
