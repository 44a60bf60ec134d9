'use client';
import { useCallback } from 'react';
import { toast } from 'sonner';
import { useDesk, useSelect } from './deskContext';

/** Takes titles away; of more than one it says how many, with undo at hand. */
export function useRemoveTitles(): (ids: ReadonlySet<string>) => void {
  const { store } = useDesk();
  const select = useSelect();
  return useCallback(
    (ids) => {
      const before = store.getState().titles;
      const count = before.filter(({ id }) => ids.has(id)).length;
      if (count === 0) return;
      store.getState().apply((now) => now.filter((one) => !ids.has(one.id)));
      select();
      if (count === 1) return;
      const after = store.getState().titles;
      toast(`${count} titles were removed.`, {
        action: {
          label: 'Undo',
          onClick: () => {
            // Only this step: whatever was done since then is not taken back by it.
            if (store.getState().titles === after) store.temporal.getState().undo();
            else store.getState().apply((now) => [...now, ...before.filter(({ id }) => ids.has(id))]);
          },
        },
      });
    },
    [store, select],
  );
}
