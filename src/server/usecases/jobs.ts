import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { JobSummary } from '@/contract/jobs';
import type { JobRecord } from '@/db/jobs';
import { findJob, listJobs } from '@/db/jobs';
import { hasFfmpeg } from '../press/ffmpeg';
import { orderToPayload, parseOrder } from '../press/orderJob';
import { posterName } from '../press/renderTitle';
import { NotFoundError } from '../respond';
import { streamToWeb } from '../streamToWeb';
import { workshop } from '../workshop';

/** What the press shows of a job: everything but the documents that are rendered. */
export function jobToSummary({ payload, ...job }: JobRecord): JobSummary {
  return {
    ...job,
    name: payload.name,
    output: payload.output,
    format: payload.format,
    rate: payload.rate,
    titleCount: payload.titles.length,
  };
}

/** The last jobs, and whether this machine can make videos. */
export async function getPress(): Promise<{ jobs: JobSummary[]; ffmpeg: boolean }> {
  return { jobs: (await listJobs((await workshop()).db)).map(jobToSummary), ffmpeg: hasFfmpeg() };
}

/** Sends titles to the press; gives the job's id. */
export async function orderJob(body: unknown): Promise<string> {
  const { db, press } = await workshop();
  return press.enqueue(await orderToPayload(db, parseOrder(body), hasFfmpeg()));
}

/** Stops a job. */
export async function cancelJob(id: string): Promise<void> {
  await (await workshop()).press.cancel(id);
}

const MEDIA_TYPES: Readonly<Record<string, string>> = {
  mov: 'video/quicktime',
  webm: 'video/webm',
  png: 'image/png',
  zip: 'application/zip',
};

/** A finished file as a download, in the page, or as a picture of it at rest. Only names that the job lists are ever opened. */
export async function jobFile(
  id: string,
  name: string,
  show: 'download' | 'inline' | 'rest',
): Promise<Response> {
  const { db, press } = await workshop();
  const job = await findJob(db, id);
  const file = job?.files.find((one) => one.name === name);
  if (file === undefined) throw new NotFoundError(`There is no file "${name}" in this job.`);
  const sent = show === 'rest' ? posterName(file.name) : file.name;
  const path = join(press.folderOf(id), sent);
  const { size } = await stat(path).catch(() => {
    throw new NotFoundError(
      `The file "${name}" is no longer in the data folder. Send the titles to the press again.`,
    );
  });
  const disposition =
    show !== 'download' ? 'inline' : `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`;
  return new Response(streamToWeb(createReadStream(path)), {
    headers: {
      'Content-Type': MEDIA_TYPES[sent.split('.').pop() ?? ''] ?? 'application/octet-stream',
      'Content-Length': String(size),
      'Content-Disposition': disposition,
    },
  });
}
