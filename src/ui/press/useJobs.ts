'use client';
import { useCallback, useEffect, useState } from 'react';
import type { JobSummary, PressPage } from '@/contract/jobs';
import { ask } from '../shared/api';
import { announceJob } from './announceJobs';

/** A job, and when this page last heard of it (milliseconds; 0 before it has). */
export interface SeenJob extends JobSummary {
  readonly seenAt: number;
}

export interface Jobs {
  readonly jobs: readonly SeenJob[];
  /** Whether there are older ones than those that are here. */
  readonly hasMore: boolean;
  readonly loadMore: () => void;
  /** Asks for the newest afresh. */
  readonly reload: () => void;
}

type State = Pick<Jobs, 'jobs' | 'hasMore'>;

const seen = (jobs: readonly JobSummary[], seenAt: number): SeenJob[] =>
  jobs.map((job) => ({ ...job, seenAt }));

/** The jobs, kept up to date by the server; looked at afresh when the connection comes back. */
export function useJobs(first: PressPage): Jobs {
  const [state, setState] = useState<State>(() => ({ jobs: seen(first.jobs, 0), hasMore: first.hasMore }));
  const reload = useCallback(() => {
    ask<PressPage>('jobs').then(
      ({ jobs, hasMore }) => setState({ jobs: seen(jobs, Date.now()), hasMore }),
      () => undefined,
    );
  }, []);
  useEffect(() => {
    const events = new EventSource('/api/jobs/events');
    events.onmessage = (event: MessageEvent<string>) => {
      const heard: JobSummary = JSON.parse(event.data);
      if (heard.endedAt !== null) announceJob(heard);
      setState((now) => ({ ...now, jobs: withJob(now.jobs, { ...heard, seenAt: Date.now() }) }));
    };
    events.onopen = reload;
    return () => events.close();
  }, [reload]);
  const oldest = state.jobs.at(-1)?.id;
  const loadMore = useCallback(() => {
    ask<PressPage>(`jobs?before=${oldest}`).then(
      ({ jobs, hasMore }) => setState((now) => ({ jobs: [...now.jobs, ...seen(jobs, Date.now())], hasMore })),
      () => undefined,
    );
  }, [oldest]);
  return { ...state, loadMore, reload };
}

function withJob(jobs: readonly SeenJob[], job: SeenJob): readonly SeenJob[] {
  return jobs.some((one) => one.id === job.id)
    ? jobs.map((one) => (one.id === job.id ? job : one))
    : [job, ...jobs];
}
