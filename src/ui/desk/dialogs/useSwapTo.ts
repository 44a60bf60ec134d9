'use client';
import { useCallback } from 'react';
import { swapTemplate, swapTitle } from '@/core/project/swap';
import { useDesk, useSelect } from '../deskContext';

/**
 * Puts titles on another template. Where every word finds a field by its name it is done at once; else the swap screen
 * opens and shows what would go where.
 */
export function useSwapTo(): (titleIds: readonly string[], templateId: string) => void {
  const { store, ui, editions, newest } = useDesk();
  const select = useSelect();
  return useCallback(
    (titleIds, templateId) => {
      const to = newest.get(templateId);
      if (to === undefined) return;
      const { titles, plan } = store.getState();
      const chosen = titles.filter((title) => titleIds.includes(title.id));
      const from = (editionId: string) => editions.get(editionId)?.document;
      const plain = chosen.every(
        (title) => swapTemplate(title, from(title.editionId), to.document).kept.length === 0,
      );
      if (plain) {
        const ids = new Set(titleIds);
        store
          .getState()
          .apply((now) =>
            now.map((title) =>
              ids.has(title.id)
                ? swapTitle(title, from(title.editionId), to, { deliveries: plan.deliveries })
                : title,
            ),
          );
        return;
      }
      select(...titleIds);
      ui.setState({ dialog: 'swap', swapTo: templateId });
    },
    [store, ui, editions, newest, select],
  );
}
