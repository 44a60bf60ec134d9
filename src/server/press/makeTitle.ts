import { mkdirSync } from 'node:fs';
import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { FileFacts } from '@/contract/jobs';
import { OUTPUTS } from '@/core/outputs';
import type { Db } from '@/db/open';
import { findLastOfLine, findRender, putRender } from '@/db/renders';
import type { JobContent, JobPayload } from '@/db/schema';
import { lineKey, renderKey } from './renderKey';
import type { RenderPool } from './renderPool';
import type { Attempt, OnFrames } from './renderTitle';
import { renderTitle } from './renderTitle';
import { openEarlier } from './reuse/earlierFile';
import type { Sources } from './sources';
import { takeMade } from './takeMade';

/** A title of a job, to be made by one try of many that there may be. */
interface TitleWork {
  readonly jobId: string;
  readonly payload: JobPayload;
  readonly title: JobContent;
  readonly attempt: Attempt;
  readonly signal: AbortSignal;
  readonly onFrames: OnFrames;
}

/** Makes titles, in the folders of their jobs. */
export interface TitleMaker {
  /** Makes the file of a title, or takes it as it was made before. */
  make(work: TitleWork): Promise<FileFacts>;
  /** Removes what a try left that ended without a word. */
  clear(jobId: string, token: string): Promise<void>;
}

interface MakerOf {
  readonly db: Db;
  readonly pool: RenderPool;
  /** Where the folders of jobs lie. */
  readonly folder: string;
  readonly sources: Sources;
}

export function titleMaker({ db, pool, folder: root, sources }: MakerOf): TitleMaker {
  const folderOf = (jobId: string): string => join(root, jobId);

  /** The file of a title as another job made it, in this job's folder; null where it has to be made. */
  const made = async (key: string, { jobId, title }: TitleWork): Promise<FileFacts | null> => {
    const known = await findRender(db, key);
    if (known === undefined) return null;
    const taken = await takeMade(known, folderOf(known.jobId), folderOf(jobId), title.fileStem);
    return taken && { ...known.facts, ...taken, titleId: title.titleId, reused: true };
  };

  /** Makes the file; of a title that was made before only those pictures that changed. */
  const makeNew = async (line: string | null, work: TitleWork): Promise<FileFacts> => {
    const last = line === null ? undefined : await findLastOfLine(db, line);
    const output = OUTPUTS.get(work.payload.output);
    const earlier = last === undefined ? null : await openEarlier(last, folderOf(last.jobId), output);
    try {
      return await renderTitle({ ...work, folder: folderOf(work.jobId), earlier, pool, sources });
    } finally {
      await earlier?.close();
    }
  };

  const make = async (work: TitleWork): Promise<FileFacts> => {
    const { jobId, payload, title } = work;
    const folder = folderOf(jobId);
    try {
      mkdirSync(folder, { recursive: true });
      const key = renderKey(payload, title);
      const line = lineKey(payload, title);
      const file = (await made(key, work)) ?? (await makeNew(line, work));
      await putRender(
        db,
        { key, line, output: payload.output },
        { jobId, facts: { ...file, reused: false } },
      );
      return file;
    } catch (error) {
      throw new Error(wordsOf(error, folder), { cause: error });
    }
  };

  const clear = async (jobId: string, token: string): Promise<void> => {
    const folder = folderOf(jobId);
    const names = await readdir(folder).catch(() => []);
    for (const name of names)
      if (name.includes(`.${token}.part`)) await rm(join(folder, name), { recursive: true, force: true });
  };

  return { make, clear };
}

/** What went wrong, in words, without the folders of this machine. */
function wordsOf(error: unknown, folder: string): string {
  const message = error instanceof Error ? error.message : String(error);
  return message.replaceAll(`${folder}/`, '');
}
