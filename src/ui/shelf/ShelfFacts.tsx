'use client';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import Link from 'next/link';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { ProjectSummary } from '@/contract/projects';
import type { ShelfEntry } from '@/contract/templates';
import { FORMATS } from '@/core/frame/formats';
import type { Shape } from '@/core/frame/formats';
import type { Template } from '@/core/model/template';
import { scriptsOfTemplate } from '@/core/resolve/faces';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { TitlePreview } from './TitlePreview';
import { counted } from '../shared/counted';
import { useEditionDocument } from '../shared/documents';

interface Props {
  readonly entry: ShelfEntry;
  readonly fonts: FontLibrary | null;
  readonly projects: readonly ProjectSummary[];
}

const WALL_WIDTHS: Readonly<Record<Shape, number>> = {
  ultra: 116,
  wide: 96,
  tall: 44,
  square: 66,
  classic: 78,
};

/** What an editor needs to know of a template before placing it, and the ways on from here. */
export function ShelfFacts({ entry, fonts, projects }: Props) {
  const document = useEditionDocument(entry.id, true);
  const { inSeconds, outSeconds, holdSeconds } = entry;
  const [pointed, setPointed] = useState(false);
  const formats = entry.formats.map((id) => FORMATS.get(id));
  const released = new Date(entry.releasedAt).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  });
  return (
    <aside
      aria-label={`About ${entry.name}`}
      className="w-[330px] shrink-0 overflow-y-auto border-l border-line bg-card p-4"
    >
      <div
        className="overflow-hidden rounded-[10px]"
        onPointerEnter={() => setPointed(true)}
        onPointerLeave={() => setPointed(false)}
      >
        <TitlePreview
          template={document}
          formatId={entry.formats[0] ?? 'wide-1080'}
          fonts={fonts}
          widthPx={300}
          playing={pointed}
        />
      </div>
      <h2 className="pt-3 font-serif text-[19px] font-semibold">{entry.name}</h2>
      <p className="pt-1 text-soft">{entry.description === '' ? 'No description yet.' : entry.description}</p>
      <div className="flex gap-2 py-3">
        <PlaceMenu editionId={entry.id} projects={projects} />
        <Link
          href={`/bench/${entry.templateId}`}
          className="inline-flex h-8 items-center rounded-lg border border-line-strong bg-field px-3 font-semibold"
        >
          Open on Bench
        </Link>
      </div>
      <dl className="grid grid-cols-2 gap-x-4 gap-y-3 border-t border-line pt-3">
        <Fact label="Editors set">
          {entry.fieldCount === 0
            ? 'nothing'
            : (document?.fields ?? []).map((field) => field.label).join(', ')}
        </Fact>
        <Fact label="Timing">{`in ${inSeconds} · hold ${holdSeconds}, stretches · out ${outSeconds}`}</Fact>
        <Fact label="Formats">{formats.map((format) => format.label).join(', ')}</Fact>
        <Fact label="Edition">{`${entry.number}, published ${released}`}</Fact>
        {(entry.tags ?? []).length > 0 && <Fact label="Tags">{(entry.tags ?? []).join(', ')}</Fact>}
        <Fact label="In use">{counted(entry.totalUses, 'title')}</Fact>
        <Fact label="Scripts">{document !== null && <Scripts template={document} />}</Fact>
      </dl>
      {document?.notes !== undefined && (
        <div className="mt-4 border-t border-line pt-3">
          <h3 className="caps">Notes</h3>
          <p className="whitespace-pre-line">{document.notes}</p>
        </div>
      )}
      <div className="mt-4 flex items-end gap-2 border-t border-line pt-4">
        {formats.map((format) => (
          <div
            key={format.id}
            title={`${format.label} ${format.shapeLabel}`}
            className="overflow-hidden rounded-md"
            style={{ width: WALL_WIDTHS[format.shape] }}
          >
            <TitlePreview
              template={document}
              formatId={format.id}
              fonts={fonts}
              widthPx={WALL_WIDTHS[format.shape]}
              playing={false}
            />
          </div>
        ))}
      </div>
    </aside>
  );
}

function Scripts({ template }: { readonly template: Template }) {
  const { own, standIn } = scriptsOfTemplate(template);
  return (
    <>
      {own.join(', ')}
      {standIn.length > 0 && (
        <span className="block text-soft">{`other fonts stand in for ${standIn.join(', ')}`}</span>
      )}
    </>
  );
}

function Fact({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div>
      <dt className="caps">{label}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function PlaceMenu({
  editionId,
  projects,
}: {
  readonly editionId: string;
  readonly projects: readonly ProjectSummary[];
}) {
  if (projects.length === 0) {
    return (
      <Link href="/desk" className="inline-flex h-8 items-center rounded-lg border gold px-3 font-semibold">
        Start a project
      </Link>
    );
  }
  return (
    <Menu>
      <MenuButton className="inline-flex h-8 items-center rounded-lg border gold px-3 font-semibold">
        Place on a project
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom start', gap: 6 }}
        className="z-40 w-64 rounded-xl border border-line-strong bg-card p-1"
      >
        {projects.map((project) => (
          <MenuItem key={project.id}>
            <Link
              href={`/desk/${project.id}?place=${editionId}`}
              className="block rounded-lg px-3 py-2 data-focus:bg-leaf-wash"
            >
              {project.name}
            </Link>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
