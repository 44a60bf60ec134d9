'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { ProjectSummary } from '@/contract/projects';
import { FORMATS } from '@/core/frame/formats';
import { RATES } from '@/core/time/rates';
import { ThingMenu } from '../shared/ThingMenu';
import { TopBar } from '../shared/TopBar';
import { NewProject } from './NewProject';
import { counted } from '../shared/counted';

/** All projects. */
export function ProjectList({ projects }: { readonly projects: readonly ProjectSummary[] }) {
  const router = useRouter();
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<h1 className="font-serif text-[17px] font-semibold">Projects</h1>}
        actions={<NewProject />}
      />
      <main className="min-h-0 flex-1 overflow-y-auto p-4">
        {projects.length === 0 && (
          <p className="p-6 text-soft">No projects yet. Start one with “New project”.</p>
        )}
        <ul className="mx-auto grid max-w-3xl gap-2">
          {projects.map((project) => {
            const format = FORMATS.get(project.format);
            return (
              <li key={project.id} className="flex items-center gap-1">
                <Link
                  href={`/desk/${project.id}`}
                  className="flex min-w-0 flex-1 items-baseline gap-3 rounded-[10px] border border-line bg-card px-4 py-3 hover:border-line-strong"
                >
                  <span className="font-serif text-[16px] font-semibold">{project.name}</span>
                  <span className="text-soft">{project.production}</span>
                  <span className="flex-1" />
                  <span className="text-soft">
                    {format.label} {format.widthPx} × {format.heightPx}, {RATES.get(project.rate).label}{' '}
                    frames a second · {counted(project.titleCount, 'title')}
                  </span>
                </Link>
                <ThingMenu
                  thing={{ kind: 'project', id: project.id, name: project.name }}
                  onChange={() => router.refresh()}
                />
              </li>
            );
          })}
        </ul>
      </main>
    </div>
  );
}
