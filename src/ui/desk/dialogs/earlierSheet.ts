'use client';
import { get, set } from 'idb-keyval';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { SheetRow } from '@/core/project/fillSheet';
import { useDesk } from '../deskContext';

/** What the sheet of a project said the last time, by the id of the title that was made of each row. */
export interface EarlierSheet {
  readonly rows: ReadonlyMap<string, SheetRow>;
  /** Keeps what it says now beside what it said of other titles; `removed` are titles that are there no more. */
  keep(rows: readonly (readonly [titleId: string, row: SheetRow])[], removed: ReadonlySet<string>): void;
}

const NONE: ReadonlyMap<string, SheetRow> = new Map();

/** The earlier state of the sheet of the project that is open, kept in this browser. */
export function useEarlierSheet(): EarlierSheet {
  const { projectId } = useDesk();
  const key = `gilder-sheet-${projectId}`;
  const [rows, setRows] = useState(NONE);
  useEffect(() => {
    let left = false;
    get<ReadonlyMap<string, SheetRow>>(key).then(
      (found) => !left && setRows(found ?? NONE),
      () => undefined,
    );
    return () => {
      left = true;
    };
  }, [key]);
  const keep = useCallback<EarlierSheet['keep']>(
    (now, removed) => {
      const next = new Map([...rows, ...now]);
      for (const id of removed) next.delete(id);
      setRows(next);
      void set(key, next).catch(() => undefined);
    },
    [key, rows],
  );
  return useMemo(() => ({ rows, keep }), [rows, keep]);
}
