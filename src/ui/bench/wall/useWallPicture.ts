'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { FieldValues, Template } from '@/core/model/template';
import { sameValue } from '@/core/kit/sameValue';
import type { WallReply } from '@/workers/wallMessages';
import { onFonts } from '../../picture/fontStore';
import { useBench } from '../state/benchStore';
import type { WallWish } from './wallPainter';
import { WallPainter } from './wallPainter';

let painter: WallPainter | null = null;

function wallPainter(): WallPainter {
  if (painter === null) {
    const made = new WallPainter(new Worker(new URL('../../../workers/wallWorker.ts', import.meta.url)));
    onFonts(() => made.again());
    painter = made;
  }
  return painter;
}

/**
 * A canvas that shows a picture of the wall, painted by a worker, and what is wrong in its layout. The picture
 * before stays until the next has come.
 */
export function useWallPicture(wish: WallWish): [RefObject<HTMLCanvasElement | null>, readonly string[]] {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const { formatId, template, values, widthPx, seconds, timing, language } = wish;
  const take = useCallback((reply: WallReply) => {
    setTrouble((now) => (sameValue(now, reply.trouble) ? now : reply.trouble));
    if (reply.bitmap !== null && canvas.current !== null) show(reply.bitmap, canvas.current);
  }, []);
  useEffect(() => {
    wallPainter().ask({ formatId, template, values, widthPx, seconds, timing, language }, take);
  }, [formatId, template, values, widthPx, seconds, timing, language, take]);
  useEffect(() => () => wallPainter().leave(formatId), [formatId]);
  return [canvas, trouble];
}

/** Has the wall's pictures asked for as soon as the template changes, while the rest of the bench is drawn again. */
export function useWallFollows(
  shownOf: (template: Template) => Template,
  valuesOf: (template: Template) => FieldValues,
): void {
  const { store } = useBench();
  useEffect(
    () => store.subscribe(({ template }) => wallPainter().follow(shownOf(template), valuesOf(template))),
    [store, shownOf, valuesOf],
  );
}

function show(bitmap: ImageBitmap, canvas: HTMLCanvasElement): void {
  // Setting a size clears a canvas, also when it is the same.
  if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
  if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  canvas.dataset.painted = String(Number(canvas.dataset.painted ?? 0) + 1);
}
