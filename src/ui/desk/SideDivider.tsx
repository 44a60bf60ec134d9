'use client';
import { useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';

const KEY = 'gilder.desk.side';
const LEAST_PX = 360;
const MOST_PX = 760;
const FIRST_PX = 440;
const STEP_PX = 20;

// The cue sheet's own columns need so much.
const SHEET_PX = 720;

const within = (px: number): number =>
  Math.round(Math.max(LEAST_PX, Math.min(MOST_PX, window.innerWidth - SHEET_PX, px)));

/** How wide the picture's column is; remembered in this browser. */
export function useSideWidth(): readonly [number, (px: number) => void] {
  const [width, setWidth] = useState(() => {
    const kept = typeof window === 'undefined' ? NaN : Number(localStorage.getItem(KEY) ?? NaN);
    return Number.isFinite(kept) ? within(kept) : FIRST_PX;
  });
  return [
    width,
    (px) => {
      setWidth(within(px));
      localStorage.setItem(KEY, String(within(px)));
    },
  ];
}

interface Props {
  readonly width: number;
  readonly onWidth: (px: number) => void;
}

/** Divides the room between the cue sheet and the picture: dragged, or with the arrow keys. */
export function SideDivider({ width, onWidth }: Props) {
  const [from, setFrom] = useState<{ readonly x: number; readonly width: number } | null>(null);
  const key = (event: KeyboardEvent): void => {
    const way = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
    if (way === 0) return;
    event.preventDefault();
    event.stopPropagation();
    onWidth(width + way * STEP_PX);
  };
  return (
    <div className="relative z-10 w-0 shrink-0 max-[1000px]:hidden">
      <div
        role="slider"
        aria-label="Width of the picture"
        aria-orientation="horizontal"
        aria-valuemin={LEAST_PX}
        aria-valuemax={MOST_PX}
        aria-valuenow={width}
        tabIndex={0}
        title="Drag to share the room; twice for the usual width"
        className="group absolute top-1/2 -left-3 grid h-16 w-6 -translate-y-1/2 cursor-col-resize touch-none place-items-center rounded-full"
        onKeyDown={key}
        onDoubleClick={() => onWidth(FIRST_PX)}
        onPointerDown={(event: PointerEvent<HTMLDivElement>) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setFrom({ x: event.clientX, width });
        }}
        onPointerMove={(event) => from !== null && onWidth(from.width + from.x - event.clientX)}
        onPointerUp={() => setFrom(null)}
        onPointerCancel={() => setFrom(null)}
      >
        <span className="h-10 w-1.5 rounded-full bg-line-strong group-hover:bg-leaf" />
      </div>
    </div>
  );
}
