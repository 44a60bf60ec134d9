import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { OldFiles } from '@/contract/jobs';
import { keepFilesSchema } from '@/contract/jobs';
import { checkValue } from '@/core/model/check';
import { findHouse } from '@/db/house';
import { filesOverBefore, jobsOverBefore, jobsThatKeepFiles, noteFilesGone, setKeep } from '@/db/jobFiles';
import { tellAll } from '@/db/runs';
import { ConflictError, NotFoundError } from '../respond';
import type { Workshop } from '../workshop';
import { workshop } from '../workshop';
import { getJob } from './jobs';

type LeftIn = Pick<Workshop, 'db' | 'renderFolder'>;

const DAY_MS = 24 * 60 * 60 * 1000;

/** Deletes the files of a job that is over; what was put into a folder of delivery stays. Throws ConflictError for one that has none. */
export async function deleteJobFiles(id: string): Promise<void> {
  await getJob(id);
  if (!(await dropFiles(await workshop(), id)))
    throw new ConflictError('This job has no finished files, or it is not over yet. Stop it first.');
}

/** Says whether the files of a job are kept however old they get. */
export async function keepJobFiles(id: string, body: unknown): Promise<void> {
  const { keep } = checkValue<{ readonly keep: boolean }>(keepFilesSchema, body, 'Request');
  await getJob(id);
  const { db } = await workshop();
  await setKeep(db, id, keep);
  await tellAll(db, 'gilder_jobs', id);
}

/** What files would be deleted if they were kept for so many days. Throws NotFoundError for no such number. */
export async function oldFiles(days: string): Promise<OldFiles> {
  if (!/^[1-9]\d{0,3}$/.test(days)) throw new NotFoundError('Ask for a whole number of days, 1 to 9999.');
  const { db } = await workshop();
  return filesOverBefore(db, new Date(Date.now() - Number(days) * DAY_MS));
}

/** Deletes the files of jobs that were over longer ago than the House keeps files; none where it keeps them all. */
export async function sweepJobFiles(
  shop: Pick<Workshop, 'db' | 'press'>,
  now = Date.now(),
): Promise<readonly string[]> {
  const { filesDays } = (await findHouse(shop.db)).document;
  if (filesDays === undefined) return [];
  const ids = await jobsOverBefore(shop.db, new Date(now - filesDays * DAY_MS));
  for (const id of ids) await dropFiles(shop, id);
  return ids;
}

/** Deletes folders that stayed because the server ended after it had noted that their files, or their jobs, are gone. */
export async function sweepLeftFolders({ db, renderFolder }: LeftIn): Promise<readonly string[]> {
  const entries = await readdir(renderFolder, { withFileTypes: true }).catch(() => []);
  const ids = entries.filter((entry) => entry.isDirectory()).map(({ name }) => name);
  const kept = ids.length === 0 ? new Set() : await jobsThatKeepFiles(db, ids);
  const left = ids.filter((id) => !kept.has(id));
  for (const id of left) await rm(join(renderFolder, id), { recursive: true, force: true });
  return left;
}

/** Said before it is done: whoever asks meanwhile is told that they are gone, and not that they are broken. */
async function dropFiles({ db, press }: Pick<Workshop, 'db' | 'press'>, id: string): Promise<boolean> {
  if (!(await noteFilesGone(db, id))) return false;
  await rm(press.folderOf(id), { recursive: true, force: true });
  await tellAll(db, 'gilder_jobs', id);
  return true;
}
