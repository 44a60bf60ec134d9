'use client';
import { useKeys } from '../../shared/useKeys';
import { useDesk } from '../deskContext';
import { useCreditRows } from './creditContext';
import { useCreditActions } from './useCreditActions';

/** The keys of the credits' sheet; none of them act while words are typed, or while another sheet lies open. */
export function useCreditKeys(): void {
  const { ui } = useDesk();
  const rows = useCreditRows();
  const actions = useCreditActions();
  const open = (): boolean => ui.getState().sheet === 'credits';
  useKeys('n', () => {
    if (open()) actions.add('role', ui.getState().creditIds.at(-1) ?? null);
  });
  useKeys('delete, backspace', () => {
    const ids = new Set(ui.getState().creditIds);
    if (open() && ids.size > 0) actions.remove(ids);
  });
  useKeys('mod+a', (event) => {
    if (!open()) return;
    event.preventDefault();
    ui.setState({ creditIds: rows.map(({ id }) => id) });
  });
}
