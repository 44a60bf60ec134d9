import { join } from 'node:path';
import { Readable } from 'node:stream';
import type { JobSummary, MissingOutputs, OrderPreview, PressPage } from '@/contract/jobs';
import { wellFormedText } from '@/core/kit/wellFormed';
import { findHouse } from '@/db/house';
import { noteHandover } from '@/db/handovers';
import { tellAll } from '@/db/runs';
import { findJob, findPayload, listJobs } from '@/db/jobs';
import { OUTPUTS } from '@/core/outputs';
import { missingFor } from '@/core/outputs/output';
import { ffmpegEncoders, hasFfmpeg } from '../press/ffmpeg';
import { fileSlug } from '@/core/kit/fileSlug';
import { deliveryFolder } from '../press/machineSettings';
import { orderToPayload, parseOrder, parseOrders, refuseSharedNames } from '../press/orderJob';
import { roomBytes } from '../incoming/disk';
import { isThere } from '../isThere';
import { paperOf } from '../press/papers';
import { previewJobs } from '../press/previewOrders';
import { posterName } from '../press/posterName';
import { zipFiles } from '../press/zipFiles';
import { ConflictError, NotFoundError, readId } from '../respond';
import { sendFile } from '../sendFile';
import { streamToWeb } from '../streamToWeb';
import { workshop } from '../workshop';
import { refuseDeleted } from './room';

const JOBS_ON_A_PAGE = 50;

/** A page of jobs, the newest first, and whether this machine can make videos. */
export async function getPress(before?: string): Promise<PressPage> {
  const { db, press } = await workshop();
  const jobs = await listJobs(db, JOBS_ON_A_PAGE + 1, before);
  return {
    machines: press.isShared ? await press.machines() : null,
    jobs: jobs.slice(0, JOBS_ON_A_PAGE),
    hasMore: jobs.length > JOBS_ON_A_PAGE,
    filesDays: (await findHouse(db)).document.filesDays ?? null,
    ffmpeg: hasFfmpeg(),
  };
}

/** The kinds of file that this machine cannot make, and why. */
export function missingOutputs(): MissingOutputs {
  const there = ffmpegEncoders();
  return {
    hasFolder: deliveryFolder() !== null,
    missing: OUTPUTS.list.flatMap((output) => {
      const needs = missingFor(output, there);
      return needs === null ? [] : [{ output: output.id, needs }];
    }),
  };
}

/** A job as it stands. Throws NotFoundError, and GoneError for one that was deleted. */
export async function getJob(id: string): Promise<JobSummary> {
  const { db } = await workshop();
  const job = await findJob(db, readId(id, 'job'));
  if (job === undefined) throw new NotFoundError(`There is no job "${id}".`);
  await refuseDeleted(db, 'job', id);
  return job;
}

/** Sends titles to the press; gives the job's id. */
export async function orderJob(body: unknown): Promise<string> {
  const { db, press } = await workshop();
  return press.enqueue(await orderToPayload(db, parseOrder(body), ffmpegEncoders()));
}

/**
 * Queues a job again. Throws NotFoundError, and ConflictError for one that neither failed nor was stopped or paused, and
 * whose files are there.
 */
export async function retryJob(id: string): Promise<void> {
  const { status, filesGone } = await getJob(id);
  const again = status === 'failed' || status === 'cancelled' || status === 'paused';
  if (!again && filesGone === null)
    throw new ConflictError(`This job is ${status}, so there is nothing to try again.`);
  await (await workshop()).press.retry(id);
}

/** Lets a job wait until it is queued again. Throws NotFoundError, and ConflictError for one that is not to be made. */
export async function pauseJob(id: string): Promise<void> {
  const { status } = await getJob(id);
  if (status !== 'queued' && status !== 'running')
    throw new ConflictError(`This job is ${status}, so it cannot be paused.`);
  await (await workshop()).press.pause(id);
}

/** Puts a job before all others. Throws NotFoundError, and ConflictError for one that is over. */
export async function putJobFirst(id: string): Promise<void> {
  const { status } = await getJob(id);
  if (status !== 'queued' && status !== 'running' && status !== 'paused')
    throw new ConflictError(`This job is ${status} already, so nothing of it waits.`);
  await (await workshop()).press.putFirst(id);
}

/**
 * Puts the files of a job into the folder of delivery again. Throws NotFoundError, and ConflictError for one whose files
 * are not to be put there, or are not made yet.
 */
export async function handOverAgain(id: string): Promise<void> {
  const { handover, endedAt } = await getJob(id);
  const { db, handOver } = await workshop();
  if (handover === null)
    throw new ConflictError('The files of this job are not to be put into a folder of delivery.');
  if (endedAt === null) throw new ConflictError('This job is not over yet.');
  await noteHandover(db, id, { status: 'waiting' });
  await tellAll(db, 'gilder_jobs', id);
  void handOver.look();
}

