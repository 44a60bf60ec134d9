'use client';
import { useMemo, useState } from 'react';
import { saysAll } from '@/core/kit/saysAll';
import { allFolders, folderNames, isWithinFolder } from '@/core/model/folders';
import { TEMPLATE_KINDS } from '@/core/model/kinds';
import { classes } from '../shared/classes';
import { SelectBox } from '../shared/SelectBox';

/** What lists of templates tell of each. */
interface Listed {
  readonly name: string;
  readonly kind: string;
  readonly production: string;
  readonly description: string;
  readonly tags?: readonly string[];
  /** Empty for none. */
  readonly folder: string;
  readonly words: string;
}

type Filter = { readonly by: 'all' } | { readonly by: 'kind' | 'production' | 'tag'; readonly value: string };

/** An order of a list. */
export interface TemplateOrder<T> {
  readonly value: string;
  readonly label: string;
  /** As `Array.sort` takes it; null for the order that the list is in. */
  readonly compare: ((a: T, b: T) => number) | null;
}

/** By name, figures in it by their value. */
export const byName: TemplateOrder<Listed> = {
  value: 'name',
  label: 'By name',
  compare: (a, b) => a.name.localeCompare(b.name, 'und', { sensitivity: 'base', numeric: true }),
};

interface Finder<T> {
  readonly all: readonly T[];
  readonly found: readonly T[];
  readonly orders: readonly TemplateOrder<T>[];
  readonly wanted: string;
  setWanted(wanted: string): void;
  readonly filter: Filter;
  setFilter(filter: Filter): void;
  /** The folder whose templates are looked at, with those in it; empty for all. */
  readonly folder: string;
  setFolder(folder: string): void;
  /** Whether anything but the order says what is found. */
  readonly narrowed: boolean;
  readonly order: string;
  setOrder(order: string): void;
}

/** Finds templates of a list by folder, words, kind and production, in an order. */
export function useTemplateFinder<T extends Listed>(
  all: readonly T[],
  orders: readonly TemplateOrder<T>[],
): Finder<T> {
  const [wanted, setWanted] = useState('');
  const [filter, setFilter] = useState<Filter>({ by: 'all' });
  const [order, setOrder] = useState(orders[0].value);
  const [chosen, setFolder] = useState('');
  // One that nothing is in any more is no folder.
  const folder = all.some((one) => isWithinFolder(one.folder, chosen)) ? chosen : '';
  const found = useMemo(() => {
    const those = all.filter((one) => isWithinFolder(one.folder, folder) && matches(one, filter, wanted));
    const compare = orders.find(({ value }) => value === order)?.compare ?? null;
    return compare === null ? those : those.toSorted(compare);
  }, [all, orders, filter, wanted, order, folder]);
  const narrowed = folder !== '' || filter.by !== 'all' || wanted.trim() !== '';
  return {
    narrowed,
    all,
    found,
    orders,
    wanted,
    setWanted,
    filter,
    setFilter,
    folder,
    setFolder,
    order,
    setOrder,
  };
}

function matches(one: Listed, filter: Filter, wanted: string): boolean {
  const { name, description, production, kind, folder, words, tags = [] } = one;
  if (filter.by === 'tag' && !tags.includes(filter.value)) return false;
  if ((filter.by === 'kind' || filter.by === 'production') && one[filter.by] !== filter.value) return false;
  const said = [name, description, production, folder, TEMPLATE_KINDS.get(kind).label, ...tags, words];
  return saysAll(said.join(' '), wanted);
}

/** Where words are typed to find templates by, and their order. */
export function FindTemplates<T>({ finder }: { readonly finder: Finder<T> }) {
  return (
    <>
      <input
        type="search"
        aria-label="Find a template, a field or a word"
        placeholder="Find a template, a field or a word"
        value={finder.wanted}
        onChange={(event) => finder.setWanted(event.target.value)}
        className="h-8 w-full max-w-[340px] rounded-lg border border-line-strong bg-field px-3"
      />
      <SelectBox
        label="Order"
        value={finder.order}
        choices={finder.orders}
        onChange={finder.setOrder}
        className="max-w-40"
      />
    </>
  );
}

