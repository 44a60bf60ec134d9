'use client';
import { DocumentDuplicateIcon } from '@heroicons/react/24/outline';
import { format as formatDay } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { ProjectSummary } from '@/contract/projects';
import { FORMATS } from '@/core/frame/formats';
import { RATES } from '@/core/time/rates';
import { SmallPicture } from '../picture/SmallPicture';
import { FirstSteps } from '../shared/FirstSteps';
import { ask, wordsOf } from '../shared/api';
import { ThingMenu } from '../shared/ThingMenu';
import { TopBar } from '../shared/TopBar';
import { NewProject } from './NewProject';
import { counted } from '../shared/counted';

/** All projects, the one that was worked on last first. */
export function ProjectList({ projects }: { readonly projects: readonly ProjectSummary[] }) {
  const [words, setWords] = useState('');
  const wanted = words.trim().toLowerCase();
  const shown = projects.filter(({ name, production }) =>
    `${name} ${production}`.toLowerCase().includes(wanted),
  );
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<h1 className="font-serif text-[17px] font-semibold">Projects</h1>}
        actions={
          <>
            <input
              type="search"
              aria-label="Find a project"
              placeholder="Find a project"
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className="h-8 w-52 rounded-lg border border-line-strong bg-field px-2.5"
            />
            <NewProject />
          </>
        }
      />
      <main id="content" tabIndex={-1} className="outline-none min-h-0 flex-1 overflow-y-auto p-4">
        {projects.length === 0 && (
          <FirstSteps here="desk">No projects yet. Start one with “New project”.</FirstSteps>
        )}
        {projects.length > 0 && shown.length === 0 && (
          <p className="p-6 text-soft">{`No project is called “${words.trim()}”.`}</p>
        )}
        <ul className="mx-auto grid max-w-3xl gap-2">
          {shown.map((project) => (
            <ProjectRow key={project.id} project={project} />
          ))}
        </ul>
      </main>
    </div>
  );
}

function ProjectRow({ project }: { readonly project: ProjectSummary }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const format = FORMATS.get(project.format);
  const copy = async (): Promise<void> => {
    setBusy(true);
    try {
      await ask(`projects/${project.id}/copy`, { method: 'POST' });
      router.refresh();
    } catch (error) {
      toast.error(wordsOf(error));
    }
    setBusy(false);
  };
  return (
    <li className="flex items-center gap-1">
      <Link
        href={`/desk/${project.id}`}
        className="flex min-w-0 flex-1 items-center gap-4 rounded-[10px] border border-line bg-card p-2.5 hover:border-line-strong"
      >
        <span aria-hidden="true" className="shrink-0 overflow-hidden rounded-md">
          <SmallPicture
            picture={project.picture === '' ? undefined : project.picture}
            seconds={0}
            widthPx={96}
          />
        </span>
        <span className="min-w-0 flex-1">
          <span className="block truncate font-serif text-[16px] font-semibold">{project.name}</span>
          <span className="block truncate text-soft">
            {`${project.production === '' ? '' : `${project.production} · `}${format.label} ${format.widthPx} × ${format.heightPx}, ${RATES.get(project.rate).label} frames a second`}
          </span>
        </span>
        <span className="text-right whitespace-nowrap text-soft">
          <span className="block">{counted(project.titleCount, 'title')}</span>
          <span className="block" suppressHydrationWarning>
            {formatDay(new Date(project.changedAt), 'd MMM yyyy')}
          </span>
        </span>
      </Link>
      <button
        type="button"
        aria-label={`Duplicate ${project.name}`}
        title="Duplicate"
        disabled={busy}
        onClick={() => void copy()}
        className="grid h-8 w-8 place-items-center rounded-lg text-soft hover:bg-paper hover:text-ink disabled:opacity-50"
      >
        <DocumentDuplicateIcon className="h-5 w-5" />
      </button>
      <ThingMenu
        thing={{ kind: 'project', id: project.id, name: project.name }}
        onChange={() => router.refresh()}
      />
    </li>
  );
}
