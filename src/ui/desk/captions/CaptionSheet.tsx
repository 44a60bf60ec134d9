'use client';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { KeyboardEvent } from 'react';
import { plainWords } from '@/core/formats/captions/cueMarks';
import type { Cue } from '@/core/model/captions';
import { Button } from '../../shared/Button';
import { useDesk, useDeskUi } from '../deskContext';
import { rowStep, SheetHead, useRowsInView } from '../sheetRows';
import { useToneOf } from '../proof/proofView';
import type { SheetFilter } from '../sheet/useSheetRows';
import { useTrack, useTrackCues } from './captionContext';
import { CAPTION_COLUMNS } from './captionColumns';
import { CaptionRow } from './CaptionRow';
import { useCueActions } from './useCueActions';

interface Props {
  readonly filter: SheetFilter;
  /** Puts the playhead somewhere. */
  readonly onSeek: (frame: number) => void;
}

const ROW_PX = 48;
const HEADS = ['', 'In', 'Duration', 'Speaker', 'Words', 'Pace', 'Proof'];

/** The captions of a track: a row a cue, its words typed where they stand. Only the rows in view are drawn. */
export function CaptionSheet({ filter, onSeek }: Props) {
  const { ui } = useDesk();
  const track = useTrack();
  const cues = useTrackCues();
  const rows = useFiltered(cues, filter);
  const actions = useCueActions();
  const chosen = useDeskUi((state) => state.cueIds);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useRowsInView({ ids: rows, rowPx: ROW_PX, scroller });
  const numbers = useMemo(() => new Map(cues.map((cue, i) => [cue.id, i + 1])), [cues]);
  const [first] = chosen;
  useEffect(() => {
    const at = rows.findIndex(({ id }) => id === first);
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- when another cue is chosen, not when rows change
  }, [first]);
  const latest = useRef(rows);
  useEffect(() => {
    latest.current = rows;
  });
  const go = useCallback(
    (by: number, caret: 'start' | 'end' | null): void => {
      const { current: all } = latest;
      const at = all.findIndex(({ id }) => id === ui.getState().cueIds[0]);
      const next = all[Math.max(0, Math.min(all.length - 1, at + by))];
      if (next === undefined) return;
      const place = caret === 'end' ? next.words.length : 0;
      ui.setState({
        cueIds: [next.id],
        ...(caret === null ? {} : { caret: { cueId: next.id, from: place, to: place, wanted: true } }),
      });
      onSeek(next.startFrame);
    },
    [ui, onSeek],
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target !== event.currentTarget) return;
    onGridKey(event, go, () => {
      const [id] = ui.getState().cueIds;
      const cue = rows.find((one) => one.id === id);
      if (cue !== undefined)
        ui.setState({ caret: { cueId: cue.id, from: cue.words.length, to: cue.words.length, wanted: true } });
    });
  };
  if (track === null) return <NoTrack />;
  const selected = new Set(chosen);
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label={`Captions, ${track.name}`}
      aria-rowcount={rows.length + 1}
      aria-colcount={7}
      aria-multiselectable="true"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-auto outline-none focus-visible:shadow-[inset_0_0_0_2px_var(--leaf)]"
      onKeyDown={onKeyDown}
    >
      <SheetHead heads={HEADS} columns={CAPTION_COLUMNS} />
      <div className="relative min-w-full" style={{ height: virtual.getTotalSize() }} role="rowgroup">
        {virtual.getVirtualItems().map((item) => {
          const cue = rows[item.index];
          if (cue === undefined) return null;
          return (
            <CaptionRow
              key={cue.id}
              cue={cue}
              row={item.index}
              number={numbers.get(cue.id) ?? 0}
              top={item.start}
              height={ROW_PX}
              chosen={selected.has(cue.id)}
              open={cue.id === first}
              language={track.language}
              actions={actions}
              onGo={go}
              onSeek={onSeek}
            />
          );
        })}
      </div>
      {rows.length === 0 && (
        <p className="p-6 text-soft">
          {cues.length === 0
            ? 'No captions yet. Read a caption file, type a transcript, or put the playhead where somebody speaks and add one with “Caption”.'
            : 'No caption is like that.'}
        </p>
      )}
    </div>
  );
}

/** What goes from row to row, and into the words; what is done to the chosen cues are keys of the whole desk. */
function onGridKey(
  event: KeyboardEvent,
  go: (by: number, caret: 'start' | 'end' | null) => void,
  edit: () => void,
): void {
  const by = rowStep(event.key);
  if (by !== undefined) {
    event.preventDefault();
    event.stopPropagation();
    go(by, null);
  } else if (event.key === 'Enter' || event.key === 'F2') {
    event.preventDefault();
    edit();
  }
}

function useFiltered(cues: readonly Cue[], { words, proof }: SheetFilter): readonly Cue[] {
  const toneOf = useToneOf(proof !== 'all');
  return useMemo(() => {
    const wanted = words.trim().toLowerCase();
    return cues.filter(
      (cue) =>
        (wanted === '' ||
          plainWords(cue.words).toLowerCase().includes(wanted) ||
          cue.speaker.toLowerCase().includes(wanted)) &&
        (proof === 'all' || toneOf(cue.id) === proof),
    );
  }, [cues, words, proof, toneOf]);
}

function NoTrack() {
  const { ui } = useDesk();
  return (
    <div className="p-6 text-soft">
      <p className="max-w-xl pb-3">
        This project has no captions. Read them from a file (SubRip, WebVTT, TTML, EBU STL or a sheet), type a
        transcript and tap it in while the programme plays, or begin with an empty track.
      </p>
      <span className="flex gap-2">
        <Button look="gold" onClick={() => ui.setState({ dialog: 'readCaptions' })}>
          Read a caption file
        </Button>
        <Button onClick={() => ui.setState({ dialog: 'track' })}>Begin a track</Button>
      </span>
    </div>
  );
}