/** Says that nothing was found; nothing while something is. */
export function NothingFound<T>({ finder }: { readonly finder: Finder<T> }) {
  if (finder.found.length > 0 || finder.all.length === 0) return null;
  const words = finder.wanted.trim();
  return (
    <p className="p-6 text-soft">
      {words === '' ? 'Nothing of this kind yet.' : `Nothing here says “${words}”.`}
    </p>
  );
}

/** The folders, kinds, productions and tags that there are, with how many templates each has. */
export function TemplateFilters<T extends Listed>({ finder }: { readonly finder: Finder<T> }) {
  const { all, filter, setFilter, folder, setFolder } = finder;
  const folders = allFolders(all.map((one) => one.folder));
  const inFolder = all.filter((one) => isWithinFolder(one.folder, folder));
  const lines = (by: 'kind' | 'production' | 'tag', list: readonly Group[]) =>
    list.map(({ value, label, count }) => (
      <FilterLine
        key={value}
        label={label}
        count={count}
        on={filter.by === by && filter.value === value}
        onChoose={() => setFilter({ by, value })}
      />
    ));
  const { kinds, productions, tags } = groupsOf(inFolder);
  return (
    <nav
      aria-label="Folders, kinds, productions and tags"
      className="w-[168px] shrink-0 overflow-y-auto border-r border-line bg-card p-3"
    >
      {folders.length > 0 && (
        <div className="pb-5">
          <h2 className="caps pb-2">Folders</h2>
          <FilterLine
            label="All folders"
            count={all.length}
            on={folder === ''}
            onChoose={() => setFolder('')}
          />
          {folders.map((one) => (
            <FilterLine
              key={one}
              label={folderNames(one).at(-1) ?? ''}
              name={folderNames(one).join(', ')}
              depth={folderNames(one).length - 1}
              count={all.filter((template) => isWithinFolder(template.folder, one)).length}
              on={folder === one}
              onChoose={() => setFolder(one)}
            />
          ))}
        </div>
      )}
      <h2 className="caps pb-2">Kinds</h2>
      <FilterLine
        label="All"
        count={inFolder.length}
        on={filter.by === 'all'}
        onChoose={() => setFilter({ by: 'all' })}
      />
      {lines('kind', kinds)}
      <h2 className="caps pt-5 pb-2">Productions</h2>
      {lines('production', productions)}
      {tags.length > 0 && <h2 className="caps pt-5 pb-2">Tags</h2>}
      {lines('tag', tags)}
    </nav>
  );
}

interface Group {
  readonly value: string;
  readonly label: string;
  readonly count: number;
}

function groupsOf(all: readonly Listed[]): Record<'kinds' | 'productions' | 'tags', readonly Group[]> {
  const kinds = TEMPLATE_KINDS.list
    .map(({ id, label }) => ({ value: id, label, count: all.filter((one) => one.kind === id).length }))
    .filter(({ count }) => count > 0);
  const productions = [...new Set(all.map(({ production }) => production))].toSorted().map((name) => ({
    value: name,
    label: name === '' ? 'Any production' : name,
    count: all.filter(({ production }) => production === name).length,
  }));
  const tags = [...new Set(all.flatMap((one) => one.tags ?? []))]
    .toSorted((a, b) => a.localeCompare(b, 'und', { sensitivity: 'base', numeric: true }))
    .map((tag) => ({
      value: tag,
      label: tag,
      count: all.filter((one) => one.tags?.includes(tag) === true).length,
    }));
  return { kinds, productions, tags };
}

interface LineProps {
  readonly label: string;
  /** What a screen reader calls it, where that is more than what is seen. */
  readonly name?: string;
  readonly depth?: number;
  readonly count: number;
  readonly on: boolean;
  readonly onChoose: () => void;
}

// What a line that lies in others stands further in by; from the fourth on no more, or nothing of its name is seen.
const STEP_PX = 12;

function FilterLine({ label, name, depth = 0, count, on, onChoose }: LineProps) {
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={name === undefined ? undefined : `${name} ${count}`}
      title={name}
      onClick={onChoose}
      style={{ paddingLeft: 10 + Math.min(depth, 3) * STEP_PX }}
      className={classes(
        'flex w-full justify-between gap-2 rounded-lg py-1.5 pr-2.5 text-left',
        on ? 'bg-leaf-wash font-semibold' : 'text-soft hover:text-ink',
      )}
    >
      <span className="min-w-0 truncate">{label}</span>
      <span>{count}</span>
    </button>
  );
}
