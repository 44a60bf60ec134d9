'use client';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { DisplayList } from '@/core/display/list';
import { showsMoving } from '@/core/display/moving';
import { programmeAt } from '@/core/display/programme';
import type { FrameFormat } from '@/core/frame/formats';
import { Painter } from '@/paint/painter';
import { paintLimited } from '@/paint/paintLimited';
import { browserSurfaces, surfacesOver } from './browserSurfaces';
import type { Backdrop } from './paintBackdrop';
import { KeptBackdrop } from './paintBackdrop';
import { decodedFrames } from './movingStore';

interface Props {
  readonly format: FrameFormat;
  readonly backdrop: Backdrop;
  readonly backdropSeconds: number;
  /** The titles over it, furthest back first. */
  readonly lists: readonly DisplayList[];
  /** Paints what is kept of titles, in their stead. */
  readonly kept?: (context: CanvasRenderingContext2D) => void;
  /** The captions over those. */
  readonly captions?: readonly DisplayList[];
  /** Whether titles have their colours held to those of composite video. */
  readonly limited?: boolean;
  readonly label: string;
  readonly className?: string;
  /** Shown this wide; as wide as the class says when left out. */
  readonly widthCss?: number;
}

const NONE: readonly DisplayList[] = [];

/** The picture with its titles, painted by the same painter as the press uses. */
export function PictureCanvas({
  format,
  backdrop,
  backdropSeconds,
  lists,
  kept,
  captions = NONE,
  limited = false,
  label,
  className,
  widthCss,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const painted = useRef(0);
  const [{ painter, below }] = useState(() => {
    const made: Painter = new Painter(surfacesOver(() => under.painted));
    const under = new KeptBackdrop(made);
    return { painter: made, below: under };
  });
  const own = useMemo(
    () => (limited ? browserSurfaces.surface(format.widthPx, format.heightPx) : null),
    [limited, format],
  );
  // What shows a video is painted again when another frame of it came.
  const moves = useMemo(() => lists.some(({ items }) => showsMoving(items)), [lists]);
  const decoded = useStore(decodedFrames, (count) => (moves ? count : 0));
  // Before the screen is shown, or a drag would be seen a frame late.
  useLayoutEffect(() => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: true });
    if (!context) return;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, format.widthPx, format.heightPx);
    below.paint(context, backdrop, backdropSeconds, format);
    kept?.(context);
    // A layer whose time stands still shows the programme of this moment all the same, and nothing that was kept.
    const moment = painted.current++;
    const all = [...lists, ...captions].map((list) => programmeAt(list, moment));
    if (own === null) for (const list of all) painter.paint(context, list);
    else paintLimited(painter, context, all, own);
    // Said on the element, so that what waits for a picture need not guess.
    const { dataset } = context.canvas;
    dataset.painted = String(Number(dataset.painted ?? 0) + 1);
  }, [painter, below, format, backdrop, backdropSeconds, lists, kept, captions, own, decoded]);
  return (
    <canvas
      ref={canvas}
      width={format.widthPx}
      height={format.heightPx}
      role="img"
      aria-label={label}
      data-titles={lists.length}
      data-captions={captions.length}
      className={className}
      style={widthCss === undefined ? undefined : { width: widthCss }}
    />
  );
}
