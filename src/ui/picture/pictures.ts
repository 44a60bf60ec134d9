'use client';
import { useEffect, useState } from 'react';
import type { PictureSizes } from '@/core/layers/layerKind';
import { isLoaded, loadedSizes, loadPicture } from './pictureStore';

/** The sizes of pictures, as far as they are here; a new object each time another one has come. */
export function usePictures(ids: readonly string[]): PictureSizes {
  const key = ids.join(' ');
  const [sizes, setSizes] = useState<PictureSizes>(loadedSizes);
  useEffect(() => {
    let current = true;
    const missing = key.split(' ').filter((id) => id !== '' && !isLoaded(id));
    for (const id of missing) {
      loadPicture(id).then(
        () => current && setSizes(loadedSizes()),
        () => undefined,
      );
    }
    return () => {
      current = false;
    };
  }, [key]);
  return sizes;
}
