'use client';
import { useEffect, useMemo, useState } from 'react';
import type { FrameFormat } from '@/core/layout/formats';
import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import type { Painter } from '@/paint/painter';

/** What lies under a title: a stand-in scene or an uploaded still. */
export type Backdrop =
  | { readonly kind: 'scene'; readonly scene: string }
  | { readonly kind: 'still'; readonly image: ImageBitmap | null }
  | { readonly kind: 'plain'; readonly colour: string };

const ASSET_PREFIX = 'asset:';

/** Paints a backdrop so that it fills the picture; a still is cut, never stretched. */
export function paintBackdrop(
  painter: Painter,
  context: CanvasRenderingContext2D,
  backdrop: Backdrop,
  seconds: number,
  format: FrameFormat,
): void {
  if (backdrop.kind === 'scene') {
    const scene = SCENES.find(backdrop.scene) ?? SCENES.list[0];
    painter.paint(context, { ...format, items: sceneItems(scene, seconds, format) });
    return;
  }
  if (backdrop.kind === 'plain') {
    context.fillStyle = backdrop.colour;
    context.fillRect(0, 0, format.widthPx, format.heightPx);
    return;
  }
  const { image } = backdrop;
  if (image === null) return;
  const scale = Math.max(format.widthPx / image.width, format.heightPx / image.height);
  const width = image.width * scale;
  const height = image.height * scale;
  context.drawImage(image, (format.widthPx - width) / 2, (format.heightPx - height) / 2, width, height);
}

/** The backdrop with a given id: a scene's, or `asset:` and the id of an uploaded picture. */
export function useBackdrop(id: string): Backdrop {
  const [still, setStill] = useState<{ readonly id: string; readonly image: ImageBitmap } | null>(null);
  const isAsset = id.startsWith(ASSET_PREFIX);
  useEffect(() => {
    if (!isAsset) return;
    let current = true;
    fetch(`/api/assets/${id.slice(ASSET_PREFIX.length)}`)
      .then((response) => (response.ok ? response.blob() : Promise.reject(new Error('gone'))))
      .then((blob) => createImageBitmap(blob))
      .then(
        (image) => current && setStill({ id, image }),
        () => undefined,
      );
    return () => {
      current = false;
    };
  }, [id, isAsset]);
  const image = still?.id === id ? still.image : null;
  return useMemo(() => {
    if (id.startsWith('#')) return { kind: 'plain', colour: id };
    return isAsset ? { kind: 'still', image } : { kind: 'scene', scene: id };
  }, [isAsset, image, id]);
}
