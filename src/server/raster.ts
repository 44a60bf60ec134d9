import { createCanvas, loadImage, Path2D } from '@napi-rs/canvas';
import type { Image, SKRSContext2D } from '@napi-rs/canvas';
import type { PictureSizes } from '@/core/layers/layerKind';
import type { SurfaceMaker } from '@/paint/surface';

// Decoded pictures by asset id. An asset never changes, so one that is here stays right.
const loadedPictures = new Map<string, Image>();
const MOST_PICTURES = 64;

/** The sizes of the pictures that were loaded. */
export const serverPictures: PictureSizes = {
  size(asset) {
    const image = loadedPictures.get(asset);
    return image && { widthPx: image.width, heightPx: image.height };
  },
};

/** Decodes a picture, so that it can be painted and its size is known. */
export async function loadPicture(asset: string, bytes: Uint8Array): Promise<void> {
  if (loadedPictures.has(asset)) return;
  const [oldest] = loadedPictures.keys();
  if (loadedPictures.size >= MOST_PICTURES) loadedPictures.delete(oldest);
  loadedPictures.set(asset, await loadImage(bytes));
}

/** The server's canvases, in main memory. */
export const serverSurfaces: SurfaceMaker = {
  surface(width, height) {
    const image = createCanvas(width, height);
    const context = image.getContext('2d');
    return {
      image,
      context,
      changePixels(change) {
        const pixels = context.getImageData(0, 0, width, height);
        change(pixels.data);
        context.putImageData(pixels, 0, 0);
      },
    };
  },
  path: () => new Path2D(),
  picture: (asset) => loadedPictures.get(asset) ?? null,
};

/** A reusable frame of fixed size whose pixels can be read. */
export interface RasterFrame {
  readonly context: SKRSContext2D;
  /** Straight-alpha RGBA, as a fresh view. */
  readPixels(): Uint8ClampedArray;
}

/** Makes a frame of whole pixels. */
export function createRasterFrame(widthPx: number, heightPx: number): RasterFrame {
  const canvas = createCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  return { context, readPixels: () => context.getImageData(0, 0, widthPx, heightPx).data };
}
