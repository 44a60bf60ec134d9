'use client';
import { createStore } from 'zustand';
import type { StoreApi } from 'zustand';
import type { House } from '@/core/model/house';
import type { UndoHistory } from '../shared/undoHistory';
import { createUndoHistory } from '../shared/undoHistory';

interface HouseState {
  readonly house: House;
  change(change: Partial<House>): void;
}

export type HouseStore = StoreApi<HouseState> & UndoHistory<House>;

/** The House as it is made here, with its undo history. */
export function createHouseStore(house: House): HouseStore {
  const store = createStore<HouseState>()((set, get) => ({
    house,
    change(change) {
      const before = get().house;
      set({ house: { ...before, ...change } });
      history.record(before, get().house);
    },
  }));
  const history = createUndoHistory<House>(
    () => store.getState().house,
    (next) => store.setState({ house: next }),
  );
  return Object.assign(store, history);
}
