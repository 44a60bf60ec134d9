import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { JobSummary } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import type { ClientOrder } from '@/db/jobs';
import { noteHandover } from '@/db/handovers';
import { findJob, findUnfinished, insertJob, putFirst, unfinishedJobs, updateJob } from '@/db/jobs';
import type { Db, OpenDatabase } from '@/db/open';
import type { Machine } from '@/db/runs';
import { dropGone, haltJob, machinesThere, tellAll } from '@/db/runs';
import type { JobContent, JobPayload } from '@/db/schema';
import { machineName } from './machineSettings';
import { titleMaker } from './makeTitle';
import { paperNames } from './papers';
import { PressMachine } from './pressMachine';
import type { RenderPool } from './renderPool';
import { framesOf } from './renderTitle';
import type { Sources } from './sources';
import { TitleQueue } from './titleQueue';

const NOTHING = { doneFrames: 0, paintedFrames: 0 };

interface PressOf {
  readonly database: OpenDatabase;
  readonly pool: RenderPool;
  /** Where the folders of jobs lie. */
  readonly folder: string;
  readonly sources: Sources;
}

/** Takes orders, puts their titles into the queue, and tells what becomes of them, whichever machine makes them. */
export class Press {
  private readonly listeners = new Set<(job: JobSummary) => void>();
  private readonly db: Db;
  private readonly heard = new Map<string, 'reading' | 'again'>();
  private readonly leave: (() => void)[] = [];

  private constructor(
    private readonly of: PressOf,
    private readonly queue: TitleQueue,
    /** Makes titles in this process. */
    private readonly machine: PressMachine,
  ) {
    this.db = of.database.db;
  }

  /** Opens the press of a database; it begins when it is started. */
  static async open(of: PressOf): Promise<Press> {
    const { database, pool, folder, sources } = of;
    const queue = await TitleQueue.open(database);
    if (!database.isShared) await dropGone(database.db, 'all');
    const maker = titleMaker({ db: database.db, pool, folder, sources });
    const lanes = pool.size;
    const machine = new PressMachine({ database, queue, maker, name: machineName(), lanes });
    const press = new Press(of, queue, machine);
    press.leave.push(await database.listen('gilder_jobs', (id) => press.hear(id)));
    await machine.start();
    return press;
  }

  /** Takes up what was left unfinished. */
  async start(): Promise<void> {
    for (const id of await unfinishedJobs(this.db)) await this.putInQueue(id);
    await tellAll(this.db, 'gilder_titles', '');
  }

  /** Queues a job, for a client where one ordered it, and gives its id: a new one, or the one that it is to have. */
  async enqueue(payload: JobPayload, client: ClientOrder | null = null, id = nanoid(12)): Promise<string> {
    const totalFrames = payload.titles.reduce((sum, title) => sum + framesOf(payload, title), 0);
    await insertJob(this.db, id, payload, totalFrames, paperNames(payload), client);
    await this.queue.put(id, [...payload.titles.keys()], 0);
    await this.tell(id, 'queued');
    return id;
  }

  /** Queues a job again that failed, was stopped or waits; files that are finished stay. */
  async retry(id: string): Promise<void> {
    const begun = { status: 'queued', error: null, failures: [], endedAt: null } as const;
    const job = await findJob(this.db, id);
    // Where its files were deleted it begins anew.
    const anew = job?.filesGone == null ? {} : { filesGone: null, progress: { ...job.progress, ...NOTHING } };
    await updateJob(this.db, id, { ...begun, ...anew });
    await noteHandover(this.db, id, { status: 'waiting' });
    await this.putInQueue(id);
    await this.tell(id, 'queued');
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
    await this.queue.prioritise(id, await putFirst(this.db, id));
    await this.tell(id);
  }

  /** Calls back with every job that changes, until the returned function is called. */
  subscribe(listener: (job: JobSummary) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Ends without marking running jobs: they are taken up by others, or at the next start. */
  async stop(): Promise<void> {
    for (const leave of this.leave) leave();
    await this.machine.stop();
    await this.of.pool.close();
  }

  /** Whether other machines may make titles too. */
  get isShared(): boolean {
    return this.of.database.isShared;
  }

  /** The machines that make titles. */
  machines(): Promise<Machine[]> {
    return machinesThere(this.db);
  }

  /** How many titles are made side by side, by all machines. */
  async lanes(): Promise<number> {
    return (await this.machines()).reduce((sum, { lanes }) => sum + lanes, 0);
  }

  /** The folder with a job's files. */
  folderOf(jobId: string): string {
    return join(this.of.folder, jobId);
  }

  /** Puts those titles of a job into the queue that have no file yet. */
  private async putInQueue(id: string): Promise<void> {
    const job = await findUnfinished(this.db, id);
    if (job === undefined) return;
    // By name: a title may become two files.
    const made = new Set(job.files.map(({ name }) => name));
    const { titles, output } = job.payload;
    const extension = OUTPUTS.find(output)?.extension ?? '';
    const isMade = ({ fileStem }: JobContent): boolean => made.has(`${fileStem}.${extension}`);
    const waiting = [...titles.keys()].filter((i) => !isMade(titles[i]));
    await this.queue.put(id, waiting, job.priority);
  }

  private async halt(id: string, change: Parameters<typeof haltJob>[2]): Promise<void> {
    const job = await findJob(this.db, id);
    if (job === undefined || job.endedAt !== null) return;
    // Before it says that it is halted: it may be queued again from then on.
    await this.queue.withdraw(id, job.titleCount);
    if (!(await haltJob(this.db, id, change))) return;
    await tellAll(this.db, 'gilder_halted', id);
    await this.tell(id);
  }

  private async tell(id: string, news?: 'queued'): Promise<void> {
    await tellAll(this.db, 'gilder_jobs', id);
    if (news === 'queued') await tellAll(this.db, 'gilder_titles', '');
  }

  /** Passes a job on that changed; changes that come while it is read are read together after it. */
  private hear(id: string): void {
    if (this.listeners.size === 0) return;
    if (this.heard.has(id)) {
      this.heard.set(id, 'again');
      return;
    }
    this.heard.set(id, 'reading');
    const pass = async (): Promise<void> => {
      const job = await findJob(this.db, id);
      if (job !== undefined) for (const listener of this.listeners) listener(job);
    };
    // Where the database does not answer, what came of a job is seen with the next news.
    void pass()
      .catch(() => undefined)
      .finally(() => {
        const isChanged = this.heard.get(id) === 'again';
        this.heard.delete(id);
        if (isChanged) this.hear(id);
      });
  }
}
