'use client';
import { memo } from 'react';
import { plainWords } from '@/core/formats/captions/cueMarks';
import type { Cue } from '@/core/model/captions';
import { endOf } from '@/core/project/lanes';
import { frameToTimecode, lengthToTimecode } from '@/core/time/clock';
import { changeCues } from '@/core/captions/editCues';
import { classes } from '../../shared/classes';
import { useApplyCues } from '../captions/captionContext';
import { useClock, useDesk } from '../deskContext';
import { snapFrames } from './stripDrag';
import { SNAP_REACH_PX, stopsOn, useStrip } from './stripView';
import { useStripDrag } from './useStripDrag';

interface Props {
  readonly cue: Cue;
  readonly chosen: boolean;
}

/** A cue on the strip: dragged by its middle or an end, its words in it where there is room. */
export const StripCue = memo(function StripCue({ cue, chosen }: Props) {
  const clock = useClock();
  const { pxPerFrame } = useStrip();
  const { says, ...handlers } = useCueDrag(cue);
  const wide = Math.max(4, cue.lengthFrames * pxPerFrame);
  const words = plainWords(cue.words).replace(/\s+/g, ' ');
  return (
    <button
      type="button"
      aria-label={`Caption “${words}”, from ${frameToTimecode(cue.startFrame, clock)}, lasts ${lengthToTimecode(cue.lengthFrames, clock)}`}
      aria-pressed={chosen}
      {...handlers}
      className={classes(
        'absolute top-1 h-[24px] touch-none rounded border px-1 text-left text-[11.5px] leading-[22px]',
        chosen ? 'z-10 border-leaf bg-leaf-wash outline-2 outline-leaf' : 'border-line-strong bg-field',
        cue.guessed && 'border-dashed',
      )}
      style={{ left: cue.startFrame * pxPerFrame, width: wide }}
    >
      {wide > 24 && (
        <span dir="auto" className="block truncate">
          {words}
        </span>
      )}
      {says !== '' && (
        <span className="absolute -top-5 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-[12px] whitespace-nowrap text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
});

function useCueDrag(cue: Cue) {
  const { store, ui } = useDesk();
  const clock = useClock();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const apply = useApplyCues();
  const choose = (): void => ui.setState({ cueIds: [cue.id], sheet: 'captions' });
  return useStripDrag<Cue>({
    begin() {
      choose();
      return cue;
    },
    move({ held, grip, dxPx, snaps }) {
      const wanted = Math.round(dxPx / pxPerFrame);
      const stops = snaps ? cueStops(store, playFrame, held) : [];
      const { by, line } = snapFrames(held, grip, wanted, stops, SNAP_REACH_PX / pxPerFrame);
      const next = draggedCue(held, grip, by);
      onSnap(line);
      const { startFrame, lengthFrames } = next;
      apply((now) =>
        changeCues(now, new Set([cue.id]), (one) => ({ ...one, startFrame, lengthFrames, guessed: false })),
      );
      return grip === 'whole'
        ? frameToTimecode(startFrame, clock)
        : `lasts ${lengthToTimecode(lengthFrames, clock)}`;
    },
    choose,
  });
}

function draggedCue(cue: Cue, grip: 'whole' | 'start' | 'end', by: number): Cue {
  if (grip === 'whole') return { ...cue, startFrame: Math.max(0, cue.startFrame + by) };
  if (grip === 'end') return { ...cue, lengthFrames: Math.max(1, cue.lengthFrames + by) };
  const startFrame = Math.max(0, Math.min(endOf(cue) - 1, cue.startFrame + by));
  return { ...cue, startFrame, lengthFrames: endOf(cue) - startFrame };
}

/** What a cue stops at: what titles do, and the other cues of its track. */
function cueStops(store: Parameters<typeof stopsOn>[0], playFrame: number, held: Cue): number[] {
  const others = store.getState().cues.filter((one) => one.trackId === held.trackId && one.id !== held.id);
  return [...stopsOn(store, playFrame, new Set()), ...others.flatMap((one) => [one.startFrame, endOf(one)])];
}
