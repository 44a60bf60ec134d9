'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { Layer, MoveUse, UnitKind } from '@/core/model/template';
import { MOVES } from '@/core/moves';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { classes } from '../../shared/classes';
import { useBench } from '../state/benchStore';
import { UNIT_LABELS } from '../motion/words';
import type { ScoreScale } from './scoreScale';

/** Where the first bar of a row lies, and how far the next is below it, in CSS pixels. */
export const BAR_TOP_PX = 6;
export const BAR_STEP_PX = 27;

interface Props {
  readonly use: MoveUse;
  readonly column: 'in' | 'out';
  readonly layer: Layer;
  /** Which of the column's bars it is, from the top. */
  readonly lane: number;
  /** Where the column starts, in CSS pixels. */
  readonly left: number;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
  readonly columnSeconds: number;
  /** null for a bar that follows the in and cannot be dragged. */
  readonly onChange: ((use: MoveUse) => void) | null;
}

/** By which parts of a layer a move goes, as words; nothing for the whole. */
export const byUnit = (unit: UnitKind): string =>
  unit === 'layer' ? '' : ` by ${UNIT_LABELS[unit].toLowerCase()}`;

/** A move in its column: dragged as a whole it starts at another time, dragged at an end it lasts longer or shorter. */
export function MoveBar({ use, column, layer, lane, left, scale, rate, columnSeconds, onChange }: Props) {
  const { store } = useBench();
  const drag = useRef<{
    readonly x: number;
    readonly use: MoveUse;
    readonly part: 'whole' | 'start' | 'end';
  } | null>(null);
  const [says, setSays] = useState('');
  const label = MOVES.find(use.move)?.label ?? use.move;
  const words = `${label}${byUnit(use.unit)}`;
  const toFrame = (seconds: number): number => frameToSeconds(secondsToNearestFrames(seconds, rate), rate);
  const shift = (from: MoveUse, part: 'whole' | 'start' | 'end', by: number): MoveUse => {
    const end = from.startSeconds + from.lengthSeconds;
    const least = frameToSeconds(1, rate);
    if (part === 'end') {
      return {
        ...from,
        lengthSeconds: Math.max(least, Math.min(columnSeconds, toFrame(end + by)) - from.startSeconds),
      };
    }
    if (part === 'start') {
      const start = Math.max(0, Math.min(end - least, toFrame(from.startSeconds + by)));
      return { ...from, startSeconds: start, lengthSeconds: end - start };
    }
    return {
      ...from,
      startSeconds: Math.max(
        0,
        Math.min(columnSeconds - from.lengthSeconds, toFrame(from.startSeconds + by)),
      ),
    };
  };
  const tell = (next: MoveUse): void => {
    const frames = (seconds: number): number => secondsToNearestFrames(seconds, rate);
    setSays(`from ${frames(next.startSeconds)} f, ${frames(next.lengthSeconds)} f long`);
  };
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>): void => {
    if (onChange === null) return;
    const box = event.currentTarget.getBoundingClientRect();
    const fromEnd = box.right - event.clientX;
    const part = fromEnd < 8 ? 'end' : event.clientX - box.left < 8 ? 'start' : 'whole';
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    drag.current = { x: event.clientX, use, part };
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (drag.current === null || onChange === null) return;
    const next = shift(
      drag.current.use,
      drag.current.part,
      (event.clientX - drag.current.x) / scale.pxPerSecond,
    );
    tell(next);
    onChange(next);
  };
  const onPointerUp = (): void => {
    drag.current = null;
    store.grouping.end();
    setSays('');
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
    const step = steps[event.key];
    if (step === undefined || onChange === null) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(shift(use, event.shiftKey ? 'end' : 'whole', frameToSeconds(step, rate)));
  };
  return (
    <button
      type="button"
      aria-label={`${layer.name}, ${column}: ${words}`}
      title={
        onChange === null
          ? 'Mirrors the in; choose a move of its own under Motion to change it'
          : 'Drag to start earlier or later, drag an end to change its length'
      }
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onKeyDown={onKeyDown}
      className={classes(
        'absolute h-6 touch-none rounded-md px-2 text-left text-[12px] font-semibold whitespace-nowrap',
        onChange === null
          ? 'cursor-default border border-dashed border-out bg-out-wash text-out'
          : column === 'in'
            ? 'cursor-ew-resize bg-in text-on-bar'
            : 'cursor-ew-resize bg-out text-on-bar',
      )}
      style={{
        top: BAR_TOP_PX + lane * BAR_STEP_PX,
        left: left + use.startSeconds * scale.pxPerSecond,
        width: Math.max(8, use.lengthSeconds * scale.pxPerSecond),
      }}
    >
      <span className="block truncate">{words}</span>
      {says !== '' && (
        <span className="absolute -top-7 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
}
