'use client';
import { useRef, useState } from 'react';
import type { MouseEvent, PointerEvent } from 'react';
import { nudgeIn } from '@/core/edit/editInFormat';
import { freeRoots } from '@/core/edit/editTemplate';
import type { Layer, Template } from '@/core/model/template';
import type { Point, Rect } from '@/core/kit/rect';
import { polygonContains } from '@/core/kit/polygon';
import { intersectRects, unionRects } from '@/core/kit/rect';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import type { PlacedBox } from '@/core/frame/points';
import { mirrorPoint, pointWithin } from '@/core/frame/points';
import { safeArea } from '@/core/frame/safeAreas';
import type { CompiledTitle } from '@/core/timeline/compile';
import { useBench, useTemplate } from '../state/benchStore';
import { Grips } from './Grips';
import { GuideLines } from './GuideLines';
import { MotionPath } from './MotionPath';
import { movesWith } from './movesWith';
import type { Snapped, SnapLines } from './snap';
import { snapLines, snapShift } from './snap';
import { useEditing } from '../state/useEditing';
import { useDragEscape } from './useDragEscape';
import { BandMark, Distances, PointerFigure, SafeLines, SelectionFrame, SnapGuide } from './wellMarks';

interface Props {
  readonly title: CompiledTitle;
  /** Where the corners of the layers are seen now, by layer id. */
  readonly corners: ReadonlyMap<string, readonly Point[]>;
  /** CSS pixels per design unit. */
  readonly scale: number;
  readonly guides: boolean;
  readonly typing: boolean;
  readonly onTyping: (typing: boolean) => void;
  /** Reads the picture's colour at a point in design units. */
  readonly colourAt: (x: number, y: number) => string | null;
}

interface Drag {
  readonly startX: number;
  readonly startY: number;
  readonly template: Template;
  readonly box: Rect;
  /** The layers that are really moved, and the lines that they can stop at: what else lies in the picture stays. */
  readonly roots: readonly string[];
  readonly lines: SnapLines;
  readonly snapped: Snapped | null;
  readonly pointer: { readonly x: number; readonly y: number };
}

// A press that moves less than this is a click.
const DRAG_STARTS_PX = 3;
const SNAP_REACH_PX = 6;

