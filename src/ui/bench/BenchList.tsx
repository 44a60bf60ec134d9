'use client';
import Link from 'next/link';
import type { TemplateRecord } from '@/contract/templates';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { useFonts } from '../picture/useFonts';
import { TopBar } from '../shared/TopBar';
import { BringInPackage } from './BringInPackage';
import { NewTemplate } from '../shelf/NewTemplate';
import { TitlePreview } from '../shelf/TitlePreview';

/** All templates, released or not, the last changed first. */
export function BenchList({ templates }: { readonly templates: readonly TemplateRecord[] }) {
  const fonts = useFonts();
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<h1 className="font-serif text-[17px] font-semibold">On the bench</h1>}
        actions={
          <>
            <BringInPackage />
            <NewTemplate productions={[...new Set(templates.map((one) => one.document.production))]} />
          </>
        }
      />
      <main className="min-h-0 flex-1 overflow-y-auto p-4">
        {templates.length === 0 && (
          <p className="p-6 text-soft">No templates yet. Start one with “New template”.</p>
        )}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-4">
          {templates.map(({ id, document, latestEdition, revision, releasedRevision }) => (
            <li key={id}>
              <Link
                href={`/bench/${id}`}
                className="block overflow-hidden rounded-[10px] border border-line bg-card hover:border-line-strong"
              >
                <TitlePreview
                  template={document}
                  formatId={document.formats[0]}
                  fonts={fonts}
                  widthPx={260}
                  playing={false}
                />
                <span className="block px-3 pt-2 pb-2.5">
                  <span className="block truncate font-semibold">{document.name}</span>
                  <span className="text-soft">
                    {TEMPLATE_KINDS.get(document.kind).label} ·{' '}
                    {stands(latestEdition, revision === releasedRevision)}
                  </span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}

function stands(edition: number, unchanged: boolean): string {
  if (edition === 0) return 'draft, not released';
  return unchanged ? `edition ${edition}` : `draft, after edition ${edition}`;
}
