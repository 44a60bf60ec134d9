import { join } from 'node:path';
import type { OrderPreview } from '@/contract/jobs';
import { FORMATS } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import { estimateFiles } from '@/core/outputs/estimate';
import { shadesOf } from '@/core/outputs/output';
import type { Db } from '@/db/open';
import { findRenders, recentRenders } from '@/db/renders';
import type { JobPayload } from '@/db/schema';
import { isThere } from '../isThere';
import { renderKey } from './renderKey';
import { framesOf } from './renderTitle';

// More would only bring in what the machine was like long ago.
const MOST_SAMPLES = 60;

const MOST_NAMES = 3;

function fileNames({ titles, output }: JobPayload): string[] {
  const { extension } = OUTPUTS.get(output);
  return titles.map(({ fileStem }) => `${fileStem}.${extension}`);
}

interface PreviewOf {
  readonly db: Db;
  readonly folderOf: (jobId: string) => string;
  readonly lanes: number;
}

/** What jobs would come to: how many of their files are there already, and what the others take. Room is left to others. */
export async function previewJobs(
  payloads: readonly JobPayload[],
  { db, folderOf, lanes }: PreviewOf,
): Promise<Omit<OrderPreview, 'roomBytes'>> {
  let [files, reused, basis] = [0, 0, 0];
  let [seconds, bytes]: (number | null)[] = [0, 0];
  for (const payload of payloads) {
    const keyed = payload.titles.map((title) => ({ title, key: renderKey(payload, title) }));
    const made = await findRenders(
      db,
      keyed.map(({ key }) => key),
    );
    const here = await Promise.all(
      keyed.map(async ({ key }) => {
        const file = made.get(key);
        return file !== undefined && (await isThere(join(folderOf(file.jobId), file.facts.name)));
      }),
    );
    files += keyed.length;
    reused += here.filter(Boolean).length;
    const { widthPx, heightPx } = FORMATS.get(payload.format);
    const wanted = keyed
      .filter((_, i) => !here[i])
      .map(({ title }) => ({ pixels: widthPx * heightPx, frames: framesOf(payload, title) }));
    if (wanted.length === 0) continue;
    const output = OUTPUTS.get(payload.output);
    const fine = shadesOf(output, payload.fine === true) !== 'plain';
    const samples = (await recentRenders(db, payload.output, MOST_SAMPLES)).flatMap((facts) =>
      facts.seconds === undefined || facts.reused === true || (facts.fine === true) !== fine
        ? []
        : [{ ...facts, seconds: facts.seconds, pixels: facts.widthPx * facts.heightPx }],
    );
    const estimate = estimateFiles(samples, wanted, lanes);
    basis += samples.length;
    seconds = estimate === null || seconds === null ? null : seconds + estimate.seconds;
    bytes = estimate === null || bytes === null ? null : bytes + estimate.bytes;
  }
  return {
    files,
    reused,
    seconds,
    bytes: bytes === null ? null : Math.round(bytes),
    basis,
    folders: [...new Set(payloads.flatMap(({ folder }) => folder ?? []))],
    names: payloads.flatMap(fileNames).slice(0, MOST_NAMES),
    alike: payloads.reduce((sum, { alike = 0 }) => sum + alike, 0),
  };
}
