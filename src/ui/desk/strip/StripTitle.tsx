'use client';
import { memo, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { designValue } from '@/core/document/applyValues';
import type { Title } from '@/core/document/project';
import { titleIn } from '@/core/project/deliver';
import { readingOf } from '@/core/proof/readingOf';
import { stretchTiming } from '@/core/timeline/stretch';
import { secondsToNearestFrames } from '@/core/units/rates';
import { frameToShortTimecode, frameToTimecode } from '@/core/units/timecode';
import { classes } from '../../shared/classes';
import { useHouse } from '../../shared/useHouse';
import { useDelivery, useDesk, useSelect, useShownValues } from '../deskContext';
import type { Grip } from './stripDrag';
import { dragTitles, gripAt, snapFrames } from './stripDrag';
import { LANE_PX, SNAP_REACH_PX, stopsOn, useStrip } from './stripView';

interface Props {
  readonly title: Title;
  readonly chosen: boolean;
}

interface Drag {
  readonly x: number;
  readonly y: number;
  readonly grip: Grip;
  /** The titles that are dragged, as they were. */
  readonly from: readonly Title[];
}

/** A title on the strip: in and out in their own lengths, the time to read under the hold, ends that trim. */
export const StripTitle = memo(function StripTitle({ title, chosen }: Props) {
  const { editions, rate } = useDesk();
  const { pxPerFrame } = useStrip();
  const delivery = useDelivery();
  const { reading } = useHouse();
  const values = useShownValues()(title);
  const { says, ...handlers } = useTitleDrag(title, chosen);
  const document = editions.get(title.editionId)?.document;
  if (document === undefined) return null;
  const timing = stretchTiming(document.timing, title.lengthFrames, rate);
  const { reads, readable } = readingOf(document, values, title.lengthFrames, rate, reading);
  const [first] = document.fields.filter((field) => field.kind === 'text');
  const words =
    first === undefined ? document.name : String(values[first.id] ?? designValue(document, first));
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
      aria-label={`${words}, from ${frameToTimecode(title.startFrame, rate)}, lasts ${frameToShortTimecode(title.lengthFrames, rate)}`}
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
        className="absolute inset-y-0 left-0 rounded-l-[5px] bg-in"
        style={{ width: timing.inFrames * pxPerFrame }}
      />
      <span
        className="absolute inset-y-0 right-0 rounded-r-[5px] bg-out"
        style={{ width: timing.outFrames * pxPerFrame }}
      />
      <span
        className="absolute inset-y-0 overflow-hidden px-1.5 py-1.5 text-[12px] leading-4 font-semibold whitespace-nowrap"
        style={{ left: timing.inFrames * pxPerFrame, right: timing.outFrames * pxPerFrame }}
      >
        {words}
      </span>
      <span
        className={classes('absolute bottom-0 h-[3px]', low ? 'bg-stop' : 'bg-leaf')}
        style={{ left: timing.inFrames * pxPerFrame, width: Math.max(0, readPx) }}
      />
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
  const { store, ui, editions, rate } = useDesk();
  const { pxPerFrame, playFrame, onSnap } = useStrip();
  const select = useSelect();
  const { reading } = useHouse();
  const drag = useRef<Drag | null>(null);
  const [says, setSays] = useState('');
  const begin = (event: PointerEvent<HTMLButtonElement>): void => {
    if (event.button !== 0) return;
    const { selection } = ui.getState();
    if (event.shiftKey || event.ctrlKey || event.metaKey) {
      const without = selection.filter((id) => id !== title.id);
      select(...(without.length < selection.length ? without : [title.id, ...selection]));
      return;
    }
    const ids = chosen ? [title.id, ...selection.filter((id) => id !== title.id)] : [title.id];
    select(...ids);
    const grip = gripAt(event.clientX, event.currentTarget.getBoundingClientRect());
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    const from = store.getState().titles.filter((one) => ids.includes(one.id));
    drag.current = { x: event.clientX, y: event.clientY, grip, from };
  };
  const move = (event: PointerEvent): void => {
    const held = drag.current;
    if (held === null) return;
    const wanted = Math.round((event.clientX - held.x) / pxPerFrame);
    const ids = new Set(held.from.map(({ id }) => id));
    const free = { by: wanted, line: null };
    const { by, line } =
      event.altKey || !ui.getState().snaps
        ? free
        : snapFrames(
            title0(held, title),
            held.grip,
            wanted,
            stopsOn(store, playFrame, ids),
            SNAP_REACH_PX / pxPerFrame,
          );
    const lanesUp = held.grip === 'whole' ? Math.round((held.y - event.clientY) / LANE_PX) : 0;
    const next = new Map(dragTitles(held.from, held.grip, by, lanesUp).map((one) => [one.id, one]));
    onSnap(line);
    const now = next.get(title.id) ?? title;
    setSays(sayDrag(held.grip, now));
    store.getState().apply((titles) => titles.map((one) => next.get(one.id) ?? one));
  };
  const sayDrag = (grip: Grip, now: Title): string => {
    const document = editions.get(now.editionId)?.document;
    if (grip === 'whole' || document === undefined) return frameToTimecode(now.startFrame, rate);
    const { reads, readable } = readingOf(document, now.values, now.lengthFrames, rate, reading);
    const left = readable - reads;
    const hold = left >= 0 ? `${left.toFixed(1)} s left` : `${(-left).toFixed(1)} s short`;
    return `lasts ${frameToShortTimecode(now.lengthFrames, rate)} · reads in ${reads.toFixed(1)} s · ${hold}`;
  };
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    store.grouping.end();
    setSays('');
    onSnap(null);
  };
  return {
    says,
    onPointerDown: begin,
    onPointerMove: move,
    onPointerUp: end,
    onPointerCancel: end,
    onClick: (event: React.MouseEvent) => {
      // From the keyboard; a pointer has chosen it already.
      if (event.detail === 0) select(title.id);
    },
  };
}

function title0({ from }: Drag, title: Title): Title {
  return from.find(({ id }) => id === title.id) ?? title;
}