/** Safe lines, frames round the chosen layers, and picking and dragging in the picture. */
export function WellOverlay({ title, corners, scale, guides, typing, onTyping, colourAt }: Props) {
  const template = useTemplate();
  const { store, selection, select, choose, picking, pickColour, setMenuAt } = useBench();
  const { format, place, shown } = useEditing();
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const [band, setBand] = useState<Band | null>(null);
  const { widthU, heightU } = pictureSize(format);

  const toUnits = (event: MouseEvent): { x: number; y: number } => {
    const bounds = svg.current?.getBoundingClientRect();
    return {
      x: (event.clientX - (bounds?.left ?? 0)) / scale,
      y: (event.clientY - (bounds?.top ?? 0)) / scale,
    };
  };
  const layerAt = (x: number, y: number): string | null => {
    const hit = template.layers.find((layer) => {
      const seen = isPicked(layer) ? corners.get(layer.id) : undefined;
      return seen !== undefined && polygonContains(seen, { x, y });
    });
    return hit?.id ?? null;
  };
  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    const { x, y } = toUnits(event);
    if (picking !== null) {
      const colour = colourAt(x, y);
      if (colour !== null) picking(colour);
      pickColour(null);
      return;
    }
    const layerId = layerAt(x, y);
    onTyping(false);
    if (event.shiftKey && layerId !== null) return select(layerId, true);
    const layerIds = layerId !== null && selection.includes(layerId) ? selection : [layerId ?? ''];
    if (layerId === null) {
      event.currentTarget.setPointerCapture(event.pointerId);
      setBand({ from: { x, y }, to: { x, y }, before: event.shiftKey ? selection : [] });
      if (!event.shiftKey) select(null);
      return;
    }
    if (layerIds !== selection) select(layerId);
    const box = unionRects(layerIds.flatMap((id) => title.boxes.get(id) ?? []));
    if (box === null) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    const roots = [...new Set(layerIds.flatMap((id) => freeRoots(template, id)))];
    const lines = stillLines(template, title, format, [...layerIds, ...roots]);
    const pointer = { x, y };
    setDrag({ startX: x, startY: y, template, box, roots, lines, snapped: null, pointer });
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (band !== null) return drawBand(toUnits(event));
    if (drag === null) return;
    const { x, y } = toUnits(event);
    let dx = x - drag.startX;
    let dy = y - drag.startY;
    if (drag.snapped === null && Math.hypot(dx, dy) * scale < DRAG_STARTS_PX) return;
    if (event.shiftKey && Math.abs(dx) > Math.abs(dy)) dy = 0;
    else if (event.shiftKey) dx = 0;
    const snapped = event.altKey
      ? { dx, dy, lineX: null, lineY: null }
      : snapShift(drag.box, dx, dy, drag.lines, SNAP_REACH_PX / scale);
    setDrag({ ...drag, snapped, pointer: { x, y } });
    store
      .getState()
      .applyTo(drag.template, (now) =>
        drag.roots.reduce(
          (moved, id) => nudgeIn(moved, place, id, asDrawn(title, id, snapped.dx), snapped.dy),
          now,
        ),
      );
  };
  const drawBand = (to: Point): void => {
    if (band === null) return;
    const next = { ...band, to };
    setBand(next);
    const within = bandRect(next);
    const met = template.layers.filter((layer) => isPicked(layer) && isMet(corners.get(layer.id), within));
    choose([...new Set([...band.before, ...met.map(({ id }) => id)])]);
  };
  const finish = (): void => {
    if (drag !== null) store.grouping.end();
    setDrag(null);
    setBand(null);
  };
  const cancel = (): void => {
    if (drag !== null) store.getState().replace(drag.template);
    if (band !== null) choose(band.before);
    finish();
  };
  useDragEscape(drag !== null || band !== null, cancel);
  const onContextMenu = (event: MouseEvent): void => {
    event.preventDefault();
    const { x, y } = toUnits(event);
    const layerId = layerAt(x, y);
    if (layerId !== null && !selection.includes(layerId)) select(layerId);
    setMenuAt({ x: event.clientX, y: event.clientY });
  };
  const chosen = template.layers.find((one) => one.id === selection[0]);
  const chosenBox = title.boxes.get(selection[0] ?? '');
  const shownChosen = shown.layers.find((one) => one.id === chosen?.id && one.locked !== true);
  const chosenCorners =
    selection.length === 1 && chosen !== undefined ? seenOf(chosen, title, corners) : undefined;
  const moved =
    drag?.snapped == null
      ? null
      : { ...drag.box, x: drag.box.x + drag.snapped.dx, y: drag.box.y + drag.snapped.dy };
  return (
    <svg
      ref={svg}
      data-testid="well"
      viewBox={`0 0 ${widthU} ${heightU}`}
      className={`absolute inset-0 h-full w-full touch-none overflow-visible ${picking === null ? '' : 'cursor-crosshair'}`}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={finish}
      onPointerCancel={cancel}
      onContextMenu={onContextMenu}
      onDoubleClick={() => {
        if (template.layers.find((layer) => layer.id === selection[0])?.kind === 'text') onTyping(true);
      }}
    >
      {guides && <SafeLines format={format} scale={scale} />}
      {guides && <GuideLines scale={scale} widthU={widthU} heightU={heightU} toUnits={toUnits} />}
      {drag?.snapped?.lineX != null && (
        <SnapGuide x1={drag.snapped.lineX} x2={drag.snapped.lineX} y1={0} y2={heightU} scale={scale} />
      )}
      {drag?.snapped?.lineY != null && (
        <SnapGuide x1={0} x2={widthU} y1={drag.snapped.lineY} y2={drag.snapped.lineY} scale={scale} />
      )}
      {moved !== null && <Distances box={moved} area={safeArea(format, 'titleSafe')} scale={scale} />}
      {!typing &&
        selection.map((id, i) => {
          const layer = template.layers.find((one) => one.id === id);
          const at = layer && seenOf(layer, title, corners);
          if (at === undefined) return null;
          return <SelectionFrame key={id} corners={at.seen} point={at.point} scale={scale} main={i === 0} />;
        })}
      {!typing &&
        chosenCorners !== undefined &&
        drag === null &&
        band === null &&
        shownChosen !== undefined && (
          <Grips
            layer={shownChosen}
            box={chosenCorners.box}
            corners={chosenCorners.seen}
            point={chosenCorners.point}
            mirrored={title.mirrored.has(shownChosen.id)}
            scale={scale}
            toUnits={toUnits}
          />
        )}
      {!typing && chosen !== undefined && chosenBox !== undefined && (
        <MotionPath
          layer={chosen}
          box={chosenBox}
          scale={scale}
          toUnits={toUnits}
          mirrored={title.mirrored.has(chosen.id)}
        />
      )}
      {drag?.snapped != null && (
        <PointerFigure
          at={{ x: Math.min(drag.pointer.x, widthU - 184 / scale), y: drag.pointer.y }}
          scale={scale}
        >
          {`${signed(drag.snapped.dx)} u, ${signed(drag.snapped.dy)} u`}
        </PointerFigure>
      )}
      {band !== null && <BandMark band={bandRect(band)} scale={scale} />}
    </svg>
  );
}

