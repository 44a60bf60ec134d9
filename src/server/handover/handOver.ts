import { join } from 'node:path';
import type { JobSummary } from '@/contract/jobs';
import { dueHandovers, findHanded, noteHandover, putHanded } from '@/db/handovers';
import { findJob, findPayload } from '@/db/jobs';
import type { Db } from '@/db/open';
import { tellAll } from '@/db/runs';
import type { JobPayload } from '@/db/schema';
import { paperOf } from '../press/papers';
import type { Handed } from './putInFolder';
import { folderUnder, HandoverError, putInFolder } from './putInFolder';

// What is the matter with many files is the same with most of them.
const MOST_PROBLEMS = 5;

interface HandOverOf {
  readonly db: Db;
  /** The folder of delivery, under which every other lies; null where Gilder was started without one. */
  readonly root: string | null;
  readonly folderOf: (jobId: string) => string;
}

/** Puts the files of jobs that are over where they were ordered to: into folders under the folder of delivery. */
export class HandOver {
  private work: Promise<void> = Promise.resolve();
  private isStopped = false;

  constructor(private readonly of: HandOverOf) {}

  /** Puts what waits; resolves when that is done. */
  look(): Promise<void> {
    this.work = this.work
      .then(() => this.putAll())
      .catch((error: unknown) => {
        console.error('Delivery:', error instanceof Error ? error.message : error);
      });
    return this.work;
  }

  async stop(): Promise<void> {
    this.isStopped = true;
    await this.work;
  }

  private async putAll(): Promise<void> {
    const { db } = this.of;
    for (const id of await dueHandovers(db)) {
      if (this.isStopped) return;
      const job = await findJob(db, id);
      const payload = await findPayload(db, id);
      if (job === undefined || payload === undefined) continue;
      const outcome = await this.put(job, payload);
      // One that was queued again meanwhile still waits: what it makes is put once that is over.
      if ((await findJob(db, id))?.endedAt !== job.endedAt) continue;
      await noteHandover(db, id, outcome);
      await tellAll(db, 'gilder_jobs', id);
    }
  }

  /** Puts the files of a job; what cannot be put is told, and hinders no other. */
  private async put(job: JobSummary, payload: JobPayload) {
    const at = new Date().toISOString();
    const problems: string[] = [];
    let put = 0;
    try {
      const files = await this.filesOf(job, payload);
      const folder = await folderUnder(this.of.root, payload.folder ?? '');
      for (const file of files) {
        try {
          await this.putOne(file, folder, payload);
          put++;
        } catch (error) {
          problems.push(wordsOf(error));
        }
      }
    } catch (error) {
      problems.push(wordsOf(error));
    }
    const more = problems.length - MOST_PROBLEMS;
    const told = [...problems.slice(0, MOST_PROBLEMS), ...(more > 0 ? [`${more} more like these.`] : [])];
    return problems.length === 0
      ? ({ status: 'put', files: put, error: null, at } as const)
      : ({ status: 'failed', files: put, error: told.join(' '), at } as const);
  }

  private async putOne(file: Handed, folder: string, payload: JobPayload): Promise<void> {
    const { db } = this.of;
    const path = join(payload.folder ?? '', file.name);
    const origin = `${payload.origin ?? ''}/${payload.output}`;
    const sha256 = await putInFolder(file, { folder, origin, before: await findHanded(db, path) });
    await putHanded(db, { path, sha256, origin });
  }

  /** The finished files of a job, and what goes beside them. */
  private async filesOf(job: JobSummary, payload: JobPayload): Promise<Handed[]> {
    const folder = this.of.folderOf(job.id);
    const files = job.files.map(({ name, sha256 }): Handed => {
      if (sha256 === undefined) throw new HandoverError(`What “${name}” should be is not known.`);
      return { name, content: { path: join(folder, name), sha256 } };
    });
    const papers: Handed[] = [];
    for (const name of job.files.length === 0 ? [] : job.papers) {
      const paper = await paperOf(payload, job.files, name, folder);
      if (paper !== undefined) papers.push({ name, content: { bytes: paper.bytes } });
    }
    return [...files, ...papers];
  }
}

const wordsOf = (error: unknown): string =>
  error instanceof HandoverError
    ? error.message
    : 'It failed on this machine; what was put so far is in the folder.';
