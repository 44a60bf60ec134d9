'use client';
import { memo } from 'react';
import { createStore, useStore } from 'zustand';
import type { PaintedFrames } from '../../picture/titleFrames';
import { useBench } from '../state/benchStore';

interface Props {
  /** Where a frame begins, in CSS px. */
  readonly frameX: (frame: number) => number;
}

const NONE = createStore<PaintedFrames>(() => new Set());

/** Along the foot of the ruler: the frames that are kept as they were painted, and play at their rate. */
export const PaintedBand = memo(function PaintedBand({ frameX }: Props) {
  const frames = useStore(useBench().frames);
  const runs = runsOf(useStore(frames?.painted ?? NONE));
  return (
    <div
      className="pointer-events-none absolute inset-x-0 bottom-0 h-[3px]"
      role="img"
      aria-label={`${runs.reduce((sum, run) => sum + run.to - run.from, 0)} frames are painted ahead`}
      data-testid="painted-frames"
    >
      {runs.map(({ from, to }) => (
        <span
          key={from}
          className="absolute inset-y-0 bg-leaf"
          style={{ left: frameX(from), width: frameX(to) - frameX(from) }}
        />
      ))}
    </div>
  );
});

/** Frames that follow one another, half-open and in their order. */
export function runsOf(frames: PaintedFrames): { readonly from: number; readonly to: number }[] {
  const runs: { from: number; to: number }[] = [];
  for (const frame of [...frames].toSorted((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last?.to === frame) last.to = frame + 1;
    else runs.push({ from: frame, to: frame + 1 });
  }
  return runs;
}
