'use client';
import { useState } from 'react';
import type { PointerEvent } from 'react';
import type { GuideLine } from '@/core/model/template';
import { useApply, useBench, useTemplate } from '../state/benchStore';

interface Props {
  readonly scale: number;
  readonly widthU: number;
  readonly heightU: number;
  readonly toUnits: (event: PointerEvent) => { readonly x: number; readonly y: number };
}

const RULER_PX = 13;

/** Rulers along the picture's top and left edge, and the designer's own guide lines, dragged out of them. */
export function GuideLines({ scale, widthU, heightU, toUnits }: Props) {
  const { guides } = useTemplate();
  const apply = useApply();
  const { store } = useBench();
  const [held, setHeld] = useState<number | null>(null);
  const ruler = RULER_PX / scale;
  const start = (event: PointerEvent, index: number): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    setHeld(index);
  };
  const pullOut = (event: PointerEvent, axis: GuideLine['axis']): void => {
    start(event, guides.length);
    const at = axis === 'x' ? toUnits(event).x : toUnits(event).y;
    apply((now) => ({ ...now, guides: [...now.guides, { axis, atU: Math.round(at) }] }));
  };
  const move = (event: PointerEvent): void => {
    if (held === null) return;
    const { x, y } = toUnits(event);
    apply((now) => {
      const guide = now.guides[held];
      if (guide === undefined) return now;
      const atU = Math.round(guide.axis === 'x' ? x : y);
      return { ...now, guides: now.guides.with(held, { ...guide, atU }) };
    });
  };
  const drop = (): void => {
    if (held === null) return;
    // A guide that is dragged off the picture is taken away.
    apply((now) => {
      const guide = now.guides[held];
      if (guide === undefined) return now;
      const gone = guide.atU < 0 || guide.atU > (guide.axis === 'x' ? widthU : heightU);
      return gone ? { ...now, guides: now.guides.toSpliced(held, 1) } : now;
    });
    store.grouping.end();
    setHeld(null);
  };
  const follow = { onPointerMove: move, onPointerUp: drop, onPointerCancel: drop };
  return (
    <g>
      {[
        {
          axis: 'y' as const,
          x: 0,
          y: -ruler,
          width: widthU,
          height: ruler - 1 / scale,
          cursor: 'ns-resize',
        },
        {
          axis: 'x' as const,
          x: -ruler,
          y: 0,
          width: ruler - 1 / scale,
          height: heightU,
          cursor: 'ew-resize',
        },
      ].map(({ axis, cursor, ...rect }) => (
        <g key={axis} onPointerDown={(event) => pullOut(event, axis)} {...follow} style={{ cursor }}>
          <title>Drag out a guide line</title>
          <rect {...rect} fill="#3a3d3b" />
          <Ticks axis={axis} length={axis === 'y' ? widthU : heightU} ruler={ruler} scale={scale} />
        </g>
      ))}
      {guides.map((guide, i) => {
        const line =
          guide.axis === 'x'
            ? { x1: guide.atU, x2: guide.atU, y1: 0, y2: heightU }
            : { x1: 0, x2: widthU, y1: guide.atU, y2: guide.atU };
        return (
          <g
            key={i}
            onPointerDown={(event) => start(event, i)}
            {...follow}
            style={{ cursor: guide.axis === 'x' ? 'ew-resize' : 'ns-resize' }}
          >
            <line {...line} stroke="transparent" strokeWidth={8 / scale} />
            <line {...line} stroke="#8fd0c0" strokeWidth={1 / scale} opacity={0.9} />
            {held === i && (
              <text
                x={line.x1 + 5 / scale}
                y={line.y1 + 14 / scale}
                fontSize={11 / scale}
                className="fill-white font-mono"
              >
                {guide.atU} u
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

interface TickProps {
  /** The axis of the guides that this ruler gives. */
  readonly axis: GuideLine['axis'];
  readonly length: number;
  readonly ruler: number;
  readonly scale: number;
}

function Ticks({ axis, length, ruler, scale }: TickProps) {
  const count = Math.floor(length / 20);
  return (
    <g stroke="#9a968b" strokeWidth={0.75 / scale} pointerEvents="none">
      {Array.from({ length: count + 1 }, (_, i) => {
        const at = i * 20;
        const long = ruler * (i % 5 === 0 ? 0.7 : 0.3);
        return axis === 'y' ? (
          <line key={i} x1={at} x2={at} y1={-long} y2={0} />
        ) : (
          <line key={i} x1={-long} x2={0} y1={at} y2={at} />
        );
      })}
    </g>
  );
}
