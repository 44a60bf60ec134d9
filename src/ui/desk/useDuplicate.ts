'use client';
import { nanoid } from 'nanoid';
import { useCallback } from 'react';
import { duplicateTitles } from '@/core/project/arrangeTitles';
import { useDesk, useSelect } from './deskContext';

/** Copies the chosen titles behind themselves and goes to the words of the first copy, which are selected. */
export function useDuplicate(): () => void {
  const { store, ui } = useDesk();
  const select = useSelect();
  return useCallback(() => {
    const ids = new Set(ui.getState().selection);
    const { titles, copies } = duplicateTitles(store.getState().titles, ids, () => nanoid(12));
    const [first] = copies;
    if (first === undefined) return;
    store.getState().apply(() => titles);
    select(...copies.map(({ id }) => id));
    ui.setState({ goTo: { titleId: first.id, column: 'words' } });
  }, [store, ui, select]);
}
