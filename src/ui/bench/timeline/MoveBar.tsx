'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { Layer, MoveUse, UnitKind } from '@/core/model/template';
import { MOVES } from '@/core/moves';
import type { MoveTimes } from '@/core/timeline/stagger';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { classes } from '../../shared/classes';
import { useBench } from '../state/benchStore';
import { paceWords } from '../motion/PaceRows';
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
  /** What it comes to on the units that are there; undefined while that is not known. */
  readonly times: MoveTimes | undefined;
  /** null for a bar that follows the in and cannot be dragged. */
  readonly onChange: ((use: MoveUse) => void) | null;
}

/** By which parts of a layer a move goes, as words; nothing for the whole. */
export const byUnit = (unit: UnitKind): string =>
  unit === 'layer' ? '' : ` by ${UNIT_LABELS[unit].toLowerCase()}`;

/** A move in its column: dragged as a whole it starts at another time, dragged at an end it lasts longer or shorter. */
export function MoveBar(props: Props) {
  const { use, column, layer, lane, left, scale, rate, columnSeconds, times, onChange } = props;
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
      title={[
        times !== undefined && times.count > 1 ? paceWords(use, times) : '',
        onChange === null
          ? 'Mirrors the in; choose a move of its own under Motion to change it'
          : 'Drag to start earlier or later, drag an end to change its length',
      ]
        .filter(Boolean)
        .join('\n')}
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
      {times !== undefined && times.count > 1 && (
        <UnitMarks use={use} times={times} mirrored={onChange === null} pxPerSecond={scale.pxPerSecond} />
      )}
      {says !== '' && (
        <span className="absolute -top-7 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
}

interface MarksProps {
  readonly use: MoveUse;
  readonly times: MoveTimes;
  /** Whether it is the in backwards, which ends with what the in starts with. */
  readonly mirrored: boolean;
  readonly pxPerSecond: number;
}

/** Along the foot of a bar: how long one unit takes, solid where it has a length of its own, and where the last has come. */
function UnitMarks({ use, times, mirrored, pxPerSecond }: MarksProps) {
  const one = times.unitSeconds * pxPerSecond;
  const all = times.totalSeconds * pxPerSecond;
  const side = mirrored ? 'right' : 'left';
  return (
    <span aria-hidden="true">
      <span className="absolute bottom-0.5 h-px bg-current opacity-60" style={{ [side]: 0, width: all }} />
      <span
        className={classes(
          'absolute bottom-0 h-[3px] rounded-full',
          use.unitSeconds == null ? 'border border-current' : 'bg-current',
        )}
        style={{ [side]: 0, width: Math.max(3, one) }}
      />
    </span>
  );
}
