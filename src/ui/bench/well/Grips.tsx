'use client';
import { useState } from 'react';
import type { PointerEvent } from 'react';
import { setPropertyIn } from '@/core/edit/editInFormat';
import { updateLayer } from '@/core/edit/editTemplate';
import type { Grip } from '@/core/edit/resizeLayer';
import { gripsOf, resizeIn } from '@/core/edit/resizeLayer';
import type { PlacedBox } from '@/core/frame/points';
import type { Point } from '@/core/kit/rect';
import type { Layer, Template } from '@/core/model/template';
import { useBench } from '../state/benchStore';
import { useEditing } from '../state/useEditing';
import { useDragEscape } from './useDragEscape';
import { PointerFigure } from './wellMarks';

interface Props {
  readonly layer: Layer;
  readonly box: PlacedBox;
  /** Where the layer's corners are seen, clockwise from the top left. */
  readonly corners: readonly Point[];
  /** The point that it turns about. */
  readonly point: Point;
  readonly scale: number;
  readonly toUnits: (event: PointerEvent) => Point;
  /** Whether it is seen on the other side than it was drawn. */
  readonly mirrored: boolean;
}

/** What of a layer is dragged: a side or corner, a corner that is pinned, or the handle that it is turned by. */
type Held =
  | { readonly kind: 'size'; readonly grip: Grip }
  | { readonly kind: 'pin'; readonly corner: number | 'all' }
  | { readonly kind: 'turn' };

interface Drag {
  readonly held: Held;
  readonly from: Point;
  readonly template: Template;
  readonly layer: Layer;
  readonly box: PlacedBox;
  readonly pointer: Point;
}

const SIDE_PX = 9;
const HIT_PX = 18;
const TURN_PX = 26;
const SMALL_PX = 2 * HIT_PX;
const TURN_STEP_DEGREES = 15;

/** Grips to size, pin and turn the chosen layer by, with the figure beside the pointer. */
export function Grips({ layer, box, corners, point, scale, toUnits, mirrored }: Props) {
  const { store } = useBench();
  const { place } = useEditing();
  const [drag, setDrag] = useState<Drag | null>(null);
  const end = (): void => {
    store.grouping.end();
    setDrag(null);
  };
  const takeBack = (): void => {
    if (drag !== null) store.getState().replace(drag.template);
    end();
  };
  useDragEscape(drag !== null, takeBack);
  const start = (event: PointerEvent, held: Held): void => {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    store.grouping.begin();
    const from = toUnits(event);
    setDrag({ held, from, template: store.getState().template, layer, box, pointer: from });
  };
  const move = (event: PointerEvent): void => {
    if (drag === null) return;
    event.stopPropagation();
    const pointer = toUnits(event);
    setDrag({ ...drag, pointer });
    store.getState().applyTo(drag.template, (now) => dragged(now, drag, pointer, event));
  };
  const dragged = (now: Template, { held, from, ...was }: Drag, to: Point, event: PointerEvent): Template => {
    // A design is changed as it was drawn, so what is seen mirrored is dragged the other way.
    const across = mirrored ? -1 : 1;
    const by = { x: across * (to.x - from.x), y: to.y - from.y };
    switch (held.kind) {
      case 'size': {
        const how = { keepsShape: event.shiftKey, fromMiddle: event.altKey };
        return resizeIn(now, place, { ...held.grip, ...how, layerId: layer.id, box: was.box, by });
      }
      case 'pin':
        return updateLayer(now, layer.id, (one) => pinned(one, was.layer, held.corner, by));
      case 'turn': {
        const turned = turnedBy(was.layer, { point, from, to, across, inSteps: event.shiftKey });
        return setPropertyIn(now, place, layer.id, 'place.rotateDegrees', turned);
      }
    }
  };
  const handlers = { onPointerMove: move, onPointerUp: end, onPointerCancel: takeBack };
  const isPinned = layer.place.pin !== null;
  const top = between(corners[0], corners[1]);
  const bottom = between(corners[3], corners[2]);
  const turn = outside(top, bottom, TURN_PX / scale);
  return (
    <g>
      {gripsOf(layer)
        .filter((grip) => hasRoom(corners, grip, scale))
        .map((grip) => {
          const drawn = mirrored ? otherSide(grip) : grip;
          const corner = cornerOf(drawn);
          // What is flipped is sized by the side where it is seen.
          const { scaleX, scaleY } = layer.place;
          const sized = flippedGrip(drawn, scaleX < 0, scaleY < 0);
          return (
            <Knob
              key={`${grip.across} ${grip.down}`}
              at={seenAt(corners, grip)}
              scale={scale}
              cursor={CURSORS[`${grip.across} ${grip.down}`]}
              name={nameOf(grip)}
              onPointerDown={(event) => {
                const pins = corner !== null && (isPinned || event.ctrlKey || event.metaKey);
                start(event, pins ? { kind: 'pin', corner } : { kind: 'size', grip: sized });
              }}
              {...handlers}
            />
          );
        })}
      {isPinned && (
        <Knob
          at={between(between(corners[0], corners[2]), between(corners[1], corners[3]))}
          scale={scale}
          cursor="move"
          name="Move the pin"
          onPointerDown={(event) => start(event, { kind: 'pin', corner: 'all' })}
          {...handlers}
        />
      )}
      {layer.kind !== 'backdrop' && (
        <>
          <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="#d9b45a" strokeWidth={1 / scale} />
          <Knob
            at={turn}
            scale={scale}
            cursor="grab"
            name="Turn"
            round
            onPointerDown={(event) => start(event, { kind: 'turn' })}
            {...handlers}
          />
        </>
      )}
      {drag !== null && (
        <PointerFigure at={drag.pointer} scale={scale}>
          {figureOf(drag.held, layer, box)}
        </PointerFigure>
      )}
    </g>
  );
}

