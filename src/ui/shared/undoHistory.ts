'use client';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { Steps } from '@/core/draft/history';
import { History } from '@/core/draft/history';
import { gestureNow } from './gesture';

/** The steps of a document and how to go back and forth in them. */
export interface UndoState {
  readonly steps: Steps;
  undo(): void;
  redo(): void;
  /** Goes to where so many steps are made, the others to be made again. */
  goTo(made: number): void;
}

/** Which changes are one step: those of one gesture are by themselves; a drag says where it begins and ends. */
interface UndoGrouping {
  /** From here on everything is one step, however long it takes. */
  begin(): void;
  /** What follows is a step of its own. */
  end(): void;
}

export interface UndoHistory<T extends object> {
  readonly temporal: StoreApi<UndoState>;
  readonly grouping: UndoGrouping;
  /** Takes a change that the user made. */
  record(before: T, after: T): void;
  /** Takes in what others changed, as no step. */
  rebase(change: (state: T) => T): void;
  /** Goes on from steps that were kept. */
  restore(steps: Steps): void;
}

/** The undo history of a document that `read` gives and `write` puts in its place. */
export function createUndoHistory<T extends object>(
  read: () => T,
  write: (state: T) => void,
  sorted?: ReadonlySet<string>,
): UndoHistory<T> {
  let history = new History<T>(undefined, sorted);
  let last = 0;
  let held: 'no' | 'begun' | 'going on' = 'no';
  const go = (step: (state: T) => T | null): void => {
    const next = step(read());
    if (next === null) return;
    last = 0;
    write(next);
    temporal.setState({ steps: history.now });
  };
  const temporal = createStore<UndoState>(() => ({
    steps: history.now,
    undo: () => go((state) => history.undo(state)),
    redo: () => go((state) => history.redo(state)),
    goTo: (made) =>
      go((state) => {
        let reached = state;
        while (history.now.past.length > made) reached = history.undo(reached) ?? reached;
        while (history.now.past.length < made && history.now.future.length > 0)
          reached = history.redo(reached) ?? reached;
        return reached === state ? null : reached;
      }),
  }));
  return {
    temporal,
    grouping: {
      begin: () => (held = 'begun'),
      end() {
        held = 'no';
        last = 0;
      },
    },
    record(before, after) {
      if (before === after) return;
      const gesture = gestureNow();
      const goesOn = held === 'no' ? gesture !== 0 && gesture === last : held === 'going on';
      history.record(before, after, goesOn);
      last = gesture;
      if (held === 'begun') held = 'going on';
      temporal.setState({ steps: history.now });
    },
    rebase: (change) => history.rebase(change),
    restore(steps) {
      history = new History<T>(steps, sorted);
      temporal.setState({ steps });
    },
  };
}
