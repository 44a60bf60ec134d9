'use client';
import { memo } from 'react';
import type { MouseEvent } from 'react';
import { charactersPerSecond } from '@/core/captions/timeCues';
import { cueSpans, CUE_COLOURS } from '@/core/formats/captions/cueMarks';
import type { Cue } from '@/core/model/captions';
import { frameToTimecode, lengthToTimecode } from '@/core/time/clock';
import { classes } from '../../shared/classes';
import { chosenByClick, isOneMore } from '../chosenByClick';
import { useClock, useDesk } from '../deskContext';
import { useCaptionRules } from './captionContext';
import { CAPTION_COLUMNS } from './captionColumns';
import { CuePill } from './CuePill';
import type { CueActions } from './useCueActions';
import { WordsBox } from './WordsBox';

interface Props {
  readonly cue: Cue;
  readonly row: number;
  readonly number: number;
  readonly top: number;
  readonly height: number;
  readonly chosen: boolean;
  /** Whether its words are typed into. */
  readonly open: boolean;
  readonly language: string;
  readonly actions: CueActions;
  /** Goes some rows on, into the words where the caret should be. */
  readonly onGo: (by: number, caret: 'start' | 'end' | null) => void;
  readonly onSeek: (frame: number) => void;
}

/** One cue of the sheet; a click on its words types into them. */
export const CaptionRow = memo(function CaptionRow(props: Props) {
  const { cue, row, number, top, height, chosen, open, language, actions, onGo, onSeek } = props;
  const { ui } = useDesk();
  const clock = useClock();
  const type = (): void => {
    const end = cue.words.length;
    ui.setState({ cueIds: [cue.id], caret: { cueId: cue.id, from: end, to: end, wanted: true } });
    onSeek(cue.startFrame);
  };
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      aria-selected={chosen}
      className={classes(
        'absolute inset-x-0 grid min-w-full items-center border-b border-line',
        chosen ? 'bg-leaf-wash shadow-[inset_3px_0_0_var(--leaf)]' : 'hover:bg-card',
      )}
      style={{ top, height, gridTemplateColumns: CAPTION_COLUMNS }}
    >
      <CueHead cue={cue} number={number} onSeek={onSeek} />
      <span role="gridcell" className="truncate px-2 font-mono text-[12.5px]">
        {cue.guessed ? (
          <span className="text-soft" title="Its time waits to be tapped">
            ≈ {frameToTimecode(cue.startFrame, clock).slice(3)}
          </span>
        ) : (
          frameToTimecode(cue.startFrame, clock)
        )}
      </span>
      <span role="gridcell" className="truncate px-2 font-mono text-[12.5px]">
        {lengthToTimecode(cue.lengthFrames, clock)}
      </span>
      <span role="gridcell" dir="auto" className="truncate px-2 text-soft">
        {cue.speaker}
      </span>
      <div role="gridcell" className="relative h-full min-w-0" lang={language}>
        {open ? (
          <WordsBox cue={cue} number={number} actions={actions} onGo={onGo} />
        ) : (
          <button
            type="button"
            tabIndex={-1}
            dir="auto"
            onClick={type}
            className="line-clamp-2 block h-full w-full cursor-text overflow-hidden px-2 py-1.5 text-start leading-[18px] whitespace-pre-line"
          >
            <Words words={cue.words} />
          </button>
        )}
      </div>
      <Pace cue={cue} />
      <div role="gridcell" className="flex min-w-0 items-center px-2">
        <CuePill cueId={cue.id} startFrame={cue.startFrame} onSeek={onSeek} />
      </div>
    </div>
  );
});

/** A cue's words as they look, but for the typeface. */
function Words({ words }: Pick<Cue, 'words'>) {
  if (words === '') return <span className="text-soft">No words yet</span>;
  return cueSpans(words).map(({ text, italic, colour }, i) => (
    <span key={i} className={italic ? 'italic' : undefined}>
      {colour !== null && (
        <span
          aria-hidden="true"
          className="mr-0.5 inline-block h-2 w-2 rounded-full ring-1 ring-line-strong"
          style={{ background: CUE_COLOURS.get(colour).colour }}
        />
      )}
      {text}
    </span>
  ));
}

function Pace({ cue }: { readonly cue: Cue }) {
  const { rate } = useDesk();
  const rules = useCaptionRules();
  const pace = charactersPerSecond(cue, rate);
  const fast = pace > rules.charactersPerSecond + 0.05;
  return (
    <span
      role="gridcell"
      title={`${pace.toFixed(1)} characters a second, at most ${rules.charactersPerSecond}`}
      className={classes(
        'px-2 text-right font-mono text-[12.5px]',
        fast ? 'font-semibold text-stop-ink' : 'text-soft',
      )}
    >
      {pace.toFixed(1)}
    </span>
  );
}

/** The number of a cue; a click chooses it, with Shift up to it, with Ctrl one more or less. */
function CueHead({ cue, number, onSeek }: Pick<Props, 'cue' | 'number' | 'onSeek'>) {
  const { ui, store } = useDesk();
  const choose = (event: MouseEvent): void => {
    if (!isOneMore(event)) onSeek(cue.startFrame);
    const track = store.getState().cues.filter(({ trackId }) => trackId === cue.trackId);
    const ids = track.map(({ id }) => id);
    ui.setState({ cueIds: chosenByClick(event, ui.getState().cueIds, cue.id, ids) });
  };
  return (
    <div role="rowheader" className="h-full">
      <button
        type="button"
        tabIndex={-1}
        aria-label={`Choose caption ${number}`}
        onClick={choose}
        className="h-full w-full pr-2 text-right font-mono text-[11.5px] text-soft hover:text-ink"
      >
        {number}
      </button>
    </div>
  );
}