interface KnobProps {
  readonly at: Point;
  readonly scale: number;
  readonly cursor: string;
  readonly name: string;
  readonly round?: boolean;
  onPointerDown(event: PointerEvent): void;
  onPointerMove(event: PointerEvent): void;
  onPointerUp(event: PointerEvent): void;
  onPointerCancel(event: PointerEvent): void;
}

/** A small square, or a disc, with room round it for the pointer. */
function Knob({ at, scale, cursor, name, round = false, ...handlers }: KnobProps) {
  const square = (px: number): { x: number; y: number; width: number; height: number } => ({
    x: at.x - px / 2 / scale,
    y: at.y - px / 2 / scale,
    width: px / scale,
    height: px / scale,
  });
  return (
    <g style={{ cursor }} data-grip={name} {...handlers}>
      <title>{name}</title>
      <rect {...square(HIT_PX)} fill="transparent" />
      <rect
        {...square(SIDE_PX)}
        rx={round ? SIDE_PX / 2 / scale : 1 / scale}
        fill="#fff8e6"
        stroke="#8a6a1f"
        strokeWidth={1.25 / scale}
      />
    </g>
  );
}

const CURSORS: Readonly<Record<string, string>> = {
  '-1 -1': 'nwse-resize',
  '1 1': 'nwse-resize',
  '1 -1': 'nesw-resize',
  '-1 1': 'nesw-resize',
  '-1 0': 'ew-resize',
  '1 0': 'ew-resize',
  '0 -1': 'ns-resize',
  '0 1': 'ns-resize',
};

function nameOf({ across, down }: Grip): string {
  const words = [
    down < 0 ? 'top' : down > 0 ? 'bottom' : '',
    across < 0 ? 'left' : across > 0 ? 'right' : '',
  ];
  return `Size, ${words.filter(Boolean).join(' ')}`;
}

/** Which corner a grip is, clockwise from the top left; null for a side. */
function cornerOf({ across, down }: Grip): number | null {
  if (across === 0 || down === 0) return null;
  if (down < 0) return across < 0 ? 0 : 1;
  return across > 0 ? 2 : 3;
}

const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

function seenAt(corners: readonly Point[], grip: Grip): Point {
  const corner = cornerOf(grip);
  if (corner !== null) return corners[corner];
  const [from, to] = grip.across < 0 ? [0, 3] : grip.across > 0 ? [1, 2] : grip.down < 0 ? [0, 1] : [3, 2];
  return between(corners[from], corners[to]);
}

/** A point so far outside of a side, seen from the opposite one. */
function outside(side: Point, opposite: Point, by: number): Point {
  const [dx, dy] = [side.x - opposite.x, side.y - opposite.y];
  const length = Math.hypot(dx, dy);
  return length === 0
    ? { x: side.x, y: side.y - by }
    : { x: side.x + (dx / length) * by, y: side.y + (dy / length) * by };
}

