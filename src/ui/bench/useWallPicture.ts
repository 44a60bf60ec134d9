'use client';
import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { WallRequest } from '@/workers/wallMessages';
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
export function useWallPicture(
  request: Omit<WallRequest, 'layout'>,
): [RefObject<HTMLCanvasElement | null>, readonly string[]] {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const { key, template, values, formatId, widthPx, seconds, timing } = request;
  const layout = useRef({ number: 0, template, values });
  useEffect(() => {
    const last = layout.current;
    if (last.template !== template || last.values !== values) {
      layout.current = { number: last.number + 1, template, values };
    }
    const asked = { key, template, values, formatId, widthPx, seconds, timing };
    wallPainter().ask({ ...asked, layout: String(layout.current.number) }, (reply) => {
      const words = reply.trouble.join('\n');
      setTrouble((now) => (now.join('\n') === words ? now : reply.trouble));
      const target = canvas.current;
      if (reply.bitmap === null || target === null) return;
      target.width = reply.bitmap.width;
      target.height = reply.bitmap.height;
      target.getContext('bitmaprenderer')?.transferFromImageBitmap(reply.bitmap);
      target.dataset.painted = String(Number(target.dataset.painted ?? 0) + 1);
    });
  }, [key, template, values, formatId, widthPx, seconds, timing]);
  return [canvas, trouble];
}
