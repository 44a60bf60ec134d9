'use client';
import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { sameValue } from '@/core/kit/sameValue';
import type { WallWish } from './wallPainter';
import { WallPainter } from './wallPainter';

let painter: WallPainter | null = null;

function wallPainter(): WallPainter {
  painter ??= new WallPainter(new Worker(new URL('../../workers/wallWorker.ts', import.meta.url)));
  return painter;
}

/**
 * A canvas that shows a picture of the wall, painted by a worker, and what is wrong in its layout. The picture
 * before stays until the next has come.
 */
export function useWallPicture(wish: WallWish): [RefObject<HTMLCanvasElement | null>, readonly string[]] {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const { formatId, template, values, widthPx, seconds, timing } = wish;
  useEffect(() => {
    wallPainter().ask({ formatId, template, values, widthPx, seconds, timing }, (reply) => {
      setTrouble((now) => (sameValue(now, reply.trouble) ? now : reply.trouble));
      if (reply.bitmap !== null && canvas.current !== null) show(reply.bitmap, canvas.current);
    });
  }, [formatId, template, values, widthPx, seconds, timing]);
  return [canvas, trouble];
}

function show(bitmap: ImageBitmap, canvas: HTMLCanvasElement): void {
  // Setting a size clears a canvas, also when it is the same.
  if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
  if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  canvas.dataset.painted = String(Number(canvas.dataset.painted ?? 0) + 1);
}
