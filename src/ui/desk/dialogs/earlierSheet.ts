'use client';
import { get, set } from 'idb-keyval';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { SheetRow } from '@/core/project/fillSheet';
import { useDesk } from '../deskContext';

/** What the sheet of a project said the last time, by the id of the title that was made of each row. */
export interface EarlierSheet {
  readonly rows: ReadonlyMap<string, SheetRow>;
  /** Keeps what it says now; `also` are titles of the last time that it does not name and that stay. */
  keep(rows: readonly (readonly [titleId: string, row: SheetRow])[], also: readonly string[]): void;
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
    (now, also) => {
      const next = new Map<string, SheetRow>(now);
      for (const id of also) next.set(id, rows.get(id) ?? {});
      setRows(next);
      void set(key, next).catch(() => undefined);
    },
    [key, rows],
  );
  return useMemo(() => ({ rows, keep }), [rows, keep]);
}
