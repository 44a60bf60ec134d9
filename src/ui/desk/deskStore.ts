'use client';
import { temporal } from 'zundo';
import type { TemporalState } from 'zundo';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Title } from '@/core/document/project';
import type { CellConflict } from '@/core/project/mergeWork';
import type { Work } from '@/core/project/work';
import { inOrder } from '@/core/project/work';
import type { UndoGrouping } from '../shared/undoGrouping';
import { createUndoGrouping } from '../shared/undoGrouping';

export type Titles = readonly Title[];
export type TitlesChange = (titles: Titles) => Titles;
export type WorkChange = (work: Work) => Work;

interface DeskState extends Work {
  /** Cells that another desk changed as well; what is on this desk is not saved there until somebody chooses. */
  readonly conflicts: readonly CellConflict[];
  apply(change: TitlesChange): void;
  applyWork(change: WorkChange): void;
}

export interface DeskStore extends StoreApi<DeskState> {
  readonly temporal: StoreApi<TemporalState<Work>>;
  readonly grouping: UndoGrouping;
  /** Takes in what others changed: now and in every state that undo and redo go back to, as no step of its own. */
  rebase(change: WorkChange): void;
}

const workOf = ({ titles, clips, plan }: Work): Work => ({ titles, clips, plan });

/** The work on a project with its undo history. Titles and clips are always in order of their start. */
export function createDeskStore(work: Work): DeskStore {
  const grouping = createUndoGrouping();
  const store = createStore<DeskState>()(
    temporal(
      (set) => ({
        ...inOrder(work),
        conflicts: [],
        apply: (change) => set((state) => inOrder({ ...workOf(state), titles: change(state.titles) })),
        applyWork: (change) => set((state) => inOrder(workOf(change(workOf(state))))),
      }),
      {
        partialize: (state): Work => workOf(state),
        equality: (past, current) =>
          past.titles === current.titles && past.clips === current.clips && past.plan === current.plan,
        handleSet: (record) => grouping.wrap(record),
        limit: 200,
      },
    ),
  );
  const rebase = (change: WorkChange): void => {
    const history = store.temporal;
    const rebased = (state: Partial<Work>): Work =>
      inOrder(change({ ...workOf(store.getState()), ...state }));
    const { pastStates, futureStates } = history.getState();
    const past = pastStates.map(rebased);
    const future = futureStates.map(rebased);
    history.getState().pause();
    store.setState(inOrder(change(workOf(store.getState()))));
    history.getState().resume();
    history.setState({ pastStates: past, futureStates: future });
  };
  return Object.assign(store, { grouping, rebase });
}

/** The titles with one of them changed. */
export function updateTitle(titles: Titles, id: string, change: Partial<Title>): Titles {
  return titles.map((title) => (title.id === id ? { ...title, ...change } : title));
}
