'use client';
import { useEffect, useState } from 'react';
import type { PictureSizes } from '@/core/layers/layerKind';

const loaded = new Map<string, ImageBitmap>();
const loading = new Map<string, Promise<void>>();

/** A decoded picture by asset id; null while it is not here. */
export function loadedPicture(asset: string): ImageBitmap | null {
  return loaded.get(asset) ?? null;
}

function load(asset: string): Promise<void> {
  const known = loading.get(asset);
  if (known !== undefined) return known;
  const started = fetch(`/api/assets/${encodeURIComponent(asset)}`)
    .then((response) => (response.ok ? response.blob() : Promise.reject(new Error('gone'))))
    .then((blob) => createImageBitmap(blob, { colorSpaceConversion: 'none' }))
    .then((image) => void loaded.set(asset, image));
  loading.set(asset, started);
  started.catch(() => loading.delete(asset));
  return started;
}

/** The sizes of pictures, as far as they are here; a new object each time another one has come. */
export function usePictures(ids: readonly string[]): PictureSizes {
  const key = ids.join(' ');
  const [sizes, setSizes] = useState<PictureSizes>(currentSizes);
  useEffect(() => {
    let current = true;
    const missing = key.split(' ').filter((id) => id !== '' && !loaded.has(id));
    for (const id of missing) {
      load(id).then(
        () => current && setSizes(currentSizes()),
        () => undefined,
      );
    }
    return () => {
      current = false;
    };
  }, [key]);
  return sizes;
}

function currentSizes(): PictureSizes {
  return {
    size(asset) {
      const image = loaded.get(asset);
      return image && { widthPx: image.width, heightPx: image.height };
    },
  };
}
