'use client';
import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import type { AutomaticContext } from '@/core/document/automatic';
import { withAutomaticValues } from '@/core/document/automatic';
import type { Clip, ProjectSettings, Title } from '@/core/document/project';
import type { FieldValues } from '@/core/document/template';
import type { FrameRate } from '@/core/units/rates';
import type { EditionRecord } from '@/db/templates';
import type { DeskStore, Titles, TitlesChange } from './deskStore';

/** What the parts of the desk share. */
export interface DeskView {
  readonly projectId: string;
  readonly settings: ProjectSettings;
  readonly rate: FrameRate;
  readonly clips: readonly Clip[];
  readonly editions: ReadonlyMap<string, EditionRecord>;
  /** The newest edition of each template, by template id. */
  readonly newest: ReadonlyMap<string, EditionRecord>;
  readonly store: DeskStore;
  readonly selected: string | null;
  select(titleId: string | null): void;
}

const DeskContext = createContext<DeskView | null>(null);
export const DeskProvider = DeskContext.Provider;

/** The shared state of the desk. */
export function useDesk(): DeskView {
  const view = useContext(DeskContext);
  if (view === null) throw new Error('This part belongs on the desk');
  return view;
}

/** The titles as they are now, in order of their start. */
export function useTitles(): Titles {
  return useStore(useDesk().store, (state) => state.titles);
}

/** How to change the titles. */
export function useApplyTitles(): (change: TitlesChange) => void {
  return useStore(useDesk().store, (state) => state.apply);
}

// Every row of the cue sheet asks; they are counted once for all.
const counted = new WeakMap<Titles, ReadonlyMap<string, number>>();

function numbersOf(titles: Titles): ReadonlyMap<string, number> {
  const known = counted.get(titles);
  if (known !== undefined) return known;
  const numbers = new Map(titles.map((title, i) => [title.id, i + 1]));
  counted.set(titles, numbers);
  return numbers;
}

/** The values that a title shows: what was typed, and what its automatic fields say. */
export function useShownValues(): (title: Title) => FieldValues {
  const { clips, editions, rate, settings } = useDesk();
  const titles = useTitles();
  return useMemo(
    () => createShownValues(titles, editions, { projectName: settings.name, rate, clips }),
    [clips, editions, rate, settings, titles],
  );
}

/** Values are filled once for each title, so that they are the same object as long as they say the same. */
function createShownValues(
  titles: Titles,
  editions: DeskView['editions'],
  context: Omit<AutomaticContext, 'number'>,
): (title: Title) => FieldValues {
  const numbers = numbersOf(titles);
  const known = new Map<Title, FieldValues>();
  return (title) => {
    const document = editions.get(title.editionId)?.document;
    const found = known.get(title);
    if (found !== undefined || document === undefined) return found ?? title.values;
    const number = numbers.get(title.id) ?? 1;
    const values = withAutomaticValues(document, title, { ...context, number });
    known.set(title, values);
    return values;
  };
}

/** The edition that a title should move on to, if there is a newer one. */
export function newerEdition(view: DeskView, title: Title): EditionRecord | null {
  const used = view.editions.get(title.editionId);
  const newest = used && view.newest.get(used.templateId);
  return newest !== undefined && newest.id !== title.editionId ? newest : null;
}
