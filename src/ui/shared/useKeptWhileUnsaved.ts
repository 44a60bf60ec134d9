'use client';
import { useEffect } from 'react';

/** A draft that can be kept in this browser. */
interface Keeps<T> {
  keep(value: T): Promise<void>;
  keepAsPageGoes(value: T): void;
}

/**
 * Keeps in this browser what the server does not have yet: `afterMs` after it last changed, at once for 0, and as the
 * page goes.
 */
export function useKeptWhileUnsaved<T>(draft: Keeps<T>, value: T, unsaved: boolean, afterMs: number): void {
  useEffect(() => {
    if (!unsaved) return;
    const keep = (): void => void draft.keep(value);
    const timer = afterMs > 0 ? setTimeout(keep, afterMs) : undefined;
    if (afterMs === 0) keep();
    const leave = (): void => draft.keepAsPageGoes(value);
    window.addEventListener('pagehide', leave);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', leave);
    };
  }, [draft, value, unsaved, afterMs]);
}
