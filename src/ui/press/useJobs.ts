'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { JobSummary, PressMachine, PressPage } from '@/contract/jobs';
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
  /** The machines that are there; null where none but the server itself can be. */
  readonly machines: readonly PressMachine[] | null;
  readonly loadMore: () => void;
  /** Asks for the newest afresh. */
  readonly reload: () => void;
}

type State = Pick<Jobs, 'jobs' | 'hasMore' | 'machines'>;

// Machines come and go without a word of any job.
const LOOK_AT_MACHINES_MS = 5000;

const seen = (jobs: readonly JobSummary[], seenAt: number): SeenJob[] =>
  jobs.map((job) => ({ ...job, seenAt }));

/** The jobs, kept up to date by the server; looked at afresh when the connection comes back. */
export function useJobs(first: PressPage): Jobs {
  const [state, setState] = useState<State>(() => ({ ...first, jobs: seen(first.jobs, 0) }));
  const reload = useCallback(() => {
    ask<PressPage>('jobs').then(
      (page) => setState({ ...page, jobs: seen(page.jobs, Date.now()) }),
      () => undefined,
    );
  }, []);
  const isShared = first.machines !== null;
  useEffect(() => {
    if (!isShared) return;
    const look = (): void => {
      ask<PressPage>('jobs').then(
        ({ machines }) => setState((now) => ({ ...now, machines })),
        () => undefined,
      );
    };
    const timer = setInterval(look, LOOK_AT_MACHINES_MS);
    return () => clearInterval(timer);
  }, [isShared]);
  const over = useRef(new Map(first.jobs.map(({ id, endedAt }) => [id, endedAt])));
  useEffect(() => {
    const events = new EventSource('/api/jobs/events');
    events.onmessage = (event: MessageEvent<string>) => {
      const heard: JobSummary = JSON.parse(event.data);
      // Much is told of jobs that are over: it is said once that they are.
      if (heard.endedAt !== null && over.current.get(heard.id) !== heard.endedAt) announceJob(heard);
      over.current.set(heard.id, heard.endedAt);
      setState((now) => ({ ...now, jobs: withJob(now.jobs, { ...heard, seenAt: Date.now() }) }));
    };
    events.onopen = reload;
    return () => events.close();
  }, [reload]);
  const oldest = state.jobs.at(-1)?.id;
  const loadMore = useCallback(() => {
    ask<PressPage>(`jobs?before=${oldest}`).then(
      ({ jobs, hasMore }) =>
        setState((now) => ({ ...now, jobs: [...now.jobs, ...seen(jobs, Date.now())], hasMore })),
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
