'use client';
import { del, get, set } from 'idb-keyval';
import { useEffect } from 'react';
import { createStore, useStore } from 'zustand';
import type { Sheet } from '@/core/formats/csv/csv';
import { useDesk } from '../deskContext';

const store = createStore<Readonly<Record<string, Sheet | null>>>(() => ({}));

/** The rows of the last sheet that could not be taken, kept in this browser until they are corrected. */
export function useWaitingRows(): { readonly key: string; readonly sheet: Sheet | null } {
  const { projectId } = useDesk();
  const key = `gilder-rows-${projectId}`;
  useEffect(() => {
    if (store.getState()[key] !== undefined) return;
    get<Sheet>(key).then(
      (sheet) => store.setState({ [key]: sheet ?? null }),
      () => undefined,
    );
  }, [key]);
  return { key, sheet: useStore(store, (state) => state[key] ?? null) };
}

/** Keeps rows to be corrected later; null forgets them. */
export function keepWaiting(key: string, sheet: Sheet | null): void {
  store.setState({ [key]: sheet });
  void (sheet === null ? del(key) : set(key, sheet)).catch(() => undefined);
}
