'use client';
import { createContext, useCallback, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { EditionRecord } from '@/contract/templates';
import type { AutomaticContext } from '@/core/resolve/automatic';
import { airValues } from '@/core/resolve/automatic';
import type { Delivery, Plan } from '@/core/model/plan';
import type { Clip, ProjectSettings, Title } from '@/core/model/project';
import type { FieldValues, Template } from '@/core/model/template';
import type { CellContext } from '@/core/project/cells';
import { plainName } from '@/core/project/swap';
import type { Clock } from '@/core/time/clock';
import { clockOf } from '@/core/time/clock';
import type { FrameRate } from '@/core/time/rates';
import type { DeskStore, Titles, TitlesChange, WorkChange } from './deskStore';
import type { DeskUi, DeskUiStore } from './deskUi';

/** What the parts of the desk share. */
export interface DeskView {
  readonly projectId: string;
  readonly settings: ProjectSettings;
  readonly rate: FrameRate;
  readonly editions: ReadonlyMap<string, EditionRecord>;
  /** The newest edition of each template, by template id. */
  readonly newest: ReadonlyMap<string, EditionRecord>;
  /** Whether all of the shelf has come; until then more templates may. */
  readonly isShelfHere: boolean;
  /** Takes in an edition that was asked for, such as an older one. */
  addEdition(edition: EditionRecord): void;
  readonly store: DeskStore;
  readonly ui: DeskUiStore;
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

/** The clips as they are now, in order of their start. */
export function useClips(): readonly Clip[] {
  return useStore(useDesk().store, (state) => state.clips);
}

/** The project's plan as it is now. */
export function usePlan(): Plan {
  return useStore(useDesk().store, (state) => state.plan);
}

/** The project's clock: what its timecodes are shown and read by. */
export function useClock(): Clock {
  const { rate } = useDesk();
  const { clock } = usePlan();
  return useMemo(() => clockOf(rate, clock), [rate, clock]);
}

/** How to change the titles. */
export function useApplyTitles(): (change: TitlesChange) => void {
  return useStore(useDesk().store, (state) => state.apply);
}

/** How to change titles, clips and plan in one step. */
export function useApplyWork(): (change: WorkChange) => void {
  return useStore(useDesk().store, (state) => state.applyWork);
}

/** A part of what is chosen and shown. */
export function useDeskUi<T>(pick: (ui: DeskUi) => T): T {
  return useStore(useDesk().ui, useShallow(pick));
}

/** Chooses titles; the first of them is the one whose card is filled. */
export function useSelect(): (...ids: readonly string[]) => void {
  const { ui } = useDesk();
  return useCallback(
    (...ids) => ui.setState({ selection: ids, ...(ids.length > 0 ? { clipId: null } : {}) }),
    [ui],
  );
}

/** The delivery that is shown; the master when the one that was is gone. */
export function useDelivery(): Delivery {
  const { deliveries } = usePlan();
  const id = useDeskUi((ui) => ui.deliveryId);
  return deliveries.find((delivery) => delivery.id === id) ?? deliveries[0];
}

// Every row of the cue sheet asks; they are counted once for all.
const counted = new WeakMap<Titles, ReadonlyMap<string, number>>();

/** The number of each title in its project, from 1, by id. */
export function numbersOf(titles: Titles): ReadonlyMap<string, number> {
  const known = counted.get(titles);
  if (known !== undefined) return known;
  const numbers = new Map(titles.map((title, i) => [title.id, i + 1]));
  counted.set(titles, numbers);
  return numbers;
}

/** The values that a title shows: what was typed, and what its automatic fields say. */
export function useShownValues(): (title: Title) => FieldValues {
  const { editions, settings } = useDesk();
  const clock = useClock();
  const clips = useClips();
  const titles = useTitles();
  return useMemo(
    () => createShownValues(titles, editions, { projectName: settings.name, clock, clips }),
    [clips, clock, editions, settings, titles],
  );
}

/** The values that a title shows in the delivery that is shown. */
export function useDeliveryValues(): (title: Title) => FieldValues {
  const shownValues = useShownValues();
  const { id } = useDelivery();
  return useCallback(
    (title) => {
      const own = title.perDelivery[id]?.values;
      return own === undefined ? shownValues(title) : { ...shownValues(title), ...own };
    },
    [shownValues, id],
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
    const values = airValues(document, title, { ...context, number });
    known.set(title, values);
    return values;
  };
}

/** What cells are read and written with. */
export function useCellContext(): CellContext {
  const { editions, newest } = useDesk();
  const clock = useClock();
  const shownValues = useShownValues();
  const { deliveries } = usePlan();
  return useMemo(
    () => ({
      clock,
      shownValues,
      deliveries,
      templateOf: (editionId) => editions.get(editionId)?.document,
      editionNamed: (name) =>
        [...newest.values()].find((edition) => plainName(edition.document.name) === plainName(name)),
    }),
    [clock, deliveries, editions, newest, shownValues],
  );
}

/** The template that a title uses, as its edition has it. */
export function useTemplateOf(): (editionId: string) => Template | undefined {
  const { editions } = useDesk();
  return useCallback((editionId) => editions.get(editionId)?.document, [editions]);
}

/** The edition that a title should move on to, if there is a newer one and it does not keep its own. */
export function newerEdition(
  view: Pick<DeskView, 'editions' | 'newest'>,
  title: Title,
): EditionRecord | null {
  const used = view.editions.get(title.editionId);
  const newest = used && view.newest.get(used.templateId);
  return newest !== undefined && newest.id !== title.editionId && !title.keepsEdition ? newest : null;
}
