'use client';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CSSProperties } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import type { DeskProject } from '@/contract/projects';
import { withoutRevision } from '@/contract/projects';
import type { EditionRecord } from '@/contract/templates';
import { PLAIN_CAPTION, PLAIN_CAPTION_ID } from '@/core/captions/plainCaption';
import type { Change } from '@/core/draft/change';
import { sayChange } from '@/core/draft/changeWords';
import { paintedFormat } from '@/core/frame/formats';
import type { Span } from '@/core/project/lanes';
import { endOf } from '@/core/project/lanes';
import { RATES } from '@/core/time/rates';
import { useFonts } from '../picture/useFonts';
import { usePlayer } from '../picture/usePlayer';
import type { Player } from '../picture/usePlayer';
import { SaveNote } from '../shared/SaveNote';
import { SaveTrouble } from '../shared/SaveTrouble';
import { Segmented } from '../shared/Segmented';
import { TopBar } from '../shared/TopBar';
import { UndoButtons } from '../shared/UndoButtons';
import { useCreditRows, useCreditTitle } from './credits/creditContext';
import { useTrack, useTrackCues } from './captions/captionContext';
import { TitleCard } from './card/TitleCard';
import { ConflictBar } from './ConflictBar';
import { DeliverySwitch } from './DeliverySwitch';
import { DeskPicture } from './DeskPicture';
import { DeskProvider, useClips, useDelivery, useDesk, useDeskUi, useTitles } from './deskContext';
import type { DeskView } from './deskContext';
import type { DeskSheet } from './deskAddress';
import { createDeskStore } from './deskStore';
import { createDeskUi } from './deskUi';
import {
  CaptionPace,
  CaptionSheet,
  CaptionTools,
  CreditSheet,
  CreditTools,
  CueCard,
  DeskDialogs,
  RollPanel,
  useLaterParts,
} from './laterParts';
import { ProofPanel } from './proof/ProofPanel';
import { sayNothingOpen } from './proof/NothingOpen';
import type { Tone } from './proof/proofView';
import { ProofProvider, useProofView } from './proof/proofView';
import { useProof } from './proof/useProof';
import { SendToPress } from './send/SendToPress';
import { CueSheet } from './sheet/CueSheet';
import { SheetTools } from './sheet/SheetTools';
import { NO_FILTER } from './sheet/useSheetRows';
import { SheetSwitch } from './SheetSwitch';
import { ShelfDrawer } from './ShelfDrawer';
import { SideDivider, useSideWidth } from './SideDivider';
import { WORK_WORDS } from './stepWords';
import { Strip } from './strip/Strip';
import { EmptiedBar } from './EmptiedBar';
import { useDeskKeys } from './useDeskKeys';
import { useDeskSaving } from './useDeskSaving';
import { usePlaceTitle } from './usePlaceTitle';
import { useSheetInAddress } from './useSheetInAddress';
import { counted } from '../shared/counted';

// What captions are painted as without a template of their own is on no shelf.
const PLAIN_CAPTIONS: EditionRecord = {
  id: PLAIN_CAPTION_ID,
  templateId: PLAIN_CAPTION_ID,
  number: 1,
  releasedAt: '',
  document: PLAIN_CAPTION,
};

interface Props {
  readonly project: DeskProject;
  /** An edition to place as soon as the desk opens. */
  readonly placeEditionId: string | null;
  /** The sheet that lies open at first. */
  readonly sheet: DeskSheet;
}

/** The desk: where titles are placed in a project. */
export function DeskScreen({ project, placeEditionId, sheet }: Props) {
  const { view, saving } = useDeskView(project, sheet);
  const proof = useProof(view);
  return (
    <DeskProvider value={view}>
      <ProofProvider value={proof}>
        <DeskLayout saving={saving} placeEditionId={placeEditionId} emptied={project.emptied} />
      </ProofProvider>
    </DeskProvider>
  );
}

