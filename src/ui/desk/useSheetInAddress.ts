'use client';
import { useEffect } from 'react';
import { sheetQuery } from './deskAddress';
import type { DeskUiStore } from './deskUi';

/** Keeps in the address which sheet lies open, so that a reload, or a link to it, opens the same. */
export function useSheetInAddress(ui: DeskUiStore): void {
  useEffect(
    () =>
      ui.subscribe(({ sheet }, before) => {
        if (sheet === before.sheet) return;
        const query = sheet === 'titles' ? '' : sheetQuery(sheet);
        window.history.replaceState(null, '', `${window.location.pathname}${query}`);
      }),
    [ui],
  );
}
