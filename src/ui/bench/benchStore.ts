'use client';
import { createContext, useContext } from 'react';
import { temporal } from 'zundo';
import type { TemporalState } from 'zundo';
import { createStore, useStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Template } from '@/core/document/template';
import type { UndoGrouping } from '../shared/undoGrouping';
import { createUndoGrouping } from '../shared/undoGrouping';

export type Change = (template: Template) => Template;

interface BenchState {
  readonly template: Template;
  apply(change: Change): void;
}

type Tracked = Pick<BenchState, 'template'>;
export type BenchStore = StoreApi<BenchState> & {
  readonly temporal: StoreApi<TemporalState<Tracked>>;
  readonly grouping: UndoGrouping;
};

/** A template on the bench, with its undo history. */
export function createBenchStore(template: Template): BenchStore {
  const grouping = createUndoGrouping();
  const store = createStore<BenchState>()(
    temporal(
      (set) => ({ template, apply: (change) => set((state) => ({ template: change(state.template) })) }),
      {
        partialize: ({ template: tracked }): Tracked => ({ template: tracked }),
        equality: (past, current) => past.template === current.template,
        handleSet: (record) => grouping.wrap(record),
        limit: 200,
      },
    ),
  );
  return Object.assign(store, { grouping });
}

/** What the parts of the bench share besides the template. */
export interface BenchView {
  readonly store: BenchStore;
  readonly selected: string | null;
  select(layerId: string | null): void;
  readonly formatId: string;
  chooseFormat(formatId: string): void;
}

const BenchContext = createContext<BenchView | null>(null);
export const BenchProvider = BenchContext.Provider;

/** The shared state of the bench. */
export function useBench(): BenchView {
  const view = useContext(BenchContext);
  if (view === null) throw new Error('This part belongs on the bench');
  return view;
}

/** The template as it is now. */
export function useTemplate(): Template {
  return useStore(useBench().store, (state) => state.template);
}

/** How to change the template. */
export function useApply(): (change: Change) => void {
  return useStore(useBench().store, (state) => state.apply);
}
