import { toast } from 'sonner';
import type { JobSummary } from '@/contract/jobs';
import { ask } from '../shared/api';

/** Says that a job is over, on the screen and to screen readers. */
export function announceJob({ name, status, error, files }: JobSummary): void {
  if (status === 'done')
    toast.success(`${name}: ${files.length === 1 ? 'the file is' : 'all files are'} ready.`);
  if (status === 'failed') toast.error(`${name} failed. ${error ?? ''}`.trim());
}

/** Announces each of some jobs as it ends, for as long as this page is open. */
export function announceJobs(ids: readonly string[]): void {
  const waiting = new Set(ids);
  const events = new EventSource('/api/jobs/events');
  const hear = (job: JobSummary): void => {
    if (job.endedAt === null || !waiting.delete(job.id)) return;
    announceJob(job);
    if (waiting.size === 0) events.close();
  };
  events.onmessage = (event: MessageEvent<string>) => {
    const job: JobSummary = JSON.parse(event.data);
    hear(job);
  };
  // What ended before anything could be heard, or while the connection was away.
  events.onopen = () => {
    for (const id of waiting) ask<JobSummary>(`jobs/${id}`).then(hear, () => undefined);
  };
}
