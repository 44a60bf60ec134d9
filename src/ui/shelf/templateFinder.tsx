'use client';
import { useMemo, useState } from 'react';
import { saysAll } from '@/core/kit/saysAll';
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
  readonly order: string;
  setOrder(order: string): void;
}

/** Finds templates of a list by words, kind and production, in an order. */
export function useTemplateFinder<T extends Listed>(
  all: readonly T[],
  orders: readonly TemplateOrder<T>[],
): Finder<T> {
  const [wanted, setWanted] = useState('');
  const [filter, setFilter] = useState<Filter>({ by: 'all' });
  const [order, setOrder] = useState(orders[0].value);
  const found = useMemo(() => {
    const those = all.filter((one) => matches(one, filter, wanted));
    const compare = orders.find(({ value }) => value === order)?.compare ?? null;
    return compare === null ? those : those.toSorted(compare);
  }, [all, orders, filter, wanted, order]);
  return { all, found, orders, wanted, setWanted, filter, setFilter, order, setOrder };
}

function matches(one: Listed, filter: Filter, wanted: string): boolean {
  const { name, description, production, kind, words, tags = [] } = one;
  if (filter.by === 'tag' && !tags.includes(filter.value)) return false;
  if ((filter.by === 'kind' || filter.by === 'production') && one[filter.by] !== filter.value) return false;
  const said = [name, description, production, TEMPLATE_KINDS.get(kind).label, ...tags, words];
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

/** The kinds and productions that there are, with how many templates each has. */
export function TemplateFilters<T extends Listed>({ finder }: { readonly finder: Finder<T> }) {
  const { all, filter, setFilter } = finder;
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
  const line = (label: string, count: number, on: boolean, next: Filter) => (
    <button
      key={label}
      type="button"
      aria-pressed={on}
      onClick={() => setFilter(next)}
      className={classes(
        'flex w-full justify-between rounded-lg px-2.5 py-1.5 text-left',
        on ? 'bg-leaf-wash font-semibold' : 'text-soft hover:text-ink',
      )}
    >
      <span>{label}</span>
      <span>{count}</span>
    </button>
  );
  const lines = (by: 'kind' | 'production' | 'tag', list: typeof productions) =>
    list.map(({ value, label, count }) =>
      line(label, count, filter.by === by && filter.value === value, { by, value }),
    );
  return (
    <nav
      aria-label="Kinds, productions and tags"
      className="w-[168px] shrink-0 overflow-y-auto border-r border-line bg-card p-3"
    >
      <h2 className="caps pb-2">Kinds</h2>
      {line('All', all.length, filter.by === 'all', { by: 'all' })}
      {lines('kind', kinds)}
      <h2 className="caps pt-5 pb-2">Productions</h2>
      {lines('production', productions)}
      {tags.length > 0 && <h2 className="caps pt-5 pb-2">Tags</h2>}
      {lines('tag', tags)}
    </nav>
  );
}
