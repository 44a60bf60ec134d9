'use client';
import { useMemo, useState } from 'react';
import { airValue } from '@/core/resolve/fieldValue';
import type { Title } from '@/core/model/project';
import type { Template } from '@/core/model/template';
import type { CellContext, Column } from '@/core/project/cells';
import { cellText, columnsFor } from '@/core/project/cells';
import type { Titles } from '../deskStore';
import type { Tone } from '../proof/proofView';
import { useToneOf } from '../proof/proofView';

/** Which rows of the cue sheet are shown. */
export interface SheetFilter {
  readonly words: string;
  /** A template's name; empty for all. */
  readonly template: string;
  readonly proof: 'all' | Tone;
}

export const NO_FILTER: SheetFilter = { words: '', template: '', proof: 'all' };

interface Sorting {
  readonly column: string;
  readonly way: 'up' | 'down';
  /** The order that was made when it was asked for; rows do not jump while they are typed into. */
  readonly order: ReadonlyMap<string, number>;
}

export interface SheetRows {
  readonly rows: Titles;
  readonly columns: readonly Column[];
  readonly sorted: Pick<Sorting, 'column' | 'way'> | null;
  /** Sorts by a column, the other way round when it is asked for again, and by time at the third. */
  sortBy(column: Column): void;
}

/** The rows and columns of the cue sheet: the titles that pass the filter, in time or as they were sorted. */
export function useSheetRows(titles: Titles, filter: SheetFilter, context: CellContext): SheetRows {
  const toneOf = useToneOf(filter.proof !== 'all');
  const [sorting, setSorting] = useState<Sorting | null>(null);
  const shown = useMemo(
    () => titles.filter((title) => passes(title, filter, context, toneOf)),
    [titles, filter, context, toneOf],
  );
  const editionIds = [...new Set(shown.map((title) => title.editionId))].join(' ');
  const columns = useMemo(
    () => columnsFor(uniqueTemplates(editionIds === '' ? [] : editionIds.split(' '), context)),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the context is another one with every letter typed
    [editionIds, context.templateOf],
  );
  const rows = useMemo(() => {
    if (sorting === null) return shown;
    const place = (title: Title): number => sorting.order.get(title.id) ?? Infinity;
    return shown.toSorted((a, b) => place(a) - place(b));
  }, [shown, sorting]);
  const sortBy = (column: Column): void => {
    if (sorting?.column === column.id && sorting.way === 'down') return setSorting(null);
    const way = sorting?.column === column.id ? 'down' : 'up';
    const keyed = titles.map((title) => ({ title, key: sortKey(title, column, context) }));
    keyed.sort((a, b) => compare(a.key, b.key) * (way === 'up' ? 1 : -1));
    setSorting({ column: column.id, way, order: new Map(keyed.map(({ title }, i) => [title.id, i])) });
  };
  return { rows, columns, sorted: sorting, sortBy };
}

/** The templates of some editions, one for each set of fields: two editions with the same fields are one. */
function uniqueTemplates(editionIds: readonly string[], context: CellContext): Template[] {
  const bySignature = new Map<string, Template>();
  for (const id of editionIds) {
    const template = context.templateOf(id);
    if (template === undefined) continue;
    const signature = `${template.name} ${template.fields.map(({ label, kind }) => `${label} ${kind}`).join('|')}`;
    bySignature.set(signature, template);
  }
  return [...bySignature.values()];
}

function passes(
  title: Title,
  { words, template, proof }: SheetFilter,
  context: CellContext,
  toneOf: (titleId: string) => Tone,
): boolean {
  const document = context.templateOf(title.editionId);
  if (template !== '' && document?.name !== template) return false;
  if (proof !== 'all' && toneOf(title.id) !== proof) return false;
  return words === '' || rowWords(title, document).includes(words.toLowerCase());
}

function rowWords(title: Title, document: Template | undefined): string {
  const words = (document?.fields ?? [])
    .filter((field) => field.kind === 'text' || field.kind === 'rows')
    .map((field) => String(title.values[field.id] ?? (document ? airValue(document, field) : '')));
  const kept = title.kept.map(({ value }) => String(value));
  return [document?.name ?? '', ...words, ...kept].join(' ').toLowerCase();
}

function sortKey(title: Title, column: Column, context: CellContext): string | number {
  if (column.kind === 'in') return title.startFrame;
  if (column.kind === 'lasts') return title.lengthFrames;
  return cellText(title, column, context);
}

function compare(a: string | number, b: string | number): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a).localeCompare(String(b), 'und', { sensitivity: 'base', numeric: true });
}
