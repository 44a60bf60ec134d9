'use client';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { useElementSize } from '../../picture/useElementSize';
import { HEAD_PX } from './stripView';

export interface StripZoom {
  readonly pxPerFrame: number;
  readonly widthPx: number;
  readonly fromFrame: number;
  readonly toFrame: number;
  /** Whether the strip has its width; before that nothing is drawn on it. */
  readonly ready: boolean;
  readonly atLeast: boolean;
  readonly atMost: boolean;
  zoomBy(factor: number, aroundFrame: number): void;
  fit(): void;
  /** Scrolls so that a frame is in view. */
  reveal(frame: number): void;
}

const MOST_PX_PER_FRAME = 24;
const STEP = 1.2;

/** The box that scrolls, and how much time the strip shows and from where; Ctrl and the wheel zoom about the pointer, the wheel alone scrolls. */
export function useStripZoom(frames: number): [RefObject<HTMLDivElement | null>, StripZoom] {
  const [box, { width: boxWidth }] = useElementSize<HTMLDivElement>();
  const room = Math.max(200, boxWidth - HEAD_PX);
  const least = room / frames;
  // null: as much as fits.
  const [wanted, setWanted] = useState<number | null>(null);
  const [scroll, setScroll] = useState(0);
  const hold = useRef<{ frame: number; atPx: number } | null>(null);
  const pxPerFrame = wanted === null ? least : Math.max(least, Math.min(MOST_PX_PER_FRAME, wanted));
  const zoomBy = (factor: number, aroundFrame: number): void => {
    const left = box.current?.scrollLeft ?? 0;
    hold.current = { frame: aroundFrame, atPx: aroundFrame * pxPerFrame - left };
    setWanted(Math.max(least, Math.min(MOST_PX_PER_FRAME, pxPerFrame * factor)));
  };
  useLayoutEffect(() => {
    const held = hold.current;
    hold.current = null;
    if (held === null || box.current === null) return;
    box.current.scrollTo({ left: held.frame * pxPerFrame - held.atPx });
  }, [box, pxPerFrame]);
  const latest = useRef({ zoomBy, pxPerFrame });
  useEffect(() => {
    latest.current = { zoomBy, pxPerFrame };
  });
  useEffect(() => {
    const element = box.current;
    if (element === null) return;
    const onScroll = (): void => setScroll(element.scrollLeft);
    const onWheel = (event: WheelEvent): void => {
      if (!event.ctrlKey && !event.metaKey) {
        if (event.deltaX !== 0 || element.scrollHeight > element.clientHeight) return;
        event.preventDefault();
        element.scrollLeft += event.deltaY;
        return;
      }
      event.preventDefault();
      const x = event.clientX - element.getBoundingClientRect().left - HEAD_PX + element.scrollLeft;
      latest.current.zoomBy(event.deltaY < 0 ? STEP : 1 / STEP, x / latest.current.pxPerFrame);
    };
    element.addEventListener('scroll', onScroll, { passive: true });
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => {
      element.removeEventListener('scroll', onScroll);
      element.removeEventListener('wheel', onWheel);
    };
  }, [box]);
  const zoom: StripZoom = {
    pxPerFrame,
    widthPx: frames * pxPerFrame,
    fromFrame: (scroll - 300) / pxPerFrame,
    toFrame: (scroll + boxWidth + 300) / pxPerFrame,
    ready: boxWidth > 0,
    atLeast: pxPerFrame <= least * 1.001,
    atMost: pxPerFrame >= MOST_PX_PER_FRAME,
    zoomBy,
    fit: () => setWanted(null),
    reveal(frame) {
      const element = box.current;
      if (element === null) return;
      const x = frame * pxPerFrame;
      if (x < element.scrollLeft || x > element.scrollLeft + room)
        element.scrollTo({ left: Math.max(0, x - room / 3) });
    },
  };
  return [box, zoom];
}
