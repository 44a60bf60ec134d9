'use client';
import { nanoid } from 'nanoid';
import { useCallback } from 'react';
import type { Placing } from '@/core/project/placeTitle';
import { placeTitle } from '@/core/project/placeTitle';
import { creditsLayer } from '@/core/project/titleCredits';
import { useHouse } from '../shared/useHouse';
import { useDesk, useSelect } from './deskContext';

/** Places a title of an edition and goes to its first words, which are selected. */
export function usePlaceTitle(): (editionId: string, placing: Placing) => void {
  const { store, ui, editions, rate } = useDesk();
  const { timing } = useHouse();
  const select = useSelect();
  return useCallback(
    (editionId, placing) => {
      const edition = editions.get(editionId);
      if (edition === undefined) return;
      const id = nanoid(12);
      const placed = { id: editionId, template: edition.document, rate, timing };
      store.getState().applyWork((work) => placeTitle(work, placed, placing, id, () => nanoid(12)));
      select(id);
      // What has credits is typed in their sheet.
      if (creditsLayer(edition.document) !== undefined)
        ui.setState({ range: null, sheet: 'credits', creditTitleId: id, creditIds: [], panel: 'card' });
      else ui.setState({ range: null, goTo: { titleId: id, column: 'words' } });
    },
    [store, ui, editions, rate, timing, select],
  );
}
