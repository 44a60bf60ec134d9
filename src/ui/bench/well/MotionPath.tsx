'use client';
import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useStore } from 'zustand';
import { sameMoment, setKey } from '@/core/edit/editTracks';
import { updateLayer } from '@/core/edit/editTemplate';
import type { Keyframe, Layer, Moment } from '@/core/model/template';
import type { PlacedBox } from '@/core/frame/points';
import { designTiming, momentToSeconds, toDesignSeconds } from '@/core/titleTime/moments';
import { trackValue } from '@/core/titleTime/tracks';
import { useApply, useBench, useTemplatePart } from '../state/benchStore';

interface Props {
  readonly layer: Layer;
  /** Where the layer is at the playhead. */
  readonly box: PlacedBox;
  /** CSS pixels to a design unit. */
  readonly scale: number;
  readonly toUnits: (event: PointerEvent) => { x: number; y: number };
  /** Whether it is seen on the other side than it was drawn. */
  readonly mirrored: boolean;
}

const AXES = { x: 'place.dxU', y: 'place.dyU' } as const;
const SAMPLES = 48;

const turned = (key: Keyframe): Keyframe => ({ ...key, way: key.way === 'round' ? 'straight' : 'round' });

/** The way that a layer's keyframes take it through the picture, with a dot at each key to drag. */
export function MotionPath({ layer, box, scale, toUnits, mirrored }: Props) {
  const across = mirrored ? -1 : 1;
  const { store, playhead } = useBench();
  const apply = useApply();
  const timing = useTemplatePart((template) => template.timing);
  const now = useStore(playhead);
  const seconds = toDesignSeconds(now.seconds, timing, now.timing);
  const drag = useRef<{ x: number; y: number; fromX: number; fromY: number } | null>(null);
  const whole = designTiming(timing);
  const tracks = layer.motion.tracks.filter(({ on, path }) => on && (path === AXES.x || path === AXES.y));
  if (tracks.length === 0) return null;
  const offset = (axis: 'x' | 'y', at: number): number => {
    const track = tracks.find(({ path }) => path === AXES[axis]);
    const value = track === undefined ? null : trackValue(track, at, timing, whole);
    return value === null ? (axis === 'x' ? layer.place.dxU : layer.place.dyU) : Number(value);
  };
  const here = { x: offset('x', seconds), y: offset('y', seconds) };
  const place = (at: number): { x: number; y: number } => ({
    x: box.x + box.width / 2 + across * (offset('x', at) - here.x),
    y: box.y + box.height / 2 + offset('y', at) - here.y,
  });
  const moments = new Map<number, Moment>();
  for (const { moment } of tracks.flatMap(({ keys }) => keys))
    moments.set(momentToSeconds(moment, timing, whole), moment);
  const times = [...moments.keys()].sort((a, b) => a - b);
  const [first, last] = [times[0] ?? 0, times[times.length - 1] ?? 0];
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const { x, y } = place(first + ((last - first) * i) / SAMPLES);
    return `${x.toFixed(1)},${y.toFixed(1)}`;
  }).join(' ');
  const put = (moment: Moment, x: number, y: number): void =>
    apply((template) =>
      updateLayer(template, layer.id, (one) =>
        tracks.reduce(
          (done, { path }) => setKey(done, path, moment, Math.round(path === AXES.x ? x : y)),
          one,
        ),
      ),
    );
  /** From a corner at a key to a round way through it, and back. */
  const turnCorner = (moment: Moment): void =>
    apply((template) =>
      updateLayer(template, layer.id, (one) => ({
        ...one,
        motion: {
          ...one.motion,
          tracks: one.motion.tracks.map((track) =>
            tracks.every(({ path }) => path !== track.path)
              ? track
              : {
                  ...track,
                  keys: track.keys.map((key) => (sameMoment(key.moment, moment) ? turned(key) : key)),
                },
          ),
        },
      })),
    );
  const start = (event: PointerEvent, at: number): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    drag.current = { ...toUnits(event), fromX: offset('x', at), fromY: offset('y', at) };
  };
  const move = (event: PointerEvent, moment: Moment): void => {
    if (drag.current === null) return;
    event.stopPropagation();
    const { x, y } = toUnits(event);
    const { fromX, fromY } = drag.current;
    put(moment, fromX + across * (x - drag.current.x), fromY + y - drag.current.y);
  };
  const nudge = (event: KeyboardEvent, at: number, moment: Moment): void => {
    const steps: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const step = steps[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    put(moment, offset('x', at) + across * step[0] * by, offset('y', at) + step[1] * by);
  };
  return (
    <g>
      <polyline
        points={points}
        className="fill-none stroke-leaf-light"
        strokeWidth={1.5 / scale}
        strokeDasharray={`${4 / scale}`}
      />
      {times.map((at, i) => {
        const { x, y } = place(at);
        const moment = moments.get(at);
        if (moment === undefined) return null;
        return (
          <circle
            key={at}
            cx={x}
            cy={y}
            r={5 / scale}
            role="button"
            tabIndex={0}
            aria-label={`${layer.name} on its way, key ${i + 1} at ${at.toFixed(2)} s; Enter or a double click makes it round or a corner`}
            className="cursor-move fill-leaf-light stroke-black/60"
            strokeWidth={1 / scale}
            onPointerDown={(event) => start(event, at)}
            onPointerMove={(event) => move(event, moment)}
            onPointerUp={(event) => {
              event.stopPropagation();
              drag.current = null;
              store.grouping.end();
            }}
            onDoubleClick={(event) => {
              event.stopPropagation();
              turnCorner(moment);
            }}
            onKeyDown={(event) => (event.key === 'Enter' ? turnCorner(moment) : nudge(event, at, moment))}
          />
        );
      })}
    </g>
  );
}
