'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { Template } from '@/core/model/template';
import { moveMark, removeMark } from '@/core/edit/marks';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { useApply, useBench, useTemplatePart } from '../state/benchStore';
import type { ScoreScale } from './scoreScale';
import { secondsToX, xToSeconds } from './scoreScale';

interface Props {
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

interface Drag {
  readonly template: Template;
  readonly index: number;
  readonly x: number;
  readonly at: number;
}

/** The marks above the score: dragged along, moved by a frame with the arrow keys, taken away with Delete. */
export function MarkFlags({ scale, rate }: Props) {
  const { store } = useBench();
  const apply = useApply();
  const marks = useTemplatePart((template) => template.marks);
  const names = useTemplatePart((template) => template.markNames);
  const timing = useTemplatePart((template) => template.timing);
  const named = (index: number): string => (names?.[index] ? `, “${names[index]}”` : '');
  const drag = useRef<Drag | null>(null);
  const [says, setSays] = useState<{ readonly index: number; readonly words: string } | null>(null);
  const toFrame = (seconds: number): number => frameToSeconds(secondsToNearestFrames(seconds, rate), rate);
  const onPointerMove = (event: PointerEvent): void => {
    const { current } = drag;
    if (current === null) return;
    const seconds = toFrame(xToSeconds(current.at + event.clientX - current.x, timing, scale));
    setSays({ index: current.index, words: `${seconds.toFixed(2)} s` });
    // From where it began, so that it stays the same mark when it passes others.
    store.getState().replace(moveMark(current.template, current.index, seconds));
  };
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    store.grouping.end();
    setSays(null);
  };
  const onKeyDown = (event: KeyboardEvent, index: number): void => {
    const steps: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };
    const step = steps[event.key];
    if (step !== undefined)
      apply((now) => moveMark(now, index, toFrame(marks[index] + frameToSeconds(step, rate))));
    else if (event.key === 'Delete' || event.key === 'Backspace') apply((now) => removeMark(now, index));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return marks.map((mark, index) => (
    <button
      key={index}
      type="button"
      aria-label={`Mark ${index + 1}${named(index)} at ${mark.toFixed(2)} s`}
      title={`Mark ${index + 1}${named(index)} at ${mark.toFixed(2)} s\nDrag along; Delete removes it`}
      className="absolute top-0 h-6 w-6 -translate-x-1/2 cursor-ew-resize touch-none text-[11px] leading-6 font-semibold text-leaf-ink"
      style={{ left: secondsToX(mark, timing, scale) }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        store.grouping.begin();
        const { template } = store.getState();
        drag.current = { template, index, x: event.clientX, at: secondsToX(mark, timing, scale) };
      }}
      onPointerMove={onPointerMove}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={(event) => onKeyDown(event, index)}
    >
      <span className="absolute inset-y-0 left-1/2 w-px bg-leaf" aria-hidden="true" />
      <span className="relative rounded-sm bg-leaf-wash px-0.5">{index + 1}</span>
      {says?.index === index && (
        <span className="absolute -top-6 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-on-chosen">
          {says.words}
        </span>
      )}
    </button>
  ));
}
