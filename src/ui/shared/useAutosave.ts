'use client';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { Save, SaveState } from './autosaver';
import { Autosaver } from './autosaver';

export interface Autosave {
  readonly state: SaveState;
  /** Saves now what is not saved yet. Throws when it stays unsaved. */
  flush(): Promise<void>;
  /** Goes on after a stale save. */
  resume(): void;
}

/** Saves a value by itself whenever it changes. `save` is taken at the first call only. */
export function useAutosave<T>(value: T, save: Save<T>): Autosave {
  const [autosaver] = useState(() => new Autosaver(value, save));
  const state = useSyncExternalStore(
    autosaver.subscribe,
    () => autosaver.state,
    () => autosaver.state,
  );
  useEffect(() => autosaver.change(value), [autosaver, value]);
  useEffect(() => {
    const leave = (): void => autosaver.leave();
    const warn = (event: BeforeUnloadEvent): void => {
      leave();
      if (autosaver.held) event.preventDefault();
    };
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', warn);
      leave();
    };
  }, [autosaver]);
  return useMemo(
    () => ({ state, flush: () => autosaver.flush(), resume: () => autosaver.resume() }),
    [state, autosaver],
  );
}
