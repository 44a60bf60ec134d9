import type { JobSummary } from '@/contract/jobs';

/** A size in bytes as people say it. */
export function bytesToWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1e6) return `${Math.round(bytes / 1e3)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(2)} GB`;
}

/** How far a job is and how long it still takes, from its own pace so far; empty before there is a pace. */
export function timeLeft(job: JobSummary, now: number): string {
  const { doneFrames, totalFrames } = job.progress;
  if (now === 0 || job.status !== 'running' || job.startedAt === null || doneFrames === 0) return '';
  const passed = (now - Date.parse(job.startedAt)) / 1000;
  const left = Math.max(0, (passed / doneFrames) * (totalFrames - doneFrames));
  return left < 90 ? `about ${Math.ceil(left)} s left` : `about ${Math.ceil(left / 60)} min left`;
}

/** How many frames did not have to be painted again. */
export function reusedWords(job: JobSummary): string {
  const { doneFrames, paintedFrames } = job.progress;
  const reused = Math.max(0, doneFrames - paintedFrames);
  return reused === 0 ? '' : `${reused} of ${doneFrames} frames reused`;
}
