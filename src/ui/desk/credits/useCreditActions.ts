'use client';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { toast } from 'sonner';
import {
  asKind,
  changeRow,
  insertRows,
  moveRows,
  newCreditRow,
  removeRows,
  stepRows,
} from '@/core/credits/editCredits';
import { sortNames } from '@/core/credits/sortCredits';
import type { CreditKind, CreditRow } from '@/core/model/credits';
import { MOST_CREDIT_ROWS } from '@/core/model/credits';
import { useDesk } from '../deskContext';
import { useApplyCredits, useCreditTitle } from './creditContext';

/** A cell of a row that is typed into. */
export type CreditCell = 'role' | 'name';

/** What is done to rows of the credits that lie open; one step of undo each. */
export interface CreditActions {
  change(id: string, change: (row: CreditRow) => CreditRow): void;
  /** Adds a row after another, or at the end, and goes into it. */
  add(kind: CreditKind, afterId: string | null): void;
  /** Puts rows in after another one. */
  insert(rows: readonly CreditRow[], afterId: string | null): void;
  setKind(ids: ReadonlySet<string>, kind: CreditKind): void;
  remove(ids: ReadonlySet<string>): void;
  step(ids: ReadonlySet<string>, by: -1 | 1): void;
  moveBefore(ids: ReadonlySet<string>, beforeId: string | null): void;
  /** Sorts the names among the chosen rows, or all. */
  sort(ids: ReadonlySet<string>, language: string): void;
}

export function useCreditActions(): CreditActions {
  const { ui, store } = useDesk();
  const titleId = useCreditTitle()?.title.id;
  const apply = useApplyCredits(titleId);
  return useMemo(() => {
    const set = (change: (rows: readonly CreditRow[]) => readonly CreditRow[]): void =>
      apply((credits) => {
        const rows = change(credits.rows);
        return rows === credits.rows ? credits : { ...credits, rows };
      });
    const rowsNow = (): readonly CreditRow[] =>
      store.getState().titles.find(({ id }) => id === titleId)?.credits?.rows ?? [];
    const insert = (rows: readonly CreditRow[], afterId: string | null): void => {
      const room = MOST_CREDIT_ROWS - rowsNow().length;
      if (rows.length > room)
        toast.error(
          `Credits have at most ${MOST_CREDIT_ROWS} rows: ${rows.length - Math.max(0, room)} were left out.`,
        );
      set((now) => insertRows(now, afterId, rows));
    };
    return {
      change: (id, change) => set((rows) => changeRow(rows, id, change)),
      insert,
      add(kind, afterId) {
        const id = nanoid(8);
        insert([newCreditRow(id, kind)], afterId);
        const cell: CreditCell = kind === 'role' ? 'role' : 'name';
        ui.setState({ creditIds: [id], creditGoTo: { id, cell } });
      },
      setKind: (ids, kind) => set((rows) => rows.map((row) => (ids.has(row.id) ? asKind(row, kind) : row))),
      remove(ids) {
        const rows = rowsNow();
        const last = rows.findLastIndex(({ id }) => ids.has(id));
        const next =
          rows.slice(last + 1).find(({ id }) => !ids.has(id)) ?? rows.findLast(({ id }) => !ids.has(id));
        set((now) => removeRows(now, ids));
        ui.setState({ creditIds: next === undefined ? [] : [next.id] });
      },
      step: (ids, by) => set((rows) => stepRows(rows, ids, by)),
      moveBefore: (ids, beforeId) => set((rows) => moveRows(rows, ids, beforeId)),
      sort: (ids, language) => set((rows) => sortNames(rows, language, ids)),
    };
  }, [apply, store, titleId, ui]);
}
