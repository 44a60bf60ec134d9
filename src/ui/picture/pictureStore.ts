import { movingMoment, videoId } from '@/core/display/moving';
import type { PictureSizes } from '@/core/layers/layerKind';
import { movingPicture, movingSizeOf, openMoving } from './movingStore';
import type { VideoFrameImage } from './videoStore';

const loaded = new Map<string, ImageBitmap>();
const loading = new Map<string, Promise<void>>();

/** A decoded picture by what display lists call it; null while it is not here. */
export function loadedPicture(asset: string): ImageBitmap | VideoFrameImage | null {
  const moment = movingMoment(asset);
  return moment === null ? (loaded.get(asset) ?? null) : movingPicture(moment);
}

/** Whether all of a picture is here, or of a video its beginning; by what documents call it. */
export function isLoaded(picture: string): boolean {
  const id = videoId(picture);
  return id === null ? loaded.has(picture) : movingSizeOf(id) !== undefined;
}

/** Fetches and decodes a picture once, or opens a video; rejects when there is none. By what documents call it. */
export function loadPicture(asset: string): Promise<void> {
  const id = videoId(asset);
  if (id !== null) return openMoving(id);
  const known = loading.get(asset);
  if (known !== undefined) return known;
  const started = fetchPicture(asset);
  loading.set(asset, started);
  started.catch(() => loading.delete(asset));
  return started;
}

function fetchPicture(asset: string): Promise<void> {
  return fetch(`/api/assets/${encodeURIComponent(asset)}`)
    .then((response) => (response.ok ? response.blob() : Promise.reject(new Error('gone'))))
    .then((blob) => createImageBitmap(blob, { colorSpaceConversion: 'none' }))
    .then((image) => void loaded.set(asset, image));
}

/** The sizes of the pictures that are here, as a new object. */
export function loadedSizes(): PictureSizes {
  return {
    size(asset) {
      const id = videoId(asset);
      if (id !== null) return movingSizeOf(id);
      const image = loaded.get(asset);
      return image && { widthPx: image.width, heightPx: image.height };
    },
  };
}
