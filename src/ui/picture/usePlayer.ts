'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { FrameRate } from '@/core/time/rates';
import { secondsToFrame } from '@/core/time/rates';

export interface Player {
  readonly frame: number;
  readonly playing: boolean;
  seek(frame: number): void;
  toggle(): void;
}

/** How fast a player can go, against the rate's own pace. */
export const SPEEDS = [0.25, 0.5, 1, 2] as const;

/**
 * A playhead that runs at the rate's own pace, or `speed` times that, and drops frames rather than slow time. It goes
 * round from `loop.to` to `loop.from` (frames, half-open).
 */
export function usePlayer(
  rate: FrameRate,
  loop: { readonly from: number; readonly to: number },
  first = 0,
  speed = 1,
): Player {
  const [frame, setFrame] = useState(first);
  const [playing, setPlaying] = useState(false);
  const latest = useRef({ frame, loop });
  useEffect(() => {
    latest.current = { frame, loop };
  });
  useEffect(() => {
    if (!playing) return;
    const { from, to } = latest.current.loop;
    const startFrame =
      latest.current.frame >= to - 1 || latest.current.frame < from ? from : latest.current.frame;
    const startedAt = performance.now();
    let request = requestAnimationFrame(function step(now) {
      const { loop: bounds } = latest.current;
      const passed = secondsToFrame((speed * Math.max(0, now - startedAt)) / 1000, rate);
      const span = Math.max(1, bounds.to - bounds.from);
      setFrame(bounds.from + ((startFrame - bounds.from + passed) % span));
      request = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(request);
  }, [playing, rate, speed]);
  return useMemo(
    () => ({
      frame,
      playing,
      seek(next: number) {
        setPlaying(false);
        setFrame(Math.max(0, Math.round(next)));
      },
      toggle: () => setPlaying((now) => !now),
    }),
    [frame, playing],
  );
}