/** The shared state of a desk on a project, kept saved and up to date with what other desks and the bench do. */
export function useDeskView(
  project: DeskProject,
  sheet: DeskSheet = 'titles',
): {
  view: DeskView;
  saving: ReturnType<typeof useDeskSaving>;
} {
  const [store] = useState(() =>
    createDeskStore({
      titles: project.titles.map(withoutRevision),
      clips: project.clips.map(withoutRevision),
      cues: project.cues.map(withoutRevision),
      plan: project.plan,
    }),
  );
  const [ui] = useState(() =>
    createDeskUi({ sheet, selection: project.titles.slice(0, 1).map(({ id }) => id) }),
  );
  const saving = useDeskSaving(project, store);
  const { editions, isShelfHere, addEdition } = saving;
  const view = useMemo<DeskView>(() => {
    const ascending = editions.toSorted((a, b) => a.number - b.number);
    const byName = ascending.toSorted((a, b) => a.document.name.localeCompare(b.document.name, 'und'));
    const newest = new Map(ascending.map((edition) => [edition.templateId, edition]));
    return {
      projectId: project.id,
      settings: project.settings,
      rate: RATES.get(project.settings.rate),
      editions: new Map([...editions, PLAIN_CAPTIONS].map((edition) => [edition.id, edition])),
      newest: new Map(
        byName.flatMap(({ templateId }) => {
          const edition = newest.get(templateId);
          return edition === undefined ? [] : [[templateId, edition]];
        }),
      ),
      isShelfHere,
      addEdition,
      store,
      ui,
    };
  }, [project.id, project.settings, editions, isShelfHere, addEdition, store, ui]);
  return { view, saving };
}

interface LayoutProps {
  readonly saving: ReturnType<typeof useDeskSaving>;
  readonly placeEditionId: string | null;
  readonly emptied: DeskProject['emptied'];
}

const Sheet = memo(CueSheet);
const Card = memo(TitleCard);
const Findings = memo(ProofPanel);
const Captions = memo(CaptionSheet);
const Cue = memo(CueCard);
const Pace = memo(CaptionPace);
const CreditRows = memo(CreditSheet);
const Roll = memo(RollPanel);

