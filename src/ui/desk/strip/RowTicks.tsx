'use client';
import type { Title } from '@/core/model/project';
import type { Template } from '@/core/model/template';
import type { TimedList } from '@/core/project/rowMoments';
import { isTimed, setRowMoment, timedLists } from '@/core/project/rowMoments';
import { frameToTimecode } from '@/core/time/clock';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { useClock, useDeliveryValues, useDesk, useSelect } from '../deskContext';
import { snapFrames } from './stripDrag';
import { SNAP_REACH_PX, stopsOn, useStrip } from './stripView';
import { useStripDrag } from './useStripDrag';

/** When the rows of a title's lists come, each to be dragged; from the keyboard they are set on the card. */
export function RowTicks({ title, template }: { readonly title: Title; readonly template: Template }) {
  const values = useDeliveryValues()(title);
  // The strip is drawn with every step of the playhead; most titles have none.
  if (Object.keys(title.moments ?? {}).length === 0) return null;
  return timedLists(template, title.moments, values)
    .filter(isTimed)
    .flatMap((list) =>
      list.rows.map((_, row) => (
        <RowTick key={`${list.field.id} ${row}`} title={title} list={list} row={row} />
      )),
    );
}

interface TickProps {
  readonly title: Title;
  readonly list: TimedList;
  readonly row: number;
}

function RowTick({ title, list, row }: TickProps) {
  const { store, rate } = useDesk();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const select = useSelect();
  const clock = useClock();
  const { says, ...handlers } = useStripDrag<TimedList>({
    begin(event) {
      // It lies on the title, which is not to move.
      event.stopPropagation();
      select(title.id);
      return list;
    },
    move({ held, dxPx, snaps }) {
      const startFrame = title.startFrame + secondsToNearestFrames(held.seconds[row], rate);
      const stops = snaps ? stopsOn(store, playFrame, new Set()) : [];
      const wanted = Math.round(dxPx / pxPerFrame);
      const at = { startFrame, lengthFrames: 0 };
      const { by, line } = snapFrames(at, 'whole', wanted, stops, SNAP_REACH_PX / pxPerFrame);
      onSnap(line);
      const frame = Math.max(0, Math.min(title.lengthFrames - 1, startFrame + by - title.startFrame));
      const moments = setRowMoment(held, row, frameToSeconds(frame, rate));
      store
        .getState()
        .apply((titles) =>
          titles.map((one) =>
            one.id === title.id ? { ...one, moments: { ...one.moments, [held.field.id]: moments } } : one,
          ),
        );
      return `row ${row + 1} at ${frameToTimecode(title.startFrame + frame, clock)}`;
    },
    choose: () => select(title.id),
  });
  const left = Math.min(title.lengthFrames - 1, secondsToNearestFrames(list.seconds[row], rate)) * pxPerFrame;
  return (
    <span
      data-testid={`row-tick-${row + 1}`}
      title={`Row ${row + 1} comes here`}
      {...handlers}
      className="absolute bottom-0 z-20 -ml-1 flex h-3 w-2 cursor-ew-resize touch-none justify-center"
      style={{ left }}
    >
      <span className="h-2 w-px bg-ink" />
      {says !== '' && (
        <span className="absolute -top-10 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-[12px] whitespace-nowrap text-on-chosen">
          {says}
        </span>
      )}
    </span>
  );
}