/** Whether there is room for a grip beside the others; a layer that is seen small has one corner only, and can be dragged. */
function hasRoom(corners: readonly Point[], grip: Grip, scale: number): boolean {
  const [topLeft, topRight, , bottomLeft] = corners;
  const seen = (to: Point): number => Math.hypot(to.x - topLeft.x, to.y - topLeft.y) * scale;
  const [across, down] = [seen(topRight), seen(bottomLeft)];
  if (Math.max(across, down) < SMALL_PX) return grip.across > 0 && grip.down > 0;
  return cornerOf(grip) !== null || (grip.across === 0 ? across : down) >= 2.5 * HIT_PX;
}

const UNPINNED: readonly number[] = [0, 0, 0, 0, 0, 0, 0, 0];

/** A layer with a corner, or all of them, pulled further than it was; along its own sides, since it turns and scales with its corners. */
function pinned(layer: Layer, was: Layer, corner: number | 'all', by: Point): Layer {
  const { rotateDegrees, scaleX, scaleY, pin } = was.place;
  const angle = (-rotateDegrees * Math.PI) / 180;
  const along = (by.x * Math.cos(angle) - by.y * Math.sin(angle)) / awayFromNothing(scaleX);
  const athwart = (by.x * Math.sin(angle) + by.y * Math.cos(angle)) / awayFromNothing(scaleY);
  const pulled = (pin ?? UNPINNED).map((value, i) => {
    const isIts = corner === 'all' || corner === Math.floor(i / 2);
    const moved = !isIts ? 0 : i % 2 === 0 ? along : athwart;
    return Math.round((value + moved) * 10) / 10;
  });
  return { ...layer, place: { ...layer.place, pin: pulled } };
}

const opposite = (way: Grip['across']): Grip['across'] => (way === 0 ? 0 : way < 0 ? 1 : -1);
const otherSide = ({ across, down }: Grip): Grip => ({ across: opposite(across), down });
const flippedGrip = ({ across, down }: Grip, flipX: boolean, flipY: boolean): Grip => ({
  across: flipX ? opposite(across) : across,
  down: flipY ? opposite(down) : down,
});
/** A scale to divide by: never too near to nothing. */
const awayFromNothing = (scale: number): number =>
  scale < 0 ? Math.min(-0.01, scale) : Math.max(0.01, scale);

interface Turn {
  readonly point: Point;
  readonly from: Point;
  readonly to: Point;
  /** −1 where it is seen mirrored, else 1. */
  readonly across: number;
  /** Whether it is turned by whole steps. */
  readonly inSteps: boolean;
}

/** How far a layer is turned when the pointer goes round its point. */
function turnedBy({ place }: Layer, { point, from, to, across, inSteps }: Turn): number {
  const angleOf = ({ x, y }: Point): number => (Math.atan2(y - point.y, x - point.x) * 180) / Math.PI;
  const turned = place.rotateDegrees + across * (angleOf(to) - angleOf(from));
  const step = inSteps ? TURN_STEP_DEGREES : 0.1;
  const rounded = Math.round(turned / step) * step;
  // From −180 to 180, so that a whole turn is none.
  const within = rounded - 360 * Math.round(rounded / 360);
  return Math.round(within * 10) / 10;
}

/** What a drag changes, as it stands now. */
function figureOf(held: Held, layer: Layer, box: PlacedBox): string {
  const round = (value: number): string => String(Math.round(value * 10) / 10).replace('-', '−');
  switch (held.kind) {
    case 'turn':
      return `${round(layer.place.rotateDegrees)}°`;
    case 'pin': {
      const pin = layer.place.pin ?? UNPINNED;
      const first = held.corner === 'all' ? 0 : held.corner * 2;
      return `${round(pin[first])}, ${round(pin[first + 1])} u`;
    }
    case 'size':
      if (layer.kind === 'text' && held.grip.down !== 0) return `Size ${round(layer.style.sizeU)} u`;
      return layer.kind === 'text' ||
        layer.kind === 'box' ||
        layer.kind === 'picture' ||
        layer.kind === 'programme' ||
        layer.kind === 'particles'
        ? `${round(box.width)} × ${round(box.height)} u`
        : `${round(layer.place.scaleX * 100)} %`;
  }
}
