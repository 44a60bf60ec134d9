'use client';
import { useEffect, useState } from 'react';
import type { JobSummary } from '@/contract/jobs';
import { ask } from '../shared/api';

/** A job, and when this page last heard of it (milliseconds; 0 before it has). */
export interface SeenJob extends JobSummary {
  readonly seenAt: number;
}

/** The jobs, kept up to date by the server; looked at afresh when the connection comes back. */
export function useJobs(first: readonly JobSummary[]): readonly SeenJob[] {
  const [jobs, setJobs] = useState<readonly SeenJob[]>(() => first.map((job) => ({ ...job, seenAt: 0 })));
  useEffect(() => {
    const events = new EventSource('/api/jobs/events');
    events.onmessage = (event: MessageEvent<string>) => {
      const heard: JobSummary = JSON.parse(event.data);
      const job = { ...heard, seenAt: Date.now() };
      setJobs((now) =>
        now.some((one) => one.id === job.id)
          ? now.map((one) => (one.id === job.id ? job : one))
          : [job, ...now],
      );
    };
    events.onopen = () => {
      ask<{ jobs: readonly JobSummary[] }>('jobs').then(
        (answer) => setJobs(answer.jobs.map((job) => ({ ...job, seenAt: Date.now() }))),
        () => undefined,
      );
    };
    return () => events.close();
  }, []);
  return jobs;
}
