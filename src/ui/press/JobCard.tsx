'use client';
import { toast } from 'sonner';
import { FORMATS } from '@/core/frame/formats';
import { OUTPUTS } from '@/core/outputs';
import { RATES } from '@/core/time/rates';
import { ask, wordsOf } from '../shared/api';
import { Button } from '../shared/Button';
import { Pill } from '../shared/Pill';
import { ProgressBar } from '../shared/ProgressBar';
import { ThingMenu } from '../shared/ThingMenu';
import { fileActions } from './fileActions';
import { JobFileList } from './JobFileList';
import { keptWords, reusedWords, takenWords, timeLeft } from './jobWords';
import type { SeenJob } from './useJobs';
import type { Viewed } from './Viewer';
import { isStillJob } from './fileWords';
import { HandoverNotice } from './HandoverNotice';

interface Props {
  readonly job: SeenJob;
  /** For how many days finished files are kept; null where nobody deletes them. */
  readonly filesDays: number | null;
  readonly viewed: Viewed | null;
  readonly onView: (viewed: Viewed) => void;
  /** Called when the job went out of the way or came back. */
  readonly onAway: () => void;
}

const STATUS = {
  queued: { tone: 'quiet', words: 'queued' },
  running: { tone: 'look', words: 'rendering' },
  paused: { tone: 'quiet', words: 'paused' },
  done: { tone: 'pass', words: 'done' },
  failed: { tone: 'stop', words: 'failed' },
  cancelled: { tone: 'quiet', words: 'stopped' },
} as const;

/** A job: its progress and its files. */
export function JobCard({ job, filesDays, viewed, onView, onAway }: Props) {
  const { doneFrames, totalFrames } = job.progress;
  const { tone, words: status } = STATUS[job.status];
  const isNext = job.status === 'queued' && job.priority > 0;
  const words = isNext ? 'queued, next' : status;
  const unfinished = job.status === 'queued' || job.status === 'running';
  const isPaused = job.status === 'paused';
  const tell = (what: 'cancel' | 'retry' | 'pause' | 'first'): void =>
    void ask(`jobs/${job.id}/${what}`, { method: 'POST' }).catch((error: unknown) =>
      toast.error(wordsOf(error)),
    );
  const format = FORMATS.find(job.format);
  const details = [
    OUTPUTS.find(job.output)?.label ?? job.output,
    format === undefined ? '' : `${format.label} ${format.widthPx} × ${format.heightPx}`,
    isStillJob(job) ? '' : `${RATES.find(job.rate)?.label ?? job.rate} frames a second`,
    takenWords(job) || reusedWords(job),
    keptWords(job, filesDays),
    unfinished ? timeLeft(job, job.seenAt) : '',
  ];
  return (
    <article aria-label={job.name} className="rounded-[10px] border border-line bg-card p-3">
      <div className="flex items-center gap-3">
        <h2 className="min-w-0 flex-1 truncate font-serif text-[15px] font-semibold">{job.name}</h2>
        <Pill tone={tone}>{words}</Pill>
        {job.files.length + job.papers.length > 1 && job.files.length > 0 && !unfinished && (
          <a
            href={`/api/jobs/${job.id}/zip`}
            download
            className="inline-flex h-8 items-center rounded-lg border border-line-strong px-3 hover:bg-paper"
          >
            {`Download all ${job.files.length + job.papers.length}`}
          </a>
        )}
        {job.status === 'queued' && !isNext && (
          <Button title="Before all other jobs" onClick={() => tell('first')}>
            Make next
          </Button>
        )}
        {unfinished && (
          <Button title="Files that are finished stay" onClick={() => tell('pause')}>
            Pause
          </Button>
        )}
        {isPaused && <Button onClick={() => tell('retry')}>Go on</Button>}
        {(unfinished || isPaused) && <Button onClick={() => tell('cancel')}>Stop</Button>}
        {(job.status === 'failed' || job.status === 'cancelled' || job.filesGone !== null) && !unfinished && (
          <Button title="Makes what is not finished yet" onClick={() => tell('retry')}>
            {job.filesGone === null ? 'Try again' : 'Make again'}
          </Button>
        )}
        <ThingMenu
          thing={{ kind: 'job', id: job.id, name: job.name }}
          onChange={onAway}
          more={fileActions(job)}
        />
      </div>
      <p className="text-soft">{details.filter((part) => part !== '').join(' · ')}</p>
      {(unfinished || isPaused) && (
        <ProgressBar label="Progress" done={doneFrames} total={totalFrames} className="mt-2 h-2" />
      )}
      {(unfinished || isPaused) && (
        <p className="pt-1 font-mono text-[12px] text-soft">{`${doneFrames} of ${totalFrames} frames`}</p>
      )}
      <HandoverNotice job={job} />
      {job.error !== null && (
        <p role="alert" className="pt-1 text-stop-ink">
          {job.error}
        </p>
      )}
      {job.failures.length > 0 && job.titleCount > 1 && (
        <ul aria-label="Titles that could not be made" className="mt-2">
          {job.failures.map(({ name, message }) => (
            <li key={name} className="py-0.5 text-stop-ink">
              <span className="font-semibold">{name}</span>: {message}
            </li>
          ))}
        </ul>
      )}
      <JobFileList job={job} isOver={!unfinished} viewed={viewed} onView={onView} />
    </article>
  );
}
