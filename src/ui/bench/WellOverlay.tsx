'use client';
import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { dragRoots, nudgeLayer } from '@/core/document/editTemplate';
import type { Template } from '@/core/document/template';
import type { Rect } from '@/core/kit/rect';
import { containsPoint } from '@/core/kit/rect';
import type { FrameFormat } from '@/core/layout/formats';
import { pictureSize } from '@/core/layout/formats';
import { safeArea } from '@/core/layout/safeAreas';
import type { CompiledTitle } from '@/core/timeline/compile';
import { useApply, useBench, useTemplate } from './benchStore';
import type { Snapped } from './snap';
import { snapLines, snapShift } from './snap';

interface Props {
  readonly title: CompiledTitle;
  readonly format: FrameFormat;
  /** CSS pixels per design unit. */
  readonly scale: number;
  readonly guides: boolean;
  readonly typing: boolean;
  readonly onTyping: (typing: boolean) => void;
}

interface Drag {
  readonly startX: number;
  readonly startY: number;
  readonly template: Template;
  readonly layerId: string;
  readonly box: Rect;
  readonly snapped: Snapped | null;
  readonly pointer: { readonly x: number; readonly y: number };
}

// A press that moves less than this is a click.
const DRAG_STARTS_PX = 3;
const SNAP_REACH_PX = 6;

/** Safe lines, the frame round the chosen layer, and picking and dragging in the picture. */
export function WellOverlay({ title, format, scale, guides, typing, onTyping }: Props) {
  const template = useTemplate();
  const apply = useApply();
  const { store, selected, select } = useBench();
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const { widthU, heightU } = pictureSize(format);

  const toUnits = (event: PointerEvent): { x: number; y: number } => {
    const bounds = svg.current?.getBoundingClientRect();
    return {
      x: (event.clientX - (bounds?.left ?? 0)) / scale,
      y: (event.clientY - (bounds?.top ?? 0)) / scale,
    };
  };
  const layerAt = (x: number, y: number): string | null => {
    const hit = template.layers.find((layer) => {
      const box = title.boxes.get(layer.id);
      return box !== undefined && containsPoint(box, x, y);
    });
    return hit?.id ?? null;
  };
  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    const { x, y } = toUnits(event);
    const layerId = layerAt(x, y);
    select(layerId);
    onTyping(false);
    const box = layerId === null ? undefined : title.boxes.get(layerId);
    if (layerId === null || box === undefined) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    setDrag({ startX: x, startY: y, template, layerId, box, snapped: null, pointer: { x, y } });
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (drag === null) return;
    const { x, y } = toUnits(event);
    let dx = x - drag.startX;
    let dy = y - drag.startY;
    if (drag.snapped === null && Math.hypot(dx, dy) * scale < DRAG_STARTS_PX) return;
    if (event.shiftKey && Math.abs(dx) > Math.abs(dy)) dy = 0;
    else if (event.shiftKey) dx = 0;
    const roots = dragRoots(drag.template, drag.layerId);
    const snapped = event.altKey
      ? { dx, dy, lineX: null, lineY: null }
      : snapShift(drag.box, dx, dy, linesFor(drag, roots), SNAP_REACH_PX / scale);
    setDrag({ ...drag, snapped, pointer: { x, y } });
    const from = drag.template;
    apply(() => roots.reduce((moved, id) => nudgeLayer(moved, id, snapped.dx, snapped.dy), from));
  };
  const linesFor = ({ layerId }: Drag, roots: readonly string[]): ReturnType<typeof snapLines> => {
    const still = template.layers.filter(
      (layer) => layer.id !== layerId && !movesWith(template, layer.id, roots),
    );
    return snapLines([
      safeArea(format, 'frame'),
      safeArea(format, 'titleSafe'),
      safeArea(format, 'actionSafe'),
      ...still.flatMap((layer) => title.boxes.get(layer.id) ?? []),
    ]);
  };
  const finish = (): void => {
    store.grouping.end();
    setDrag(null);
  };
  const cancel = (): void => {
    if (drag !== null) apply(() => drag.template);
    finish();
  };
  const box = selected === null ? undefined : title.boxes.get(selected);
  return (
    <svg
      ref={svg}
      data-testid="well"
      viewBox={`0 0 ${widthU} ${heightU}`}
      className="absolute inset-0 h-full w-full touch-none"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={finish}
      onPointerCancel={cancel}
      onDoubleClick={() => {
        if (template.layers.find((layer) => layer.id === selected)?.kind === 'text') onTyping(true);
      }}
    >
      {guides && <SafeLines format={format} scale={scale} />}
      {drag?.snapped?.lineX != null && (
        <Guide x1={drag.snapped.lineX} x2={drag.snapped.lineX} y1={0} y2={heightU} scale={scale} />
      )}
      {drag?.snapped?.lineY != null && (
        <Guide x1={0} x2={widthU} y1={drag.snapped.lineY} y2={drag.snapped.lineY} scale={scale} />
      )}
      {box !== undefined && !typing && <SelectionFrame box={box} scale={scale} />}
      {drag?.snapped != null && (
        <text
          x={Math.min(drag.pointer.x + 14 / scale, widthU - 170 / scale)}
          y={Math.max(drag.pointer.y - 12 / scale, 16 / scale)}
          fontSize={12 / scale}
          className="fill-white font-mono"
          stroke="#000"
          strokeWidth={3 / scale}
          paintOrder="stroke"
        >
          {`${signed(drag.snapped.dx)} u, ${signed(drag.snapped.dy)} u`}
        </text>
      )}
    </svg>
  );
}

/** Whether a layer hangs, through however many others, on one that is dragged, or fits round one. */
function movesWith(template: Template, layerId: string, roots: readonly string[], depth = 0): boolean {
  if (roots.includes(layerId)) return true;
  const layer = template.layers.find((one) => one.id === layerId);
  if (layer === undefined || depth > template.layers.length) return false;
  const { target } = layer.place;
  const on = target.kind === 'layer' ? [target.layerId] : [];
  const round = layer.kind === 'box' ? layer.encloses : [];
  return [...on, ...round].some((id) => movesWith(template, id, roots, depth + 1));
}

function signed(value: number): string {
  return `${value < 0 ? '−' : '+'}${Math.abs(Math.round(value * 10) / 10)}`;
}

function SafeLines({ format, scale }: { readonly format: FrameFormat; readonly scale: number }) {
  const title = safeArea(format, 'titleSafe');
  const action = safeArea(format, 'actionSafe');
  return (
    <g
      fill="none"
      stroke="#ffffff"
      strokeWidth={1 / scale}
      strokeDasharray={`${4 / scale} ${3 / scale}`}
      pointerEvents="none"
    >
      <rect {...action} opacity="0.45" />
      <rect {...title} opacity="0.85" />
    </g>
  );
}

function Guide(props: { x1: number; x2: number; y1: number; y2: number; scale: number }) {
  const { scale, ...line } = props;
  return <line {...line} stroke="#d9b45a" strokeWidth={1.25 / scale} pointerEvents="none" />;
}

function SelectionFrame({ box, scale }: { readonly box: Rect; readonly scale: number }) {
  const { x, y, width, height } = box;
  const peg = 4 / scale;
  return (
    <g pointerEvents="none">
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill="none"
        stroke="#000"
        opacity="0.35"
        strokeWidth={3 / scale}
      />
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill="none"
        stroke="#d9b45a"
        strokeWidth={1.25 / scale}
      />
      <circle cx={x} cy={y + height} r={peg} fill="#d9b45a" />
      <circle cx={x + width} cy={y} r={peg} fill="#d9b45a" />
    </g>
  );
}
