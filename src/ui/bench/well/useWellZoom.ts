'use client';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { Point } from '@/core/kit/rect';
import { useKeys } from '../../shared/useKeys';

/** How the picture is zoomed; CSS px per design unit. */
export interface WellZoom {
  readonly scale: number;
  /** Whether it is as large as there is room for. */
  readonly fits: boolean;
  zoomIn(): void;
  zoomOut(): void;
  fit(): void;
}

const LEAST = 0.1;
const MOST = 8;
/** What is stepped to by keys and buttons. */
const STEPS = [0.1, 0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8];
const SCROLL_PX = 64;

interface Parts {
  /** What keys and buttons zoom about (design units); null for the middle of what is seen. */
  about(): Point | null;
  /** What scrolls. */
  readonly area: RefObject<HTMLElement | null>;
  /** The picture itself. */
  readonly picture: RefObject<HTMLElement | null>;
}

/** Zooms the picture by the wheel with Ctrl, by pinching, by keys and buttons; what is under the pointer stays there. */
export function useWellZoom({ area, picture, about }: Parts, fitting: number): WellZoom {
  const [own, setOwn] = useState<number | null>(null);
  const scale = own ?? Math.max(0.01, fitting);
  // A point of the picture (design units) and where on the screen it is to stay.
  const held = useRef<{ readonly unit: Point; readonly at: Point } | null>(null);
  const zoomTo = (next: number | null, at?: Point): void => {
    const bounds = picture.current?.getBoundingClientRect();
    const room = area.current?.getBoundingClientRect();
    if (bounds !== undefined && room !== undefined) {
      const still = at ?? { x: room.left + room.width / 2, y: room.top + room.height / 2 };
      const under = { x: (still.x - bounds.left) / scale, y: (still.y - bounds.top) / scale };
      held.current = { unit: at === undefined ? (about() ?? under) : under, at: still };
    }
    setOwn(next === null ? null : Math.min(MOST, Math.max(LEAST, next)));
  };
  useLayoutEffect(() => {
    const bounds = picture.current?.getBoundingClientRect();
    if (held.current === null || bounds === undefined) return;
    const { unit, at } = held.current;
    held.current = null;
    area.current?.scrollBy(bounds.left + unit.x * scale - at.x, bounds.top + unit.y * scale - at.y);
  }, [area, picture, scale]);
  useEffect(() => {
    const element = area.current;
    if (element === null) return;
    // React's own are passive, and the browser would zoom the page.
    const onWheel = (event: WheelEvent): void => {
      if (!event.ctrlKey && !event.metaKey) return;
      event.preventDefault();
      zoomTo(scale * Math.exp(-event.deltaY / 300), { x: event.clientX, y: event.clientY });
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  });
  const zoomIn = (): void => zoomTo(STEPS.find((step) => step > scale * 1.01) ?? MOST);
  const zoomOut = (): void => zoomTo(STEPS.findLast((step) => step < scale * 0.99) ?? LEAST);
  const fit = (): void => zoomTo(null);
  useKeys('equal, shift+equal, add', zoomIn);
  useKeys('minus, subtract', zoomOut);
  useKeys('0', fit);
  const scroll = (event: KeyboardEvent): void => {
    const [x, y] = SCROLLS[event.key] ?? [0, 0];
    area.current?.scrollBy(x * SCROLL_PX, y * SCROLL_PX);
  };
  useKeys('ctrl+arrowleft, ctrl+arrowright, ctrl+arrowup, ctrl+arrowdown', scroll, { preventDefault: true });
  return { scale, fits: own === null, zoomIn, zoomOut, fit };
}

const SCROLLS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
