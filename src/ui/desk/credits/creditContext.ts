'use client';
import { useCallback, useMemo } from 'react';
import type { Credits, CreditRow } from '@/core/model/credits';
import { NO_CREDITS } from '@/core/model/credits';
import type { Title } from '@/core/model/project';
import type { CreditsLayer, Template } from '@/core/model/template';
import { creditsLayer } from '@/core/project/titleCredits';
import { useApplyTitles, useDesk, useDeskUi, useTitles } from '../deskContext';

/** A title with credits, and the template that shows them. */
export interface CreditTitle {
  readonly title: Title;
  readonly template: Template;
  readonly layer: CreditsLayer;
}

/** The titles of the project that have credits. */
export function useCreditTitles(): readonly CreditTitle[] {
  const { editions } = useDesk();
  const titles = useTitles();
  return useMemo(
    () =>
      titles.flatMap((title): CreditTitle[] => {
        const template = editions.get(title.editionId)?.document;
        const layer = template && creditsLayer(template);
        return template === undefined || layer === undefined ? [] : [{ title, template, layer }];
      }),
    [titles, editions],
  );
}

/** The title whose credits lie open: the chosen one where it has some, else the one that was open, else the first. */
export function useCreditTitle(): CreditTitle | null {
  const all = useCreditTitles();
  const [chosen] = useDeskUi((ui) => ui.selection);
  const open = useDeskUi((ui) => ui.creditTitleId);
  const find = (id: string | null | undefined): CreditTitle | undefined =>
    all.find(({ title }) => title.id === id);
  return find(chosen) ?? find(open) ?? all[0] ?? null;
}

const NO_ROWS: readonly CreditRow[] = [];

/** The rows of the credits that lie open. */
export function useCreditRows(): readonly CreditRow[] {
  return useCreditTitle()?.title.credits?.rows ?? NO_ROWS;
}

/** How to change what a title says of its credits. */
export function useApplyCredits(
  titleId: string | undefined,
): (change: (credits: Credits) => Credits) => void {
  const apply = useApplyTitles();
  return useCallback(
    (change) =>
      apply((titles) => {
        const at = titles.findIndex(({ id }) => id === titleId);
        if (at < 0) return titles;
        const before = titles[at].credits ?? NO_CREDITS;
        const credits = change(before);
        return credits === before ? titles : titles.with(at, { ...titles[at], credits });
      }),
    [apply, titleId],
  );
}
