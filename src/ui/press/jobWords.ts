import type { JobSummary } from '@/contract/jobs';
import { bytesToWords } from '@/core/kit/bytes';
import { counted } from '../shared/counted';

// The first frames also wait for what is started for them.
const PACE_FRAMES = 10;

/** How far a job is and how long it still takes, from its own pace so far; empty before there is a pace. */
export function timeLeft(job: JobSummary, now: number): string {
  const { doneFrames, totalFrames } = job.progress;
  if (now === 0 || job.status !== 'running' || job.startedAt === null) return '';
  if (doneFrames === 0 || doneFrames < Math.min(PACE_FRAMES, totalFrames / 4)) return '';
  const passed = (now - Date.parse(job.startedAt)) / 1000;
  const left = Math.max(0, (passed / doneFrames) * (totalFrames - doneFrames));
  return left < 90 ? `about ${Math.ceil(left)} s left` : `about ${Math.ceil(left / 60)} min left`;
}

/** How many files were taken as another job made them. */
export function takenWords({ files }: JobSummary): string {
  const taken = files.filter(({ reused }) => reused === true).length;
  return taken === 0 ? '' : `${taken} of ${files.length} files as made before`;
}

/** How many frames did not have to be painted again. */
export function reusedWords(job: JobSummary): string {
  const { doneFrames, paintedFrames } = job.progress;
  const reused = Math.max(0, doneFrames - paintedFrames);
  return reused === 0 ? '' : `${reused} of ${doneFrames} frames reused`;
}

/** Where a job's files were put, or will be; empty where they stay on the press. */
export function handoverWords({ handover, status }: JobSummary): string {
  if (handover === null) return '';
  const { folder, files } = handover;
  const into = folder === '' ? 'the folder of delivery' : `${folder}`;
  switch (handover.status) {
    case 'waiting':
      return status === 'cancelled' ? `Not put into ${into}` : `To be put into ${into}`;
    case 'put':
      return `${counted(files, 'file')} put into ${into} and read back`;
    case 'failed':
      return `${files === 0 ? 'Nothing' : `Only ${counted(files, 'file')}`} put into ${into}.`;
  }
}

const DAY_MS = 24 * 60 * 60 * 1000;

const dayOf = (time: number): string =>
  new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** For how long a job's files are still there, or what they were; empty where nobody deletes them. */
export function keptWords({ files, keep, endedAt, filesGone }: JobSummary, filesDays: number | null): string {
  if (filesGone !== null)
    return `${counted(filesGone.files, 'file')} (${bytesToWords(filesGone.bytes)}) deleted on ${dayOf(Date.parse(filesGone.at))}`;
  if (files.length === 0 || endedAt === null) return '';
  if (keep) return 'files are kept';
  if (filesDays === null) return '';
  return `files until ${dayOf(Date.parse(endedAt) + filesDays * DAY_MS)}`;
}