function DeskLayout({ saving, placeEditionId, emptied }: LayoutProps) {
  const { settings, store, ui } = useDesk();
  const say = useCallback((step: Change): string => sayChange(step, store.getState(), WORK_WORDS), [store]);
  const titles = useTitles();
  const fonts = useFonts();
  const delivery = useDelivery();
  const format = paintedFormat(delivery.format, delivery.interlaced);
  const { player, end } = useDeskPlayer();
  const [filter, setFilter] = useState(NO_FILTER);
  const [side, setSide] = useSideWidth();
  const shelfOpen = useDeskUi((ui) => ui.shelfOpen);
  const panel = useDeskUi((ui) => ui.panel);
  useDeskKeys({ player, end });
  useSheetInAddress(ui);
  usePlaceOnOpening(placeEditionId, player.frame);
  const sheet = useDeskUi((ui) => ui.sheet);
  const isOver = useDeskUi((ui) => ui.dialog !== null);
  useLaterParts();
  const cues = useTrackCues();
  const seek = useSeek(player);
  const show = useShow(seek);
  const frameNow = useFrameNow(player);
  const creditTitleId = useCreditTitle()?.title.id;
  const sizeOf = {
    titles: counted(titles.length, 'title'),
    captions: counted(cues.length, 'caption'),
    credits: counted(useCreditRows().length, 'row'),
  };
  return (
    <div className="flex h-dvh flex-col">
      <TopBar
        middle={
          <>
            <h1 className="truncate font-serif text-[17px] font-semibold" title={settings.name}>
              {settings.name}
            </h1>
            <span className="whitespace-nowrap text-soft">
              {/* The sheet has them numbered; the project's name needs the room. */}
              <span className="min-[1181px]:max-[1420px]:sr-only">{`${sizeOf[sheet]} · `}</span>
              <SaveNote state={saving.state} />
            </span>
          </>
        }
        actions={
          <>
            <ProofCounts
              onPick={(tone) => setFilter((now) => ({ ...now, proof: now.proof === tone ? 'all' : tone }))}
            />
            <UndoButtons history={store.temporal} say={say} />
            <DeliverySwitch />
            <SendToPress flush={saving.flush} />
          </>
        }
      />
      <SaveTrouble state={saving.state} />
      <ConflictBar />
      <EmptiedBar emptied={emptied} />
      <main
        id="content"
        tabIndex={-1}
        className="outline-none flex min-h-0 flex-1 flex-col max-[1000px]:overflow-y-auto"
      >
        <div className="flex min-h-0 flex-1 max-[1000px]:flex-none max-[1000px]:flex-col">
          <section
            aria-label="Cue sheet"
            className="flex min-w-0 flex-1 flex-col border-r border-line max-[1000px]:h-80 max-[1000px]:flex-none"
          >
            <div className="flex min-h-12 shrink-0 items-center gap-2 px-3 py-1 max-[1180px]:flex-wrap">
              <SheetSwitch />
              {sheet === 'titles' && <SheetTools frame={player.frame} filter={filter} onFilter={setFilter} />}
              {sheet === 'captions' && (
                <CaptionTools frame={player.frame} filter={filter} onFilter={setFilter} />
              )}
              {sheet === 'credits' && (
                <CreditTools
                  words={filter.words}
                  onWords={(words) => setFilter((now) => ({ ...now, words }))}
                />
              )}
            </div>
            {sheet === 'titles' && <Sheet filter={filter} onShow={show} />}
            {sheet === 'captions' && <Captions filter={filter} onSeek={seek} />}
            {sheet === 'credits' && (
              <CreditRows
                words={filter.words}
                frameNow={frameNow}
                format={format}
                fonts={fonts}
                onSeek={seek}
              />
            )}
          </section>
          <SideDivider width={side} onWidth={setSide} />
          <div
            className="flex w-(--side) shrink-0 flex-col bg-card max-[1000px]:w-full"
            style={sideWidth(side)}
            suppressHydrationWarning
          >
            <DeskPicture player={player} format={format} fonts={fonts} end={end} widthPx={side} />
            <PanelSwitch />
            {/* Another part begins at its top. */}
            <div key={`${sheet} ${panel}`} className="min-h-0 flex-1 overflow-y-auto">
              {sheet === 'titles' &&
                (panel === 'card' ? <Card frameNow={frameNow} /> : <Findings onLook={show} />)}
              {sheet === 'credits' &&
                (panel === 'card' ? (
                  <Roll format={format} fonts={fonts} onSeek={seek} />
                ) : (
                  <Findings onLook={show} titleId={creditTitleId} />
                ))}
              {sheet === 'captions' && (panel === 'card' ? <Cue onSeek={seek} /> : <Pace onSeek={seek} />)}
            </div>
          </div>
        </div>
        {shelfOpen && <ShelfDrawer frame={player.frame} format={format} fonts={fonts} />}
        <Strip player={player} end={end} />
      </main>
      {isOver && <DeskDialogs frame={player.frame} flush={saving.flush} />}
    </div>
  );
}

/** As a variable, so that a narrow window can do without it. */
const sideWidth = (px: number): CSSProperties & Record<'--side', string> => ({ '--side': `${px}px` });

function useDeskPlayer(): { readonly player: Player; readonly end: number } {
  const { rate, ui, store } = useDesk();
  const titles = useTitles();
  const clips = useClips();
  const cues = useStore(store, (state) => state.cues);
  const end = useMemo(() => lastFrame([clips, titles, cues]), [clips, titles, cues]);
  const [firstFrame] = useState(() => {
    const chosen = titles.find((title) => title.id === ui.getState().selection[0]);
    return chosen === undefined ? 0 : chosen.startFrame + Math.floor(chosen.lengthFrames / 2);
  });
  return { player: usePlayer(rate, { from: 0, to: end }, firstFrame), end };
}

/** The frame after the last of everything; 1 for nothing at all. */
function lastFrame(lists: readonly (readonly Span[])[]): number {
  return lists.reduce((last, list) => list.reduce((most, span) => Math.max(most, endOf(span)), last), 1);
}

/** The frame that the playhead is at, for what must not be drawn again whenever it moves. */
function useFrameNow({ frame }: Player): () => number {
  const now = useRef(frame);
  useEffect(() => {
    now.current = frame;
  });
  return useCallback(() => now.current, []);
}

