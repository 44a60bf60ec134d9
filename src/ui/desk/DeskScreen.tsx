'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FORMATS } from '@/core/layout/formats';
import { RATES } from '@/core/units/rates';
import type { DeskProject } from '@/server/usecases/shapes';
import { useFonts } from '../picture/useFonts';
import { usePlayer } from '../picture/usePlayer';
import { ask } from '../shared/api';
import { SaveNote } from '../shared/SaveNote';
import { SaveTrouble } from '../shared/SaveTrouble';
import { TopBar } from '../shared/TopBar';
import { UndoButtons } from '../shared/UndoButtons';
import { useAutosave } from '../shared/useAutosave';
import { AddTitle } from './AddTitle';
import { CueSheet } from './CueSheet';
import { DeskPicture } from './DeskPicture';
import { DeskProvider, newerEdition, useDesk, useTitles } from './deskContext';
import type { DeskView } from './deskContext';
import { createDeskStore, updateTitle } from './deskStore';
import { SendToPress } from './SendToPress';
import { Strip } from './Strip';
import { TitleCard } from './TitleCard';
import { useAddTitle } from './useAddTitle';
import { useDeskKeys } from './useDeskKeys';
import { TitlesDraft, toTitle } from './titlesDraft';

interface Props {
  readonly project: DeskProject;
  /** An edition to place as soon as the desk opens. */
  readonly placeEditionId: string | null;
}

/** The desk: where titles are placed in a project. */
export function DeskScreen({ project, placeEditionId }: Props) {
  const [store] = useState(() => createDeskStore(project.titles.map(toTitle)));
  const [selected, select] = useState<string | null>(project.titles[0]?.id ?? null);
  const editions = useEditions(project);
  const view = useMemo<DeskView>(() => {
    const newest = new Map(
      editions
        .toReversed()
        .toSorted((a, b) => a.number - b.number)
        .map((edition) => [edition.templateId, edition]),
    );
    return {
      projectId: project.id,
      settings: project.settings,
      rate: RATES.get(project.settings.rate),
      clips: project.clips,
      editions: new Map(editions.map((edition) => [edition.id, edition])),
      newest,
      store,
      selected,
      select,
    };
  }, [project, editions, store, selected]);
  return (
    <DeskProvider value={view}>
      <DeskLayout project={project} placeEditionId={placeEditionId} />
    </DeskProvider>
  );
}

/** The editions of the project, asked for again when the window is come back to: the designer may have released one. */
function useEditions(project: DeskProject): DeskProject['editions'] {
  const [editions, setEditions] = useState(project.editions);
  useEffect(() => {
    const look = (): void => {
      if (document.visibilityState !== 'visible') return;
      ask<DeskProject>(`projects/${encodeURIComponent(project.id)}`).then(
        (now) => setEditions((old) => (old.length === now.editions.length ? old : now.editions)),
        () => undefined,
      );
    };
    window.addEventListener('focus', look);
    document.addEventListener('visibilitychange', look);
    return () => {
      window.removeEventListener('focus', look);
      document.removeEventListener('visibilitychange', look);
    };
  }, [project.id]);
  return editions;
}

