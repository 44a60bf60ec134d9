'use client';
import { MASTER_ID } from '@/core/model/plan';
import { useDelivery, useDesk, useDeskUi } from '../deskContext';

/** Whether changes on the card count in the shown delivery alone; the master has nothing of its own. */
export function useOnlyHere(): {
  readonly possible: boolean;
  readonly onlyHere: boolean;
  setOnlyHere(onlyHere: boolean): void;
} {
  const { ui } = useDesk();
  const delivery = useDelivery();
  const wanted = useDeskUi((state) => state.onlyHere);
  const possible = delivery.id !== MASTER_ID;
  return {
    possible,
    onlyHere: possible && wanted,
    setOnlyHere: (onlyHere) => ui.setState({ onlyHere }),
  };
}
