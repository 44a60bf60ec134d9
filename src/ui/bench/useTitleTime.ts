'use client';
import { useMemo, useState } from 'react';
import type { Template } from '@/core/document/template';
import type { TitleTiming } from '@/core/timeline/stretch';
import { designFrames, stretchTiming } from '@/core/timeline/stretch';
import type { FrameRate } from '@/core/units/rates';
import { frameToSeconds, RATES } from '@/core/units/rates';
import type { Player } from '../picture/usePlayer';
import { usePlayer } from '../picture/usePlayer';

export const LOOPS = [
  { value: 'whole', label: 'Loop all' },
  { value: 'in', label: 'Loop in' },
  { value: 'hold', label: 'Loop hold' },
  { value: 'out', label: 'Loop out' },
] as const;
type LoopPart = (typeof LOOPS)[number]['value'];

/** The time of the title on the bench: how long it is tried, which part of it loops, and its player. */
export interface TitleTime {
  readonly rate: FrameRate;
  readonly timing: TitleTiming;
  /** The length that is tried, in frames; the design's own until another is. */
  readonly totalFrames: number;
  readonly ownFrames: number;
  /** Tries the title at another length; null for the design's own. */
  tryLength(frames: number | null): void;
  readonly loop: LoopPart;
  setLoop(part: LoopPart): void;
  readonly player: Player;
  readonly seconds: number;
}

/** Keeps the time of a template that is on the bench. */
export function useTitleTime(template: Template): TitleTime {
  const rate = RATES.get(template.rate);
  const ownFrames = designFrames(template.timing, rate);
  const [tried, tryLength] = useState<number | null>(null);
  const [loop, setLoop] = useState<LoopPart>('whole');
  const totalFrames = tried ?? ownFrames;
  const timing = useMemo(
    () => stretchTiming(template.timing, totalFrames, rate),
    [template.timing, totalFrames, rate],
  );
  const outFrom = totalFrames - timing.outFrames;
  const parts: Readonly<Record<LoopPart, { from: number; to: number }>> = {
    whole: { from: 0, to: totalFrames },
    in: { from: 0, to: Math.max(1, timing.inFrames) },
    hold: { from: timing.inFrames, to: Math.max(timing.inFrames + 1, outFrom) },
    out: { from: outFrom, to: totalFrames },
  };
  const player = usePlayer(rate, parts[loop], timing.inFrames);
  const seconds = frameToSeconds(Math.min(player.frame, totalFrames), rate);
  return useMemo(
    () => ({ rate, timing, totalFrames, ownFrames, tryLength, loop, setLoop, player, seconds }),
    [rate, timing, totalFrames, ownFrames, loop, player, seconds],
  );
}
