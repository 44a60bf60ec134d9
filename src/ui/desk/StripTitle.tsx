'use client';
import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { designValue } from '@/core/document/applyValues';
import type { Title } from '@/core/document/project';
import { proofTitle } from '@/core/proof/proofTitle';
import { stretchTiming } from '@/core/timeline/stretch';
import { secondsToNearestFrames } from '@/core/units/rates';
import { frameToShortTimecode, frameToTimecode } from '@/core/units/timecode';
import { classes } from '../shared/classes';
import { useApplyTitles, useDesk, useShownValues } from './deskContext';
import type { Grip } from './stripDrag';
import { dragTitle, snapFrames } from './stripDrag';

interface Props {
  readonly title: Title;
  readonly pxPerFrame: number;
  readonly playFrame: number;
  readonly laneHeightPx: number;
  /** Shows the line that a drag stopped at. */
  readonly onSnap: (frame: number | null) => void;
}

const SNAP_REACH_PX = 7;
const GRIP_PX = 8;

/** A title on the strip: in and out in their own lengths, the time to read under the hold, ends that trim. */
export function StripTitle({ title, pxPerFrame, playFrame, laneHeightPx, onSnap }: Props) {
  const { editions, rate, clips, selected, select, store } = useDesk();
  const values = useShownValues()(title);
  const apply = useApplyTitles();
  const drag = useRef<{
    readonly x: number;
    readonly y: number;
    readonly title: Title;
    readonly grip: Grip;
  } | null>(null);
  const [says, setSays] = useState('');
  const document = editions.get(title.editionId)?.document;
  if (document === undefined) return null;
  const timing = stretchTiming(document.timing, title.lengthFrames, rate);
  const proof = proofTitle(document, values, title.lengthFrames, rate);
  const [first] = document.fields.filter((field) => field.kind === 'text');
  const words =
    first === undefined ? document.name : String(values[first.id] ?? designValue(document, first));
  const stops = (): number[] => [
    0,
    playFrame,
    ...clips.flatMap((clip) => [clip.startFrame, clip.startFrame + clip.lengthFrames]),
    ...store
      .getState()
      .titles.flatMap((one) =>
        one.id === title.id ? [] : [one.startFrame, one.startFrame + one.lengthFrames],
      ),
  ];
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>): void => {
    const bounds = event.currentTarget.getBoundingClientRect();
    const reach = Math.min(GRIP_PX, bounds.width / 4);
    const grip: Grip =
      event.clientX - bounds.left < reach ? 'start' : bounds.right - event.clientX < reach ? 'end' : 'whole';
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    drag.current = { x: event.clientX, y: event.clientY, title, grip };
    select(title.id);
  };
  const onPointerMove = (event: PointerEvent): void => {
    const from = drag.current;
    if (from === null) return;
    const wanted = Math.round((event.clientX - from.x) / pxPerFrame);
    const free = { by: wanted, line: null };
    const { by, line } = event.altKey
      ? free
      : snapFrames(from.title, from.grip, wanted, stops(), SNAP_REACH_PX / pxPerFrame);
    const lanesUp = from.grip === 'whole' ? Math.round((from.y - event.clientY) / laneHeightPx) : 0;
    const next = {
      ...dragTitle(from.title, from.grip, by),
      lane: Math.max(0, Math.min(20, from.title.lane + lanesUp)),
    };
    onSnap(line);
    const left = proofTitle(document, next.values, next.lengthFrames, rate);
    setSays(
      from.grip === 'whole'
        ? frameToTimecode(next.startFrame, rate)
        : `lasts ${frameToShortTimecode(next.lengthFrames, rate)} · reads in ${left.readsSeconds.toFixed(1)} s of ${left.readableSeconds.toFixed(1)}`,
    );
    apply((now) => now.map((one) => (one.id === title.id ? next : one)));
  };
  const onPointerUp = (): void => {
    drag.current = null;
    store.grouping.end();
    setSays('');
    onSnap(null);
  };
  const chosen = selected === title.id;
  const wide = title.lengthFrames * pxPerFrame;
  const readPx = Math.min(
    secondsToNearestFrames(proof.readsSeconds, rate) * pxPerFrame,
    wide - timing.inFrames * pxPerFrame,
  );
  const low = proof.readsSeconds > proof.readableSeconds + 0.05;
  return (
    <button
      type="button"
      aria-label={`${words}, from ${frameToTimecode(title.startFrame, rate)}, lasts ${frameToShortTimecode(title.lengthFrames, rate)}`}
      aria-pressed={chosen}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={onPointerUp}
      onClick={() => select(title.id)}
      className={classes(
        'absolute top-1 h-[30px] touch-none rounded-md border bg-field text-left',
        chosen ? 'z-10 border-leaf outline-2 outline-leaf' : low ? 'border-stop' : 'border-line-strong',
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
}
