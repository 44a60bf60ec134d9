'use client';
import { ArrowDownTrayIcon } from '@heroicons/react/24/outline';
import { bytesToWords } from '@/core/kit/bytes';
import { classes } from '../shared/classes';
import { isStillJob } from './fileWords';
import type { SeenJob } from './useJobs';
import type { Viewed } from './Viewer';

/** Where a file of a job is downloaded from. */
export function fileHref(jobId: string, name: string): string {
  return `/api/jobs/${jobId}/files/${encodeURIComponent(name)}`;
}

interface Props {
  readonly job: SeenJob;
  readonly isOver: boolean;
  readonly viewed: Viewed | null;
  readonly onView: (viewed: Viewed) => void;
}

/** The files of a job, and what goes beside them. */
export function JobFileList({ job, isOver, viewed, onView }: Props) {
  return (
    <>
      {job.papers.length > 0 && job.files.length > 0 && isOver && (
        <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="text-soft">{job.files.length === 1 ? 'Beside it' : 'Beside them'}</span>
          {job.papers.map((name) => (
            <a
              key={name}
              href={`/api/jobs/${job.id}/papers/${encodeURIComponent(name)}`}
              download
              className="font-semibold text-leaf-ink underline"
            >
              {name}
            </a>
          ))}
        </p>
      )}
      {job.files.length > 0 && (
        <ul className="mt-2 border-t border-line">
          {job.files
            .toSorted((a, b) => (a.name < b.name ? -1 : 1))
            .map((file) => (
              <li
                key={file.name}
                className={classes(
                  'flex items-center gap-3 border-b border-line py-1 last:border-b-0',
                  viewed?.file.name === file.name && viewed.job.id === job.id && 'bg-leaf-wash',
                )}
              >
                <button
                  type="button"
                  onClick={() => onView({ job, file })}
                  className="min-w-0 flex-1 truncate px-1 text-left font-semibold"
                >
                  {file.name}
                </button>
                <span className="font-mono text-[12px] text-soft">
                  {isStillJob(job)
                    ? bytesToWords(file.bytes)
                    : `${file.frames} f · ${bytesToWords(file.bytes)}`}
                </span>
                <a
                  href={fileHref(job.id, file.name)}
                  download
                  className="grid h-7 w-7 place-items-center rounded-md hover:bg-paper"
                  aria-label={`Download ${file.name}`}
                  title="Download"
                >
                  <ArrowDownTrayIcon className="h-4 w-4" />
                </a>
              </li>
            ))}
        </ul>
      )}
    </>
  );
}
