'use client';
import { memo } from 'react';
import { airValue } from '@/core/resolve/fieldValue';
import type { Title } from '@/core/model/project';
import { titleIn } from '@/core/project/deliver';
import { shiftMoments } from '@/core/project/rowMoments';
import { stretchTiming } from '@/core/titleTime/stretch';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { lengthToTimecode, frameToTimecode } from '@/core/time/clock';
import { classes } from '../../shared/classes';
import { useClock, useDelivery, useDeliveryValues, useDesk, useSelect } from '../deskContext';
import { useReading } from '../useReading';
import { RowTicks } from './RowTicks';
import type { Grip } from './stripDrag';
import { dragTitles, snapFrames } from './stripDrag';
import { LANE_PX, SNAP_REACH_PX, stopsOn, useStrip } from './stripView';
import { useStripDrag } from './useStripDrag';

interface Props {
  readonly title: Title;
  readonly chosen: boolean;
}

// With less room its words are not begun.
const LEAST_WORDS_PX = 24;

/** A title on the strip: in and out in their own lengths, the time to read under the hold, ends that trim. */
export const StripTitle = memo(function StripTitle({ title, chosen }: Props) {
  const { editions, rate } = useDesk();
  const clock = useClock();
  const { pxPerFrame } = useStrip();
  const delivery = useDelivery();
  const readingFor = useReading();
  const values = useDeliveryValues()(title);
  const { says, ...handlers } = useTitleDrag(title, chosen);
  const document = editions.get(title.editionId)?.document;
  if (document === undefined) return null;
  const timing = stretchTiming(document.timing, title.lengthFrames, rate);
  const { reads, readable } = readingFor(title) ?? { reads: 0, readable: 0 };
  const [first] = document.fields.filter((field) => field.kind === 'text');
  const said = first === undefined ? '' : String(values[first.id] ?? airValue(document, first)).trim();
  // Until somebody types it is called after its template.
  const words = said === '' ? document.name : said;
  const wide = title.lengthFrames * pxPerFrame;
  const readPx = Math.min(
    secondsToNearestFrames(reads, rate) * pxPerFrame,
    wide - timing.inFrames * pxPerFrame,
  );
  const low = reads > readable + 0.05;
  const absent = titleIn(title, delivery.id) === null;
  return (
    <button
      type="button"
      aria-label={`${words}, from ${frameToTimecode(title.startFrame, clock)}, lasts ${lengthToTimecode(title.lengthFrames, clock)}`}
      aria-pressed={chosen}
      {...handlers}
      className={classes(
        'absolute top-1 h-[30px] touch-none rounded-md border bg-field text-left',
        chosen ? 'z-10 border-leaf outline-2 outline-leaf' : low ? 'border-stop' : 'border-line-strong',
        absent && 'border-dashed opacity-60',
      )}
      style={{ left: title.startFrame * pxPerFrame, width: Math.max(6, wide) }}
    >
      <span
        className="absolute inset-y-0 left-0 rounded-l-[5px] border-t-4 border-in bg-in-wash"
        style={{ width: timing.inFrames * pxPerFrame }}
      />
      <span
        className="absolute inset-y-0 right-0 rounded-r-[5px] border-t-4 border-out bg-out-wash"
        style={{ width: timing.outFrames * pxPerFrame }}
      />
      {wide > LEAST_WORDS_PX && (
        <span
          dir="auto"
          className="absolute inset-x-1 inset-y-0 truncate pt-[7px] text-[12px] leading-4 font-semibold text-ink"
        >
          {words}
        </span>
      )}
      <span
        className={classes('absolute bottom-0 h-[3px]', low ? 'bg-stop' : 'bg-leaf')}
        style={{ left: timing.inFrames * pxPerFrame, width: Math.max(0, readPx) }}
      />
      <RowTicks title={title} template={document} />
      <span className="absolute inset-y-0 left-0 w-2 cursor-ew-resize" />
      <span className="absolute inset-y-0 right-0 w-2 cursor-ew-resize" />
      {says !== '' && (
        <span className="absolute -top-6 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-[12px] whitespace-nowrap text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
});

/** Dragging a title, or all chosen ones with it; Alt holds the snapping off, Shift and Ctrl choose more. */
function useTitleDrag(title: Title, chosen: boolean) {
  const { store, ui, rate } = useDesk();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const select = useSelect();
  const sayDrag = useSayDrag();
  return useStripDrag<readonly Title[]>({
    begin(event) {
      const { selection } = ui.getState();
      if (event.shiftKey || event.ctrlKey || event.metaKey) {
        const without = selection.filter((id) => id !== title.id);
        select(...(without.length < selection.length ? without : [title.id, ...selection]));
        return null;
      }
      const ids = chosen ? [title.id, ...selection.filter((id) => id !== title.id)] : [title.id];
      select(...ids);
      return store.getState().titles.filter((one) => ids.includes(one.id));
    },
    move({ held, grip, dxPx, dyPx, snaps }) {
      const wanted = Math.round(dxPx / pxPerFrame);
      const stops = snaps ? stopsOn(store, playFrame, new Set(held.map(({ id }) => id))) : [];
      const own = held.find(({ id }) => id === title.id) ?? title;
      const { by, line } = snapFrames(own, grip, wanted, stops, SNAP_REACH_PX / pxPerFrame);
      const lanesUp = grip === 'whole' ? Math.round(-dyPx / LANE_PX) : 0;
      const next = new Map(dragTitles(held, grip, by, lanesUp).map((one) => [one.id, one]));
      onSnap(line);
      // Only where they stand: what else of them changes meanwhile, here or on another desk, stays.
      store.getState().apply((titles) =>
        titles.map((one) => {
          const moved = next.get(one.id);
          if (moved === undefined) return one;
          const { startFrame, lengthFrames, lane } = moved;
          const before = held.find(({ id }) => id === one.id) ?? one;
          // Rows stay where they were heard when only the start is moved.
          const trimmed = grip === 'start' ? frameToSeconds(before.startFrame - startFrame, rate) : 0;
          const moments = trimmed === 0 ? one.moments : shiftMoments(before.moments, trimmed);
          return { ...one, startFrame, lengthFrames, lane, moments };
        }),
      );
      return sayDrag(grip, next.get(title.id) ?? title);
    },
    choose: () => select(title.id),
  });
}

/** What is said of a title while it is dragged: where it starts, or what a trim leaves of its time to read. */
function useSayDrag(): (grip: Grip, title: Title) => string {
  const { editions } = useDesk();
  const clock = useClock();
  const readingFor = useReading();
  return (grip, title) => {
    const document = editions.get(title.editionId)?.document;
    if (grip === 'whole' || document === undefined) return frameToTimecode(title.startFrame, clock);
    const found = readingFor(title);
    if (found === null) return `lasts ${lengthToTimecode(title.lengthFrames, clock)}`;
    const { reads, readable } = found;
    const left = readable - reads;
    const hold = left >= 0 ? `${left.toFixed(1)} s left` : `${(-left).toFixed(1)} s short`;
    return `lasts ${lengthToTimecode(title.lengthFrames, clock)} · reads in ${reads.toFixed(1)} s · ${hold}`;
  };
}
