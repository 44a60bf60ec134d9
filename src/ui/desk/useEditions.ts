'use client';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { DeskProject } from '@/contract/projects';
import type { EditionRecord } from '@/contract/templates';
import { counted } from '../shared/counted';
import { loadEdition } from '../shared/documents';

/** Editions with their documents, and the ids of those whose documents are still to be asked for. */
type Arriving = Pick<DeskProject, 'editions' | 'otherEditions'>;

/** The editions that are here: those the desk opened with, those that came since, and then all others. */
export function useEditions(project: Arriving): {
  readonly editions: readonly EditionRecord[];
  readonly isShelfHere: boolean;
  readonly take: (project: Arriving) => void;
  readonly add: (more: readonly EditionRecord[]) => void;
} {
  const [editions, setEditions] = useState(project.editions);
  const [isShelfHere, setShelfHere] = useState(project.otherEditions.length === 0);
  const add = useCallback((more: readonly EditionRecord[]) => {
    setEditions((now) => {
      const known = new Set(now.map(({ id }) => id));
      const fresh = more.filter(({ id }) => !known.has(id));
      return fresh.length === 0 ? now : [...now, ...fresh];
    });
  }, []);
  const loadOthers = useCallback(
    (ids: readonly string[]) => {
      void Promise.allSettled(ids.map(loadEdition)).then((loaded) => {
        add(loaded.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : [])));
        setShelfHere(true);
        const missing = loaded.filter(({ status }) => status === 'rejected').length;
        if (missing > 0)
          toast.error(
            `${counted(missing, 'template')} of the shelf could not be read. Reload the page to try again.`,
          );
      });
    },
    [add],
  );
  const take = useCallback(
    (from: Arriving) => {
      add(from.editions);
      loadOthers(from.otherEditions);
    },
    [add, loadOthers],
  );
  useEffect(() => loadOthers(project.otherEditions), [loadOthers, project]);
  return { editions, isShelfHere, take, add };
}