interface Band {
  readonly from: Point;
  readonly to: Point;
  /** What was chosen before and stays so. */
  readonly before: readonly string[];
}

function bandRect({ from, to }: Band): Rect {
  const [x, y] = [Math.min(from.x, to.x), Math.min(from.y, to.y)];
  return { x, y, width: Math.abs(to.x - from.x), height: Math.abs(to.y - from.y) };
}

/** Whether a layer can be picked in the picture. A background would be hit everywhere, so it is picked in the timeline. */
const isPicked = ({ kind, locked }: Layer): boolean => kind !== 'backdrop' && locked !== true;

/** Whether a band goes over what is seen between some corners. */
function isMet(corners: readonly Point[] | undefined, band: Rect): boolean {
  if (corners === undefined) return false;
  const bounds = unionRects(corners.map(({ x, y }) => ({ x, y, width: 0, height: 0 })));
  const common = bounds && intersectRects(bounds, band);
  return common !== null && common.width > 0 && common.height > 0;
}

interface Seen {
  readonly box: PlacedBox;
  readonly seen: readonly Point[];
  readonly point: Point;
}

/** Where a layer is seen, and the point that it turns about. */
function seenOf(
  layer: Layer,
  title: CompiledTitle,
  corners: ReadonlyMap<string, readonly Point[]>,
): Seen | undefined {
  const box = title.boxes.get(layer.id);
  const seen = corners.get(layer.id);
  if (box === undefined || seen === undefined) return undefined;
  const { point } = layer.place;
  const own = pointWithin(box, title.mirrored.has(layer.id) ? mirrorPoint(point) : point);
  return { box, seen, point: { x: box.x + own.x, y: box.y + own.y } };
}

/** How far across a layer goes as it was drawn, when it goes so far in the picture. */
const asDrawn = ({ mirrored }: CompiledTitle, id: string, dx: number): number =>
  mirrored.has(id) ? -dx : dx;

/** The lines of the areas, of everything that does not move with the dragged layers, and the designer's own. */
function stillLines(
  template: Template,
  title: CompiledTitle,
  format: FrameFormat,
  moved: readonly string[],
): SnapLines {
  const still = template.layers.filter((layer) => !movesWith(template, layer.id, moved));
  const lines = snapLines([
    safeArea(format, 'frame'),
    safeArea(format, 'titleSafe'),
    safeArea(format, 'actionSafe'),
    ...still.flatMap((layer) => title.boxes.get(layer.id) ?? []),
  ]);
  const own = (axis: 'x' | 'y'): number[] =>
    template.guides.filter((guide) => guide.axis === axis).map((guide) => guide.atU);
  return { x: [...lines.x, ...own('x')], y: [...lines.y, ...own('y')] };
}

function signed(value: number): string {
  return `${value < 0 ? '−' : '+'}${Math.abs(Math.round(value * 10) / 10)}`;
}
