'use client';
import { useMemo, useState } from 'react';
import type { Template } from '@/core/model/template';
import type { TitleTiming } from '@/core/titleTime/stretch';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, RATES } from '@/core/time/rates';
import type { Player } from '../../picture/usePlayer';
import { usePlayer } from '../../picture/usePlayer';

const LOOPS = [
  { value: 'whole', label: 'Loop all' },
  { value: 'in', label: 'Loop in' },
  { value: 'hold', label: 'Loop hold' },
  { value: 'out', label: 'Loop out' },
] as const;

/** Frames of a title, half-open. */
export interface FrameRange {
  readonly from: number;
  readonly to: number;
}

/** What loops: a part of the title, or a range of its own. */
export type Loop = (typeof LOOPS)[number]['value'] | FrameRange;

/** The time of the title on the bench: how long it is tried and which part of it loops. The same while it plays. */
export interface TitleTime {
  readonly rate: FrameRate;
  readonly timing: TitleTiming;
  /** The length that is tried, in frames; the design's own until another is. */
  readonly totalFrames: number;
  readonly ownFrames: number;
  /** Tries the title at another length; null for the design's own. */
  tryLength(frames: number | null): void;
  readonly loop: Loop;
  setLoop(loop: Loop): void;
  /** How fast it plays, against its own pace. */
  readonly speed: number;
  setSpeed(speed: number): void;
}

/** Where the title on the bench is. */
export interface PlayedTitle {
  readonly time: TitleTime;
  readonly player: Player;
  readonly seconds: number;
}

/** Keeps the time of a template that is on the bench, and plays it. */
export function useTitleTime(template: Template): PlayedTitle {
  const rate = RATES.get(template.rate);
  const ownFrames = designFrames(template.timing, rate);
  const [tried, tryLength] = useState<number | null>(null);
  const [loop, setLoop] = useState<Loop>('whole');
  const [speed, setSpeed] = useState(1);
  const totalFrames = tried ?? ownFrames;
  const timing = useMemo(
    () => stretchTiming(template.timing, totalFrames, rate),
    [template.timing, totalFrames, rate],
  );
  const player = usePlayer(rate, loopFrames(loop, timing), timing.inFrames, speed);
  const seconds = frameToSeconds(Math.min(player.frame, totalFrames), rate);
  const time = useMemo(
    () => ({ rate, timing, totalFrames, ownFrames, tryLength, loop, setLoop, speed, setSpeed }),
    [rate, timing, totalFrames, ownFrames, loop, speed],
  );
  return { time, player, seconds };
}

/** The frames that a loop goes round, at least one and within the title. */
export function loopFrames(loop: Loop, { inFrames, outFrames, totalFrames }: TitleTiming): FrameRange {
  const range = (from: number, to: number): FrameRange => {
    const start = Math.max(0, Math.min(totalFrames - 1, from));
    return { from: start, to: Math.max(start + 1, Math.min(totalFrames, to)) };
  };
  if (typeof loop === 'object') return range(loop.from, loop.to);
  if (loop === 'in') return range(0, inFrames);
  if (loop === 'hold') return range(inFrames, totalFrames - outFrames);
  return loop === 'out' ? range(totalFrames - outFrames, totalFrames) : range(0, totalFrames);
}

/** What a menu offers to loop, with ways to begin or end a range at the playhead. */
export function loopChoices(loop: Loop, rate: FrameRate): { value: string; label: string }[] {
  const seconds = (frames: number): string => frameToSeconds(frames, rate).toFixed(1);
  const own =
    typeof loop === 'object'
      ? [{ value: 'range', label: `Loop ${seconds(loop.from)} to ${seconds(loop.to)} s` }]
      : [];
  return [
    ...LOOPS,
    ...own,
    { value: 'fromHere', label: 'Loop from the playhead' },
    { value: 'toHere', label: 'Loop up to the playhead' },
  ];
}

/** The loop that a choice of that menu makes; the same for one that says how it is. */
export function chooseLoop(choice: string, loop: Loop, frame: number, timing: TitleTiming): Loop {
  const now = loopFrames(loop, timing);
  if (choice === 'fromHere') return { from: frame, to: Math.max(frame + 1, now.to) };
  if (choice === 'toHere') return { from: Math.min(now.from, Math.max(0, frame - 1)), to: frame };
  return LOOPS.find(({ value }) => value === choice)?.value ?? loop;
}
