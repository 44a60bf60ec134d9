'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { toast } from 'sonner';
import { refreshFonts } from '../picture/fontStore';
import type { NewsItem } from '@/contract/news';
import type { DeskProject } from '@/contract/projects';
import type { EditionRecord } from '@/contract/templates';
import { sameValue } from '@/core/kit/sameValue';
import { workOf } from '@/core/project/work';
import type { Autosave } from '../shared/useAutosave';
import { useAutosave } from '../shared/useAutosave';
import { reloadHouse } from '../shared/useHouse';
import { useKeptSteps } from '../shared/useKeptSteps';
import { useKeptWhileUnsaved } from '../shared/useKeptWhileUnsaved';
import { DeskDraft } from './deskDraft';
import type { DeskStore } from './deskStore';
import { useEditions } from './useEditions';

export interface DeskSaving extends Autosave {
  readonly editions: DeskProject['editions'];
  /** Whether the shelf's editions have come, those that cannot be had aside. */
  readonly isShelfHere: boolean;
  /** Takes in an edition that was asked for, such as an older one. */
  readonly addEdition: (edition: EditionRecord) => void;
}

// Later than a save that goes well: keeping a large project costs more than typing may.
const KEEP_AFTER_MS = 1000;

/** Keeps a desk saved, and up to date with what other desks save and the bench releases. */
export function useDeskSaving(project: DeskProject, store: DeskStore): DeskSaving {
  const [draft] = useState(() => new DeskDraft(project, store));
  const { editions, isShelfHere, take, add } = useEditions(project);
  const addEdition = useCallback((edition: EditionRecord) => add([edition]), [add]);
  const work = useStore(store, useShallow(workOf));
  const save = useAutosave(work, draft.save);
  useEffect(() => {
    void draft.takeUpUnsaved().then((found) => {
      if (found) toast('What could not be saved before is here again, and is saved now.');
    });
  }, [draft]);
  // What the server does not have yet is kept in the browser until it has.
  useKeptWhileUnsaved(draft, work, save.state.kind !== 'saved', KEEP_AFTER_MS);
  useKeptSteps(`project-${project.id}`, store);
  useNews(project, draft, take);
  return useMemo(
    () => ({ ...save, editions, isShelfHere, addEdition }),
    [save, editions, isShelfHere, addEdition],
  );
}

/** Listens to the server's news: other desks' changes come in, new editions are told at once. */
function useNews(
  { id: projectId, settings }: Pick<DeskProject, 'id' | 'settings'>,
  draft: DeskDraft,
  take: (project: Pick<DeskProject, 'editions' | 'otherEditions'>) => void,
): void {
  useEffect(() => {
    const source = new EventSource('/api/news');
    let lost = false;
    const catchUp = (): void => {
      draft.catchUp().then(
        (now) => {
          take(now);
          // Another rate or format counts and lays out everything anew.
          if (!sameValue(now.settings, settings)) window.location.reload();
        },
        () => undefined,
      );
    };
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const item: NewsItem = JSON.parse(data);
      if (item.kind === 'house') void reloadHouse();
      if (item.kind === 'fonts' || item.kind === 'house') void refreshFonts(true).catch(() => undefined);
      if (item.kind === 'restored') window.location.reload();
      if (item.kind === 'project' && item.projectId === projectId && item.by !== draft.deskId) catchUp();
      if (item.kind === 'edition') {
        catchUp();
        toast(`Edition ${item.number} of “${item.name}” is out.`);
      }
    };
    source.onerror = () => (lost = true);
    // What happened while the server was away was not told.
    source.onopen = () => {
      if (lost) catchUp();
      lost = false;
    };
    return () => source.close();
  }, [projectId, settings, draft, take]);
}
