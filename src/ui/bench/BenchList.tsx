'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { TemplateSummary } from '@/contract/templates';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { useFonts } from '../picture/useFonts';
import { FirstSteps } from '../shared/FirstSteps';
import { useSeen, useTemplateDocument } from '../shared/documents';
import { counted } from '../shared/counted';
import { ThingMenu } from '../shared/ThingMenu';
import { TopBar } from '../shared/TopBar';
import { useGrowing } from '../shared/useGrowing';
import { BringInPackage } from './BringInPackage';
import { MoveToFolder } from './MoveToFolder';
import { NewTemplate } from '../shelf/NewTemplate';
import type { TemplateOrder } from '../shelf/templateFinder';
import {
  byName,
  FindTemplates,
  NothingFound,
  TemplateFilters,
  useTemplateFinder,
} from '../shelf/templateFinder';
import { TitlePreview } from '../shelf/TitlePreview';

const ORDERS: readonly TemplateOrder<TemplateSummary>[] = [
  { value: 'changed', label: 'Last changed', compare: null },
  byName,
];

/** All templates, published or not, the last changed first. */
export function BenchList({ templates }: { readonly templates: readonly TemplateSummary[] }) {
  const fonts = useFonts();
  const router = useRouter();
  const finder = useTemplateFinder(templates, ORDERS);
  const { shown, end } = useGrowing(finder.found);
  const [moved, setMoved] = useState<readonly TemplateSummary[] | null>(null);
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<FindTemplates finder={finder} />}
        actions={
          <>
            <BringInPackage />
            <NewTemplate templates={templates} />
          </>
        }
      />
      <main id="content" tabIndex={-1} className="outline-none flex min-h-0 flex-1">
        <h1 className="sr-only">On the bench</h1>
        <TemplateFilters finder={finder} />
        <section aria-label="Templates" className="min-h-0 flex-1 overflow-y-auto p-4">
          {templates.length === 0 && (
            <FirstSteps here="bench">No templates yet. Start one with “New template”.</FirstSteps>
          )}
          <NothingFound finder={finder} />
          {finder.narrowed && finder.found.length > 1 && (
            <p className="flex items-center gap-3 pb-3 text-soft">
              {counted(finder.found.length, 'template')}
              <button
                type="button"
                className="font-semibold text-leaf-ink hover:underline"
                onClick={() => setMoved(finder.found)}
              >
                Move all to a folder…
              </button>
            </p>
          )}
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-4">
            {shown.map((template) => (
              <li key={template.id} className="relative">
                <BenchTile template={template} fonts={fonts} />
                <ThingMenu
                  thing={{ kind: 'template', id: template.id, name: template.name }}
                  onChange={() => router.refresh()}
                  className="absolute right-1.5 bottom-3"
                  more={[
                    {
                      label: 'Move to folder…',
                      note: template.folder === '' ? 'in none now' : '',
                      onChoose: () => setMoved([template]),
                    },
                  ]}
                />
              </li>
            ))}
          </ul>
          <div ref={end} />
        </section>
      </main>
      <MoveToFolder
        moved={moved}
        used={templates.map(({ folder }) => folder)}
        onClose={() => setMoved(null)}
        onMoved={() => router.refresh()}
      />
    </div>
  );
}

function BenchTile({
  template,
  fonts,
}: {
  readonly template: TemplateSummary;
  readonly fonts: FontLibrary | null;
}) {
  const { id, revision, releasedRevision, latestEdition, formats, name, kind } = template;
  const tile = useRef<HTMLAnchorElement>(null);
  const document = useTemplateDocument(id, revision, useSeen(tile));
  return (
    <Link
      ref={tile}
      href={`/bench/${id}`}
      className="block overflow-hidden rounded-[10px] border border-line bg-card hover:border-line-strong"
    >
      <TitlePreview
        template={document}
        formatId={formats[0] ?? 'wide-1080'}
        fonts={fonts}
        widthPx={260}
        playing={false}
      />
      <span className="block py-2 pr-11 pl-3">
        <span className="block truncate font-semibold">{name}</span>
        <span className="block truncate text-soft">
          {TEMPLATE_KINDS.get(kind).label} · {stands(latestEdition, revision === releasedRevision)}
        </span>
      </span>
    </Link>
  );
}

function stands(edition: number, unchanged: boolean): string {
  if (edition === 0) return 'draft, not published';
  return unchanged ? `edition ${edition}` : `draft, after edition ${edition}`;
}
