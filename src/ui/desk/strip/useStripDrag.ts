'use client';
import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import { useDesk } from '../deskContext';
import type { Grip } from './stripDrag';
import { gripAt } from './stripDrag';
import { useStrip } from './stripView';

/** How far a drag has come from where it began. */
interface StripMove<Held> {
  readonly held: Held;
  readonly grip: Grip;
  readonly dxPx: number;
  readonly dyPx: number;
  /** Whether it may stop at lines: the switch is on and Alt is not held. */
  readonly snaps: boolean;
}

interface DragActions<Held> {
  /** What is dragged, as it is when the drag begins; null when the press was for something else. */
  begin(event: PointerEvent<HTMLElement>): Held | null;
  /** Moves it; gives what to say of it. */
  move(move: StripMove<Held>): string;
  /** Chooses it from the keyboard; a pointer has chosen it already. */
  choose(): void;
}

/** Dragging something on the strip by its middle or an end, one step to undo however long it takes. */
export function useStripDrag<Held>({ begin, move, choose }: DragActions<Held>) {
  const { store, ui } = useDesk();
  const { onSnap } = useStrip();
  const drag = useRef<{ x: number; y: number; grip: Grip; held: Held } | null>(null);
  const [says, setSays] = useState('');
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    store.grouping.end();
    setSays('');
    onSnap(null);
  };
  return {
    says,
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      if (event.button !== 0) return;
      const held = begin(event);
      if (held === null) return;
      const grip = gripAt(event.clientX, event.currentTarget.getBoundingClientRect());
      event.currentTarget.setPointerCapture(event.pointerId);
      store.grouping.begin();
      drag.current = { x: event.clientX, y: event.clientY, grip, held };
    },
    onPointerMove: (event: PointerEvent): void => {
      if (drag.current === null) return;
      const { x, y, grip, held } = drag.current;
      const snaps = ui.getState().snaps && !event.altKey;
      setSays(move({ held, grip, dxPx: event.clientX - x, dyPx: event.clientY - y, snaps }));
    },
    onPointerUp: end,
    onPointerCancel: end,
    onClick: (event: React.MouseEvent): void => {
      if (event.detail === 0) choose();
    },
  };
}
