'use client';
import { useState } from 'react';
import type { PressPage } from '@/contract/jobs';
import { FirstSteps } from '../shared/FirstSteps';
import { Button } from '../shared/Button';
import { TopBar } from '../shared/TopBar';
import { JobCard } from './JobCard';
import { Machines } from './Machines';
import { Viewer } from './Viewer';
import type { Viewed } from './Viewer';
import { useJobs } from './useJobs';

/** The press: what is being rendered, what is ready, and a look at it. */
export function PressScreen(first: PressPage) {
  const { jobs, hasMore, machines, loadMore, reload } = useJobs(first);
  const [chosen, setChosen] = useState<Viewed | null>(null);
  const latest = jobs.find((job) => job.files.length > 0);
  // Its files may have been deleted since it was chosen.
  const isThere = jobs.some(
    ({ id, files }) => id === chosen?.job.id && files.some(({ name }) => name === chosen.file.name),
  );
  const viewed =
    (isThere ? chosen : null) ?? (latest === undefined ? null : { job: latest, file: latest.files[0] });
  return (
    <div className="flex h-dvh flex-col">
      <TopBar middle={<h1 className="sr-only">Press</h1>} />
      {!first.ffmpeg && (
        <p role="alert" className="border-b border-line bg-leaf-wash px-4 py-2 text-leaf-ink">
          There is no ffmpeg on this machine, so videos cannot be made. PNG stills and sequences can. Install
          the Debian package ffmpeg for the rest.
        </p>
      )}
      {machines !== null && <Machines machines={machines} />}
      <main id="content" tabIndex={-1} className="outline-none flex min-h-0 flex-1">
        <section aria-label="Jobs" className="min-h-0 flex-1 overflow-y-auto p-4">
          {jobs.length === 0 && (
            <FirstSteps here="press">
              Nothing has been sent to the press yet. Open a project on the desk and choose “Send to Press”.
            </FirstSteps>
          )}
          <ul className="grid gap-3">
            {jobs.map((job) => (
              <li key={job.id}>
                <JobCard
                  job={job}
                  filesDays={first.filesDays}
                  viewed={viewed}
                  onView={setChosen}
                  onAway={reload}
                />
              </li>
            ))}
          </ul>
          {hasMore && (
            <p className="pt-3 text-center">
              <Button onClick={loadMore}>Show older jobs</Button>
            </p>
          )}
        </section>
        <Viewer viewed={viewed} />
      </main>
    </div>
  );
}