function DeskLayout({ project, placeEditionId }: Props) {
  const view = useDesk();
  const titles = useTitles();
  const fonts = useFonts();
  const format = FORMATS.get(view.settings.format);
  const end = Math.max(
    1,
    ...view.clips.map((clip) => clip.startFrame + clip.lengthFrames),
    ...titles.map((title) => title.startFrame + title.lengthFrames),
  );
  const chosen = titles.find((title) => title.id === view.selected);
  const [firstFrame] = useState(() =>
    chosen === undefined ? 0 : chosen.startFrame + Math.floor(chosen.lengthFrames / 2),
  );
  const player = usePlayer(view.rate, { from: 0, to: end }, firstFrame);
  const [draft] = useState(() => new TitlesDraft(project.id, project.titles, titles));
  const save = useAutosave(titles, draft.save);
  const addTitle = useAddTitle(player.frame);
  const [wanted, setWanted] = useState('');
  useDeskKeys({ player, end });
  usePlaceOnOpening(placeEditionId, addTitle);
  const choose = useCallback(
    (id: string) => {
      view.select(id);
      const title = view.store.getState().titles.find((one) => one.id === id);
      if (title !== undefined) player.seek(title.startFrame + Math.floor(title.lengthFrames / 2));
    },
    // eslint-disable-next-line react-hooks/exhaustive-deps -- seek only sets state
    [view.store],
  );
  const takeTheirs = async (): Promise<void> => {
    const { theirs } = await draft.catchUp();
    view.store.getState().apply(() => theirs);
    save.resume();
  };
  const keepMine = async (): Promise<void> => {
    // What was added elsewhere is no conflict: it comes along.
    const { unknown } = await draft.catchUp();
    view.store.getState().apply((mine) => [...mine, ...unknown]);
    save.resume();
  };
  const { shapeLabel, heightPx } = format;
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={
          <>
            <h1 className="truncate font-serif text-[17px] font-semibold">{view.settings.name}</h1>
            <span className="whitespace-nowrap text-soft">
              {`${heightPx}p ${view.rate.label} · ${titles.length} ${titles.length === 1 ? 'title' : 'titles'} · `}
              <SaveNote state={save.state} />
            </span>
          </>
        }
        actions={
          <>
            <UndoButtons history={view.store.temporal} />
            <span className="text-soft">
              {format.label} {shapeLabel}
            </span>
            <SendToPress flush={save.flush} />
          </>
        }
      />
      <SaveTrouble
        state={save.state}
        onTakeTheirs={() => void takeTheirs()}
        onKeepMine={() => void keepMine()}
      />
      <main className="flex min-h-0 flex-1 flex-col">
        <div className="flex min-h-0 flex-1">
          <section aria-label="Cue sheet" className="flex min-w-0 flex-1 flex-col border-r border-line">
            <div className="flex h-12 shrink-0 items-center gap-2 px-3">
              <AddTitle onAdd={addTitle} />
              <NewEditions />
              <span className="flex-1" />
              <input
                type="search"
                aria-label="Find a name or word"
                placeholder="Find a name or word"
                value={wanted}
                onChange={(event) => setWanted(event.target.value)}
                className="h-8 w-44 rounded-lg border border-line-strong bg-field px-2.5"
              />
            </div>
            <CueSheet wanted={wanted} onChoose={choose} />
          </section>
          <div className="flex w-[440px] shrink-0 flex-col overflow-y-auto bg-card">
            <DeskPicture player={player} format={format} fonts={fonts} end={end} />
            <TitleCard fonts={fonts} format={format} />
          </div>
        </div>
        <Strip player={player} end={end} />
      </main>
    </div>
  );
}

function usePlaceOnOpening(editionId: string | null, addTitle: (editionId: string) => void): void {
  const placed = useRef(false);
  useEffect(() => {
    if (editionId === null || placed.current) return;
    placed.current = true;
    // Once only: a reload of the page must not place it again.
    window.history.replaceState(null, '', window.location.pathname);
    addTitle(editionId);
  }, [editionId, addTitle]);
}

/** Says when the designer has released newer editions, and brings all titles up to date at one click. */
function NewEditions() {
  const view = useDesk();
  const titles = useTitles();
  const behind = titles.filter((title) => newerEdition(view, title) !== null);
  if (behind.length === 0) return null;
  const update = (): void =>
    view.store.getState().apply((now) =>
      now.reduce((all, title) => {
        const newer = newerEdition(view, title);
        return newer === null ? all : updateTitle(all, title.id, { editionId: newer.id });
      }, now),
    );
  return (
    <button
      type="button"
      onClick={update}
      className="rounded-lg bg-leaf-wash px-3 py-1.5 font-semibold text-leaf-ink"
    >
      {behind.length === 1
        ? 'A newer edition is out for 1 title'
        : `A newer edition is out for ${behind.length} titles`}
      : bring up to date
    </button>
  );
}
