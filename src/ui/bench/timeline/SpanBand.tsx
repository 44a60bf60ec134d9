'use client';
import { useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { updateLayer } from '@/core/edit/editTemplate';
import type { Layer, Span, Timing } from '@/core/model/template';
import { designTiming, momentToSeconds, tiedMoment } from '@/core/titleTime/moments';
import { spanTime } from '@/core/titleTime/span';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import type { FrameRate } from '@/core/time/rates';
import { frameToSeconds, secondsToNearestFrames } from '@/core/time/rates';
import { useApply, useBench } from '../state/benchStore';
import type { ScoreScale } from './scoreScale';
import { secondsToX, xToSeconds } from './scoreScale';

interface Props {
  readonly layer: Layer;
  readonly span: Span;
  readonly timing: Timing;
  readonly scale: ScoreScale;
  readonly rate: FrameRate;
}

/** Where the part of a title that a layer is there for lies in the timeline, in CSS pixels. */
interface SpanEnds {
  readonly from: number;
  readonly to: number;
  readonly inPx: number;
  readonly outPx: number;
  /** By which its moves in the in and the out are drawn. */
  readonly inScale: ScoreScale;
  readonly outScale: ScoreScale;
}

/** Where a layer's span and its columns lie in the timeline; those of the title for one without. */
export function spanEnds(layer: Layer, timing: Timing, scale: ScoreScale, rate: FrameRate): SpanEnds {
  const { span = null } = layer.motion;
  const { inPx, outPx, holdPx } = scale;
  if (span === null)
    return { from: 0, to: inPx + holdPx + outPx, inPx, outPx, inScale: scale, outScale: scale };
  const title = stretchTiming(timing, designFrames(timing, rate), rate);
  const { fromSeconds, timing: own } = spanTime(span, timing, title);
  const x = (seconds: number): number => secondsToX(fromSeconds + seconds, timing, scale);
  const [from, to] = [x(0), x(own.totalSeconds)];
  const widths = { inPx: x(own.inSeconds) - from, outPx: to - x(own.outStartSeconds) };
  const drawn = (px: number, seconds: number): ScoreScale => ({
    ...scale,
    pxPerSecond: seconds > 0 ? px / seconds : scale.pxPerSecond,
  });
  return {
    from,
    to,
    ...widths,
    inScale: drawn(widths.inPx, timing.inSeconds),
    outScale: drawn(widths.outPx, timing.outSeconds),
  };
}

/** The two ends of a layer's span, dragged along or moved by a frame with the arrow keys. */
export function SpanBand(props: Props) {
  return (
    <>
      <SpanEnd {...props} end="from" label="comes" />
      <SpanEnd {...props} end="to" label="is gone" />
    </>
  );
}

interface EndProps extends Props {
  readonly end: keyof Span;
  readonly label: string;
}

function SpanEnd({ layer, span, timing, scale, rate, end, label }: EndProps) {
  const apply = useApply();
  const { store } = useBench();
  const from = useRef<{ readonly x: number; readonly at: number } | null>(null);
  const [says, setSays] = useState('');
  const whole = designTiming(timing);
  const seconds = momentToSeconds(span[end], timing, whole);
  const x = secondsToX(seconds, timing, scale);
  const set = (wanted: number): void => {
    const frame = frameToSeconds(secondsToNearestFrames(wanted, rate), rate);
    const other = momentToSeconds(span[end === 'from' ? 'to' : 'from'], timing, whole);
    const least = frameToSeconds(1, rate);
    const at =
      end === 'from'
        ? Math.max(0, Math.min(other - least, frame))
        : Math.max(other + least, Math.min(whole.totalSeconds, frame));
    setSays(`${at.toFixed(2)} s · ${secondsToNearestFrames(at, rate)} f`);
    apply((now) =>
      updateLayer(now, layer.id, (one) => {
        const { span: own = null } = one.motion;
        if (own === null) return one;
        const moved = { ...own, [end]: tiedMoment(own[end].from, at, timing) };
        return { ...one, motion: { ...one.motion, span: moved } };
      }),
    );
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (from.current !== null)
      set(xToSeconds(from.current.at + event.clientX - from.current.x, timing, scale));
  };
  const stop = (): void => {
    if (from.current === null) return;
    from.current = null;
    store.grouping.end();
    setSays('');
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    set(seconds + frameToSeconds(step, rate));
  };
  return (
    <button
      type="button"
      aria-label={`${layer.name} ${label} at ${seconds.toFixed(2)} s`}
      title="Drag along; arrow keys move it by a frame"
      className="absolute top-0 bottom-0 z-10 w-3 -translate-x-1/2 cursor-ew-resize touch-none"
      style={{ left: x }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        store.grouping.begin();
        from.current = { x: event.clientX, at: x };
      }}
      onPointerMove={onPointerMove}
      onPointerUp={stop}
      onPointerCancel={stop}
      onBlur={() => setSays('')}
      onKeyDown={onKeyDown}
    >
      <span
        className={`absolute top-1 bottom-1 left-1/2 w-2 border-y-2 border-ink ${end === 'from' ? 'border-l-2' : '-translate-x-full border-r-2'}`}
      />
      {says !== '' && (
        <span className="absolute -top-6 left-0 z-40 rounded-md bg-chosen px-2 py-0.5 font-mono text-[12px] whitespace-nowrap text-on-chosen">
          {says}
        </span>
      )}
    </button>
  );
}
