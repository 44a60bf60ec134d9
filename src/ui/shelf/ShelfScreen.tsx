'use client';
import { useState } from 'react';
import type { ProjectSummary } from '@/contract/projects';
import type { ShelfEntry } from '@/contract/templates';
import { useFonts } from '../picture/useFonts';
import { FirstSteps } from '../shared/FirstSteps';
import { TopBar } from '../shared/TopBar';
import { useGrowing } from '../shared/useGrowing';
import { NewTemplate } from './NewTemplate';
import { ShelfFacts } from './ShelfFacts';
import { ShelfTile } from './ShelfTile';
import type { TemplateOrder } from './templateFinder';
import { byName, FindTemplates, NothingFound, TemplateFilters, useTemplateFinder } from './templateFinder';

interface Props {
  readonly entries: readonly ShelfEntry[];
  readonly projects: readonly ProjectSummary[];
  /** The template to begin with; the first there is where it is left out or not on the shelf. */
  readonly first?: string | undefined;
}

const ORDERS: readonly TemplateOrder<ShelfEntry>[] = [
  {
    value: 'published',
    label: 'Last published',
    // ISO 8601 in UTC, so that later is greater as text too.
    compare: (a, b) => (a.releasedAt === b.releasedAt ? 0 : a.releasedAt < b.releasedAt ? 1 : -1),
  },
  byName,
  { value: 'used', label: 'Most used', compare: (a, b) => b.totalUses - a.totalUses },
];

/** The shelf: published templates, found by kind, production or word. */
export function ShelfScreen({ entries, projects, first }: Props) {
  const fonts = useFonts();
  const finder = useTemplateFinder(entries, ORDERS);
  const shown = finder.found;
  const [chosenId, setChosenId] = useState(first ?? null);
  const { shown: painted, end } = useGrowing(shown);
  const chosen = shown.find((entry) => entry.templateId === chosenId) ?? shown[0];
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={<FindTemplates finder={finder} />}
        actions={<NewTemplate templates={entries.map((entry) => ({ ...entry, id: entry.templateId }))} />}
      />
      <main id="content" tabIndex={-1} className="outline-none flex min-h-0 flex-1">
        <h1 className="sr-only">Shelf</h1>
        <TemplateFilters finder={finder} />
        <section aria-label="Templates" className="min-h-0 flex-1 overflow-y-auto p-4">
          {entries.length === 0 && (
            <FirstSteps here="bench">
              The shelf is empty. Start a template with “New template”; once published it stands here.
            </FirstSteps>
          )}
          <NothingFound finder={finder} />
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-4">
            {painted.map((entry) => (
              <li key={entry.templateId}>
                <ShelfTile
                  entry={entry}
                  fonts={fonts}
                  chosen={entry === chosen}
                  onChoose={() => setChosenId(entry.templateId)}
                />
              </li>
            ))}
          </ul>
          <div ref={end} />
        </section>
        {chosen !== undefined && (
          <ShelfFacts key={chosen.id} entry={chosen} fonts={fonts} projects={projects} />
        )}
      </main>
    </div>
  );
}
