import type { PictureSizes } from '@/core/layers/layerKind';

const loaded = new Map<string, ImageBitmap>();
const loading = new Map<string, Promise<void>>();

/** A decoded picture by asset id; null while it is not here. */
export function loadedPicture(asset: string): ImageBitmap | null {
  return loaded.get(asset) ?? null;
}

/** Fetches and decodes a picture once; rejects when there is none. */
export function loadPicture(asset: string): Promise<void> {
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

/** The sizes of the pictures that are here, as a new object. */
export function loadedSizes(): PictureSizes {
  return {
    size(asset) {
      const image = loaded.get(asset);
      return image && { widthPx: image.width, heightPx: image.height };
    },
  };
}