/** Shows a title in the picture: at one of its own frames, or in its middle. */
function useShow(seek: (frame: number) => void): (titleId: string, frame?: number | null) => void {
  const { store } = useDesk();
  return useCallback(
    (titleId, frame) => {
      const title = store.getState().titles.find((one) => one.id === titleId);
      if (title !== undefined) seek(title.startFrame + (frame ?? Math.floor(title.lengthFrames / 2)));
    },
    [store, seek],
  );
}

/** Puts the playhead somewhere, for what must not be drawn again whenever it moves. */
function useSeek(player: Player): (frame: number) => void {
  const seek = useRef(player.seek);
  useEffect(() => {
    seek.current = player.seek;
  });
  return useCallback((frame) => seek.current(frame), []);
}

const PANELS = { titles: 'Card', captions: 'Caption', credits: 'How it goes' } as const;

function PanelSwitch() {
  const { ui } = useDesk();
  const panel = useDeskUi((state) => state.panel);
  const sheet = useDeskUi((state) => state.sheet);
  return (
    <div className="shrink-0 border-b border-line px-4 py-1.5">
      <Segmented
        label={`What is shown of the ${sheet === 'titles' ? 'title' : sheet}`}
        value={panel}
        onChange={(next) => ui.setState({ panel: next })}
        choices={[
          { value: 'card', label: PANELS[sheet] },
          { value: 'proof', label: sheet === 'captions' ? 'Programme' : 'Proof' },
        ]}
      />
    </div>
  );
}

const COUNTS = [
  { tone: 'stop', label: 'to fix', look: 'bg-stop-wash text-stop-ink' },
  { tone: 'unseen', label: 'not looked at', look: 'bg-paper text-ink ring-1 ring-line-strong ring-inset' },
  { tone: 'look', label: 'to look at', look: 'bg-leaf-wash text-leaf-ink' },
] as const;

/** The ids of what the open sheet holds; the same list as long as nothing comes or goes. */
function useShownIds(): readonly string[] {
  const { store } = useDesk();
  const sheet = useDeskUi((ui) => ui.sheet);
  const trackId = useTrack()?.id;
  return useStore(
    store,
    useShallow(({ titles, cues }) =>
      (sheet === 'captions' ? cues.filter((cue) => cue.trackId === trackId) : titles).map(({ id }) => id),
    ),
  );
}

/** How many titles, or captions, there is something to say of; a click shows only those, another click all. */
function ProofCounts({ onPick }: { readonly onPick: (tone: Tone) => void }) {
  const ids = useShownIds();
  const { toneOf, knows, asideOf } = useProofView();
  const { tones, waiting } = useMemo(() => {
    const counts = new Map<Tone, number>();
    for (const id of ids) counts.set(toneOf(id), (counts.get(toneOf(id)) ?? 0) + 1);
    return { tones: counts, waiting: ids.filter((id) => !knows(id)).length };
  }, [ids, toneOf, knows]);
  const count = (tone: Tone): number => tones.get(tone) ?? 0;
  const pill = 'rounded-full px-2.5 py-0.5 text-[12px] font-semibold whitespace-nowrap';
  return (
    <>
      {COUNTS.filter(({ tone }) => count(tone) > 0).map(({ tone, label, look }) => (
        <button key={tone} type="button" className={`${pill} ${look}`} onClick={() => onPick(tone)}>
          {count(tone)} {label}
        </button>
      ))}
      {waiting > 0 && (
        <span className="text-[12px] whitespace-nowrap text-soft">{`looking at ${waiting}`}</span>
      )}
      {waiting === 0 && ids.length > 0 && count('pass') === ids.length && (
        <span className={`${pill} bg-pass-wash text-pass`}>{sayNothingOpen(ids, asideOf)}</span>
      )}
    </>
  );
}

function usePlaceOnOpening(editionId: string | null, frame: number): void {
  const placed = useRef(false);
  const place = usePlaceTitle();
  useEffect(() => {
    if (editionId === null || placed.current) return;
    placed.current = true;
    // Once only: a reload of the page must not place it again.
    window.history.replaceState(null, '', window.location.pathname);
    place(editionId, { kind: 'playhead', frame });
  }, [editionId, place, frame]);
}
