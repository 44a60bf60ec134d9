'use client';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Title } from '@/core/model/project';
import type { CellConflict } from '@/core/project/mergeWork';
import { keepMoments } from '@/core/project/rowMoments';
import type { Work } from '@/core/project/work';
import { inOrder, isSameWork, workOf } from '@/core/project/work';
import type { UndoHistory } from '../shared/undoHistory';
import { createUndoHistory } from '../shared/undoHistory';

export type Titles = readonly Title[];
export type TitlesChange = (titles: Titles) => Titles;
export type WorkChange = (work: Work) => Work;

interface DeskState extends Work {
  /** Cells that another desk changed as well; what is on this desk is not saved there until somebody chooses. */
  readonly conflicts: readonly CellConflict[];
  apply(change: TitlesChange): void;
  applyWork(change: WorkChange): void;
}

export interface DeskStore extends StoreApi<DeskState>, Omit<UndoHistory<Work>, 'rebase'> {
  /** Takes in what others changed, as no step of its own; steps that are taken back later leave it as it is. */
  rebase(change: WorkChange): void;
}

// They are always in order of their start, whatever order a step had them in.
const SORTED = new Set(['titles', 'clips', 'cues']);

/** The work on a project with its undo history. Titles, clips and cues are always in order of their start. */
export function createDeskStore(work: Work): DeskStore {
  const put = (next: Work): void => {
    const before = workOf(store.getState());
    const after = inOrder({ ...next, titles: keepMoments(before.titles, next.titles) });
    if (isSameWork(before, after)) return;
    store.setState(after);
    history.record(before, after);
  };
  const store = createStore<DeskState>()(() => ({
    ...inOrder(work),
    conflicts: [],
    apply(change) {
      const now = workOf(store.getState());
      put({ ...now, titles: change(now.titles) });
    },
    applyWork: (change) => put(workOf(change(workOf(store.getState())))),
  }));
  const history = createUndoHistory<Work>(
    () => workOf(store.getState()),
    (next) => store.setState(inOrder(next)),
    SORTED,
  );
  return Object.assign(store, {
    ...history,
    rebase(change: WorkChange) {
      store.setState(inOrder(change(workOf(store.getState()))));
      history.rebase(change);
    },
  });
}

/** The titles with one of them changed. */
export function updateTitle(titles: Titles, id: string, change: Partial<Title>): Titles {
  return titles.map((title) => (title.id === id ? { ...title, ...change } : title));
}