/** What several orders would come to; nothing is sent. */
export async function previewOrders(body: unknown): Promise<OrderPreview> {
  const { db, press, dataFolder } = await workshop();
  const payloads = [];
  for (const order of parseOrders(body)) payloads.push(await orderToPayload(db, order, ffmpegEncoders()));
  refuseSharedNames(payloads);
  const lanes = await press.lanes();
  const preview = await previewJobs(payloads, { db, lanes, folderOf: (id) => press.folderOf(id) });
  return { ...preview, roomBytes: Math.max(0, await roomBytes(dataFolder)) };
}

/** Sends several orders to the press, all or none; gives the ids of their jobs. */
export async function orderJobs(body: unknown): Promise<string[]> {
  const { db, press } = await workshop();
  const payloads = [];
  for (const order of parseOrders(body)) payloads.push(await orderToPayload(db, order, ffmpegEncoders()));
  refuseSharedNames(payloads);
  const ids: string[] = [];
  for (const payload of payloads) ids.push(await press.enqueue(payload));
  return ids;
}

/** All finished files of a job as one zip. Throws NotFoundError, and ConflictError while there are none. */
export async function jobZip(id: string): Promise<Response> {
  const { db, press } = await workshop();
  const { name, files, papers } = await getJob(id);
  if (files.length === 0) throw new ConflictError('This job has no finished files yet.');
  const folder = press.folderOf(id);
  const zipped = files.map((file) => ({ name: file.name, path: join(folder, file.name) }));
  const gone = await Promise.all(zipped.map(async ({ path }) => !(await isThere(path))));
  if (gone.includes(true))
    throw new NotFoundError(
      'Files of this job are no longer in the data folder. Send its titles to the press again.',
    );
  const payload = papers.length === 0 ? undefined : await findPayload(db, id);
  const beside: { readonly name: string; readonly bytes: Uint8Array }[] = [];
  for (const paper of payload === undefined ? [] : papers) {
    const made = payload && (await paperOf(payload, files, paper, folder));
    if (made !== undefined) beside.push({ name: paper, bytes: made.bytes });
  }
  const saveAs = `${fileSlug(name) || 'titles'}.zip`;
  return new Response(streamToWeb(Readable.from(zipFiles([...zipped, ...beside]), { objectMode: false })), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(saveAs)}`,
      'Cache-Control': 'private, no-store',
    },
  });
}

/** What goes beside a job's files, as they are now. Throws NotFoundError for a name that the job does not have. */
export async function jobPaper(id: string, name: string): Promise<Response> {
  const { db, press } = await workshop();
  const { files } = await getJob(id);
  const payload = await findPayload(db, id);
  const paper = payload && (await paperOf(payload, files, name, press.folderOf(id)));
  if (paper === undefined) throw new NotFoundError(`There is no file "${wellFormedText(name)}" in this job.`);
  return new Response(new Uint8Array(paper.bytes), {
    headers: {
      'Content-Type': paper.mediaType,
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'Cache-Control': 'private, no-store',
      'X-Content-Type-Options': 'nosniff',
    },
  });
}

/** Stops a job that waits or runs. Throws NotFoundError, and ConflictError for one that is over. */
export async function cancelJob(id: string): Promise<void> {
  const { status } = await getJob(id);
  if (status !== 'queued' && status !== 'running' && status !== 'paused')
    throw new ConflictError(`This job is ${status} already, so there is nothing to cancel.`);
  await (await workshop()).press.cancel(id);
}

const MEDIA_TYPES: ReadonlyMap<string, string> = new Map([
  ['mov', 'video/quicktime'],
  ['webm', 'video/webm'],
  ['webp', 'image/webp'],
  ['mxf', 'application/mxf'],
  ['tif', 'image/tiff'],
  ['tga', 'image/x-tga'],
  ['exr', 'image/x-exr'],
  ['mp4', 'video/mp4'],
  ['png', 'image/png'],
  ['zip', 'application/zip'],
]);

/** A finished file as a download, in the page, or as a picture of it at rest. Only names that the job lists are ever opened. */
export async function jobFile(
  request: Request,
  id: string,
  name: string,
  show: 'download' | 'inline' | 'rest',
): Promise<Response> {
  const { press } = await workshop();
  const file = (await getJob(id)).files.find((one) => one.name === name);
  if (file === undefined) throw new NotFoundError(`There is no file "${wellFormedText(name)}" in this job.`);
  const sent = show === 'rest' ? posterName(file.name) : file.name;
  return sendFile(request, join(press.folderOf(id), sent), {
    mediaType: MEDIA_TYPES.get(sent.split('.').pop() ?? '') ?? 'application/octet-stream',
    gone: `The file "${name}" is no longer in the data folder. Send the titles to the press again.`,
    ...(show === 'download' ? { saveAs: file.name } : {}),
    ...(show === 'rest' || file.sha256 === undefined ? {} : { sha256: file.sha256 }),
  });
}
