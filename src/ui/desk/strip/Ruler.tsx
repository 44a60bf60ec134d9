'use client';
import { FlagIcon } from '@heroicons/react/24/solid';
import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { frameToTimecode } from '@/core/time/clock';
import { playheadKey } from '../../picture/playheadKey';
import type { Player } from '../../picture/usePlayer';
import { useClock, useDesk, useDeskUi, usePlan } from '../deskContext';
import { HEAD_PX, useStrip } from './stripView';

// Wide enough for a full timecode and some air.
const STEP_PX = 104;
const STEPS_SECONDS = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600];

interface Props {
  readonly player: Player;
  readonly end: number;
  readonly widthPx: number;
}

/** The strip's ruler: drags the playhead, with Shift marks a range; the flags are the project's markers. */
export function Ruler({ player, end, widthPx }: Props) {
  const { rate, ui } = useDesk();
  const clock = useClock();
  const { pxPerFrame } = useStrip();
  const range = useDeskUi((state) => state.range);
  const from = useRef<number | null>(null);
  const frameAt = (event: PointerEvent<HTMLDivElement>): number => {
    const { left } = event.currentTarget.getBoundingClientRect();
    return Math.max(0, Math.min(end, Math.round((event.clientX - left) / pxPerFrame)));
  };
  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = event.shiftKey ? frameAt(event) : null;
    if (!event.shiftKey) player.seek(frameAt(event));
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.buttons !== 1) return;
    const frame = frameAt(event);
    if (from.current === null) return player.seek(frame);
    const startFrame = Math.min(from.current, frame);
    const lengthFrames = Math.abs(frame - from.current);
    ui.setState({ range: lengthFrames < 2 ? null : { startFrame, lengthFrames } });
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const to = playheadKey(event, player.frame, end, rate.nominal);
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    player.seek(to);
  };
  return (
    <div className="sticky top-0 z-20 flex h-7 bg-strip" style={{ width: widthPx + HEAD_PX }}>
      <span className="sticky left-0 z-10 h-full shrink-0 bg-strip" style={{ width: HEAD_PX }} />
      <div
        role="slider"
        tabIndex={0}
        aria-label="Playhead"
        title="Drag to move the playhead, with Shift to mark a range"
        aria-valuemin={0}
        aria-valuemax={end}
        aria-valuenow={player.frame}
        aria-valuetext={frameToTimecode(player.frame, clock)}
        className="relative h-full cursor-col-resize touch-none"
        style={{ width: widthPx }}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onKeyDown={onKeyDown}
      >
        {range !== null && (
          <span
            className="absolute inset-y-0 border-x-2 border-leaf bg-leaf-light/40"
            style={{ left: range.startFrame * pxPerFrame, width: range.lengthFrames * pxPerFrame }}
          />
        )}
        <Ticks widthPx={widthPx} />
        <Markers />
      </div>
    </div>
  );
}

function Ticks({ widthPx }: { readonly widthPx: number }) {
  const { rate } = useDesk();
  const clock = useClock();
  const { pxPerFrame, fromFrame, toFrame } = useStrip();
  const steps = STEPS_SECONDS.map((seconds) => seconds * rate.nominal);
  const step = steps.find((frames) => frames * pxPerFrame >= STEP_PX) ?? steps[steps.length - 1];
  const first = Math.max(0, Math.floor(fromFrame / step));
  const last = Math.min(Math.floor(widthPx / (step * pxPerFrame)), Math.ceil(toFrame / step));
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step).map((frame) => (
    <span
      key={frame}
      className="pointer-events-none absolute top-1.5 border-l border-line-strong pl-1 font-mono text-[11.5px] text-soft"
      style={{ left: frame * pxPerFrame }}
    >
      {frameToTimecode(frame, clock)}
    </span>
  ));
}

function Markers() {
  const { pxPerFrame, fromFrame, toFrame } = useStrip();
  const { markers } = usePlan();
  return markers
    .filter(({ frame }) => frame >= fromFrame && frame <= toFrame)
    .map(({ id, frame, name }) => (
      <span
        key={id}
        title={name}
        className="absolute top-0 z-10 -ml-0.5 text-leaf"
        style={{ left: frame * pxPerFrame }}
      >
        <FlagIcon className="h-3 w-3" aria-label={`Marker ${name}`} />
      </span>
    ));
}
