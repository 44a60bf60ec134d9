'use client';
import { get, set } from 'idb-keyval';
import { useEffect } from 'react';
import type { Steps } from '@/core/draft/history';
import type { UndoHistory } from './undoHistory';

// Keeping them must not be felt while a hand works.
const KEEP_AFTER_MS = 800;
const MOST_KEPT = 60;

/** Keeps a document's steps of undo in this browser, so that they can be taken back after a reload too. */
export function useKeptSteps(
  documentKey: string,
  { temporal, restore }: Pick<UndoHistory<object>, 'temporal' | 'restore'>,
): void {
  useEffect(() => {
    const key = `gilder-steps-${documentKey}`;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const keep = (): void => {
      clearTimeout(timer);
      const { past, future } = temporal.getState().steps;
      void set(key, { past: past.slice(-MOST_KEPT), future: future.slice(-MOST_KEPT) }).catch(
        () => undefined,
      );
    };
    let open = true;
    void get<Steps>(key)
      .catch(() => undefined)
      .then((kept) => {
        const { past, future } = temporal.getState().steps;
        // Something was done before they were read: those steps are the ones that count.
        if (open && kept !== undefined && past.length + future.length === 0) restore(kept);
      });
    const stop = temporal.subscribe(() => {
      clearTimeout(timer);
      timer = setTimeout(keep, KEEP_AFTER_MS);
    });
    window.addEventListener('pagehide', keep);
    return () => {
      open = false;
      stop();
      clearTimeout(timer);
      window.removeEventListener('pagehide', keep);
    };
  }, [documentKey, temporal, restore]);
}
