'use client';
import { useMemo, useState } from 'react';
import type { ProjectSummary } from '@/contract/projects';
import type { ShelfEntry } from '@/contract/templates';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { useFonts } from '../picture/useFonts';
import { classes } from '../shared/classes';
import { TopBar } from '../shared/TopBar';
import { useGrowing } from '../shared/useGrowing';
import { NewTemplate } from './NewTemplate';
import { ShelfFacts } from './ShelfFacts';
import { ShelfTile } from './ShelfTile';

interface Props {
  readonly entries: readonly ShelfEntry[];
  readonly projects: readonly ProjectSummary[];
}

type Filter = { readonly by: 'all' } | { readonly by: 'kind' | 'production'; readonly value: string };

/** The shelf: released templates, found by kind, production or word. */
export function ShelfScreen({ entries, projects }: Props) {
  const fonts = useFonts();
  const [filter, setFilter] = useState<Filter>({ by: 'all' });
  const [wanted, setWanted] = useState('');
  const [chosenId, setChosenId] = useState(entries[0]?.templateId ?? null);
  const shown = useMemo(
    () => entries.filter((entry) => matches(entry, filter, wanted)),
    [entries, filter, wanted],
  );
  const { shown: painted, end } = useGrowing(shown);
  const chosen = shown.find((entry) => entry.templateId === chosenId) ?? shown[0];
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={
          <input
            type="search"
            aria-label="Find a template, a field or a word"
            placeholder="Find a template, a field or a word"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
            className="h-8 w-full max-w-[340px] rounded-lg border border-line-strong bg-field px-3"
          />
        }
        actions={<NewTemplate productions={[...new Set(entries.map((entry) => entry.production))]} />}
      />
      <main className="flex min-h-0 flex-1">
        <h1 className="sr-only">Shelf</h1>
        <Filters entries={entries} filter={filter} onFilter={setFilter} />
        <section aria-label="Templates" className="min-h-0 flex-1 overflow-y-auto p-4">
          {shown.length === 0 ? (
            <NothingHere wanted={wanted} empty={entries.length === 0} />
          ) : (
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
          )}
          <div ref={end} />
        </section>
        {chosen !== undefined && (
          <ShelfFacts key={chosen.id} entry={chosen} fonts={fonts} projects={projects} />
        )}
      </main>
    </div>
  );
}

function matches(entry: ShelfEntry, filter: Filter, wanted: string): boolean {
  if (filter.by !== 'all' && entry[filter.by] !== filter.value) return false;
  const { name, description, production, kind } = entry;
  const words = [name, description, production, TEMPLATE_KINDS.get(kind).label, entry.words]
    .join(' ')
    .toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => words.includes(word));
}

function NothingHere({ wanted, empty }: { readonly wanted: string; readonly empty: boolean }) {
  if (empty)
    return (
      <p className="p-6 text-soft">
        The shelf is empty. Start a template with “New template”; once released it stands here.
      </p>
    );
  return (
    <p className="p-6 text-soft">
      {wanted === '' ? 'Nothing of this kind yet.' : `Nothing here says “${wanted}”.`}
    </p>
  );
}

interface FilterProps {
  readonly entries: readonly ShelfEntry[];
  readonly filter: Filter;
  readonly onFilter: (filter: Filter) => void;
}

function Filters({ entries, filter, onFilter }: FilterProps) {
  const kinds = TEMPLATE_KINDS.list
    .map((kind) => ({
      value: kind.id,
      label: kind.label,
      count: entries.filter((entry) => entry.kind === kind.id).length,
    }))
    .filter((kind) => kind.count > 0);
  const productions = [...new Set(entries.map((entry) => entry.production))].toSorted().map((name) => ({
    value: name,
    label: name === '' ? 'Any production' : name,
    count: entries.filter((entry) => entry.production === name).length,
  }));
  const line = (label: string, count: number, on: boolean, next: Filter) => (
    <button
      key={label}
      type="button"
      aria-pressed={on}
      onClick={() => onFilter(next)}
      className={classes(
        'flex w-full justify-between rounded-lg px-2.5 py-1.5 text-left',
        on ? 'bg-leaf-wash font-semibold' : 'text-soft hover:text-ink',
      )}
    >
      <span>{label}</span>
      <span>{count}</span>
    </button>
  );
  return (
    <nav
      aria-label="Kinds and productions"
      className="w-[168px] shrink-0 overflow-y-auto border-r border-line bg-card p-3"
    >
      <h2 className="caps pb-2">Kinds</h2>
      {line('All', entries.length, filter.by === 'all', { by: 'all' })}
      {kinds.map((kind) =>
        line(kind.label, kind.count, filter.by === 'kind' && filter.value === kind.value, {
          by: 'kind',
          value: kind.value,
        }),
      )}
      <h2 className="caps pt-5 pb-2">Productions</h2>
      {productions.map((one) =>
        line(one.label, one.count, filter.by === 'production' && filter.value === one.value, {
          by: 'production',
          value: one.value,
        }),
      )}
    </nav>
  );
}
