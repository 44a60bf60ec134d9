'use client';
import { temporal } from 'zundo';
import type { TemporalState } from 'zundo';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Title } from '@/core/document/project';
import type { UndoGrouping } from '../shared/undoGrouping';
import { createUndoGrouping } from '../shared/undoGrouping';

export type Titles = readonly Title[];
export type TitlesChange = (titles: Titles) => Titles;

interface DeskState {
  readonly titles: Titles;
  apply(change: TitlesChange): void;
}

type Tracked = Pick<DeskState, 'titles'>;
export type DeskStore = StoreApi<DeskState> & {
  readonly temporal: StoreApi<TemporalState<Tracked>>;
  readonly grouping: UndoGrouping;
};

/** The titles of a project on the desk, with their undo history. Always in order of their start. */
export function createDeskStore(titles: Titles): DeskStore {
  const grouping = createUndoGrouping();
  const store = createStore<DeskState>()(
    temporal(
      (set) => ({ titles, apply: (change) => set((state) => ({ titles: inOrder(change(state.titles)) })) }),
      {
        partialize: ({ titles: tracked }): Tracked => ({ titles: tracked }),
        equality: (past, current) => past.titles === current.titles,
        handleSet: (record) => grouping.wrap(record),
        limit: 200,
      },
    ),
  );
  return Object.assign(store, { grouping });
}

function inOrder(titles: Titles): Titles {
  const sorted = titles.every((title, i) => i === 0 || titles[i - 1].startFrame <= title.startFrame);
  return sorted ? titles : titles.toSorted((a, b) => a.startFrame - b.startFrame);
}

/** The titles with one of them changed. */
export function updateTitle(titles: Titles, id: string, change: Partial<Title>): Titles {
  return titles.map((title) => (title.id === id ? { ...title, ...change } : title));
}

/** The lowest lane in which nothing else is on screen at the same time. */
export function freeLane(titles: Titles, startFrame: number, lengthFrames: number, except = ''): number {
  const meets = (title: Title): boolean =>
    title.id !== except &&
    title.startFrame < startFrame + lengthFrames &&
    startFrame < title.startFrame + title.lengthFrames;
  const taken = new Set(titles.filter(meets).map((title) => title.lane));
  let lane = 0;
  while (taken.has(lane)) lane++;
  return lane;
}
