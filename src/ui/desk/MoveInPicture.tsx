'use client';
import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import type { FrameFormat } from '@/core/frame/formats';
import { pictureSize } from '@/core/frame/formats';
import { safeArea } from '@/core/frame/safeAreas';
import type { Rect } from '@/core/kit/rect';
import { unionRects } from '@/core/kit/rect';
import type { Shift, Title } from '@/core/model/project';
import { withShift } from '@/core/project/deliver';
import type { SnapLine } from '@/core/project/moveInPicture';
import { moveInPicture } from '@/core/project/moveInPicture';
import type { CompiledTitle } from '@/core/timeline/compile';
import { useOnlyHere } from './card/onlyHere';
import { useDelivery, useDesk, useDeskUi, useSelect } from './deskContext';

interface Props {
  /** The titles in the picture, furthest back first, as the delivery has them, laid out. */
  readonly shown: readonly { readonly title: Title; readonly compiled: CompiledTitle }[];
  readonly format: FrameFormat;
  /** CSS pixels of a design unit. */
  readonly pxPerU: number;
}

const REACH_PX = 6;
const NO_SHIFT: Shift = { dxU: 0, dyU: 0 };

interface Drag {
  readonly titleId: string;
  readonly box: Rect;
  readonly before: Shift;
  readonly x: number;
  readonly y: number;
}

/**
 * Titles are moved in the picture by hand: pressed they are chosen, dragged they go along and are caught by the middle and
 * by title safe (Alt holds that off), Escape brings them back. It counts in the shown delivery alone where the card says so.
 */
export function MoveInPicture({ shown, format, pxPerU }: Props) {
  const { store } = useDesk();
  const delivery = useDelivery();
  const { onlyHere } = useOnlyHere();
  const select = useSelect();
  const selection = useDeskUi((ui) => ui.selection);
  const snapsOn = useDeskUi((ui) => ui.snaps);
  const drag = useRef<Drag | null>(null);
  const [lines, setLines] = useState<readonly SnapLine[] | null>(null);
  const { widthU, heightU } = pictureSize(format);
  const put = (titleId: string, shift: Shift): void =>
    store
      .getState()
      .apply((titles) =>
        titles.map((title) =>
          title.id === titleId ? withShift(title, delivery.id, shift, onlyHere) : title,
        ),
      );
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    store.grouping.end();
    setLines(null);
  };
  const press = (event: PointerEvent<SVGRectElement>, title: Title, box: Rect): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    if (!selection.includes(title.id)) select(title.id);
    store.grouping.begin();
    drag.current = {
      titleId: title.id,
      box,
      before: title.shift ?? NO_SHIFT,
      x: event.clientX,
      y: event.clientY,
    };
  };
  const move = (event: PointerEvent): void => {
    const held = drag.current;
    if (held === null) return;
    const by = { dxU: (event.clientX - held.x) / pxPerU, dyU: (event.clientY - held.y) / pxPerU };
    // A hand that only presses moves a little.
    if (lines === null && Math.hypot(by.dxU, by.dyU) * pxPerU < 4) return;
    const moved = moveInPicture(held.before, by, {
      box: held.box,
      frame: { x: 0, y: 0, width: widthU, height: heightU },
      safe: safeArea(format, 'titleSafe'),
      reachU: snapsOn && !event.altKey ? REACH_PX / pxPerU : 0,
    });
    setLines(moved.lines);
    put(held.titleId, moved.shift);
  };
  return (
    <g
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || drag.current === null) return;
        put(drag.current.titleId, drag.current.before);
        end();
      }}
    >
      {shown.map(({ title, compiled }) => {
        const box = unionRects([...compiled.boxes.values()]);
        if (box === null) return null;
        const chosen = selection.includes(title.id);
        return (
          <rect
            key={title.id}
            {...box}
            data-move={title.id}
            tabIndex={-1}
            fill="transparent"
            stroke={chosen ? '#d9b45a' : 'none'}
            strokeWidth={1.5 / pxPerU}
            className="pointer-events-auto cursor-move touch-none outline-none"
            onPointerDown={(event) => press(event, title, box)}
            onPointerMove={move}
            onPointerUp={end}
            onPointerCancel={end}
          />
        );
      })}
      {(lines ?? []).map(({ axis, at }) => (
        <line
          key={axis}
          {...(axis === 'x' ? { x1: at, x2: at, y1: 0, y2: heightU } : { x1: 0, x2: widthU, y1: at, y2: at })}
          stroke="#d9b45a"
          strokeWidth={1 / pxPerU}
        />
      ))}
    </g>
  );
}
