'use client';
import { useEffect, useMemo, useState } from 'react';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds } from '@/core/time/rates';
import type { CompiledTitle } from '@/core/timeline/compile';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { Painter } from '@/paint/painter';
import type { Surface } from '@/paint/surface';
import { browserSurfaces } from '../../picture/browserSurfaces';
import { TitleFrames } from '../../picture/titleFrames';

interface Played {
  readonly title: CompiledTitle | null;
  readonly timing: TitleTiming;
  readonly rate: FrameRate;
  /** The only layers that are shown; all when left out. */
  readonly only?: ReadonlySet<string>;
  readonly playing: boolean;
  /** The frames that go round, half-open. */
  readonly from: number;
  readonly to: number;
}

// So long nothing is changed before frames are painted ahead.
const QUIET_MS = 1500;
// A frame is begun while there is this much time at least.
const ENOUGH_MS = 5;
// How often the timeline is told what is painted.
const TELL_MS = 500;

/**
 * The frames of the title that is played, painted once each: while it plays, and ahead of that while nothing is done.
 * Null while there is no title.
 */
export function useTitleFrames({ title, timing, rate, only, playing, from, to }: Played): TitleFrames | null {
  const [painter] = useState(() => new Painter(browserSurfaces));
  const frames = useMemo(
    () =>
      title &&
      new TitleFrames(painter, browserSurfaces, (frame) =>
        title.frame(frameToSeconds(frame, rate), timing, only),
      ),
    [painter, title, timing, rate, only],
  );
  useEffect(() => () => frames?.end(release), [frames]);
  useEffect(() => {
    if (!playing || frames === null) return;
    const timer = setInterval(() => frames.tell(), TELL_MS);
    return () => {
      clearInterval(timer);
      frames.tell();
    };
  }, [frames, playing]);
  useEffect(() => {
    if (playing || frames === null) return;
    return paintAhead(frames, from, to);
  }, [frames, playing, from, to]);
  return frames;
}

/** Gives the memory of a canvas back at once. */
function release({ image }: Surface): void {
  if (image instanceof OffscreenCanvas) image.width = 0;
}

/** Paints frames from one on, each when the browser has nothing else to do; gives how to end that. */
function paintAhead(frames: TitleFrames, from: number, to: number): () => void {
  let next = from;
  let request = 0;
  let told = performance.now();
  const isDone = (): boolean => {
    while (next < to && frames.has(next)) next++;
    return next >= to || !frames.hasRoom;
  };
  const step = (deadline: IdleDeadline): void => {
    while (!isDone() && deadline.timeRemaining() > ENOUGH_MS) frames.keep(next);
    if (isDone() || performance.now() - told > TELL_MS) {
      frames.tell();
      told = performance.now();
    }
    if (!isDone()) request = requestIdleCallback(step);
  };
  const timer = setTimeout(() => {
    if ('requestIdleCallback' in window) request = requestIdleCallback(step);
  }, QUIET_MS);
  return () => {
    clearTimeout(timer);
    if (request !== 0) cancelIdleCallback(request);
  };
}
