import { createCanvas, loadImage, Path2D } from '@napi-rs/canvas';
import type { Canvas, Image, SKRSContext2D } from '@napi-rs/canvas';
import type { Rect } from '@/core/kit/rect';
import type { PictureSizes } from '@/core/layers/layerKind';
import type { SurfaceMaker } from '@/paint/surface';

/** Decoded pictures: they can be painted, and their sizes are known. */
export interface LoadedPictures extends PictureSizes {
  picture(asset: string): Image | null;
}

// An asset never changes, so the last few decoded serve the next title too. What a title holds is its own: it stays
// for as long as that title is painted, however many others come.
const recent = new Map<string, Image>();
const MOST_RECENT = 64;

/** Decodes pictures, given as files by asset id. Whoever holds the result has all of them. */
export async function decodePictures(files: ReadonlyMap<string, Uint8Array>): Promise<LoadedPictures> {
  const held = new Map<string, Image>();
  for (const [asset, bytes] of files) {
    const image = recent.get(asset) ?? (await loadImage(bytes));
    held.set(asset, image);
    recent.delete(asset);
    recent.set(asset, image);
    const [oldest] = recent.keys();
    if (recent.size > MOST_RECENT) recent.delete(oldest);
  }
  return {
    picture: (asset) => held.get(asset) ?? null,
    size(asset) {
      const image = held.get(asset);
      return image && { widthPx: image.width, heightPx: image.height };
    },
  };
}

/** The server's canvases, in main memory, with pictures to paint. */
export const surfacesWith = (pictures: { picture(asset: string): Image | Canvas | null }): SurfaceMaker => ({
  ...serverSurfaces,
  picture: (asset) => pictures.picture(asset),
});

/** The server's canvases, in main memory, without pictures. */
export const serverSurfaces: SurfaceMaker = {
  surface(width, height) {
    const image = createCanvas(width, height);
    const context = image.getContext('2d');
    return {
      image,
      context,
      readPixels: (across, down) => context.getImageData(0, 0, across, down).data,
      changePixels(across, down, change) {
        const pixels = context.getImageData(0, 0, across, down);
        change(pixels.data);
        context.putImageData(pixels, 0, 0);
      },
    };
  },
  path: () => new Path2D(),
  picture: () => null,
};

/** A reusable frame of fixed size whose pixels can be read. */
export interface RasterFrame {
  readonly context: SKRSContext2D;
  /** Empties it, to begin anew. */
  clear(): void;
  /** Straight-alpha RGBA of an area (whole px), or of all; of its own. */
  readPixels(area?: Rect): Uint8ClampedArray;
}

/** Makes a frame of whole pixels. */
export function createRasterFrame(widthPx: number, heightPx: number): RasterFrame {
  const canvas = createCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  const all = { x: 0, y: 0, width: widthPx, height: heightPx };
  return {
    context,
    // A canvas that was read copies all of itself at the next change, however small; a new one has nothing to copy.
    clear: () => void (canvas.width = widthPx),
    readPixels: ({ x, y, width, height } = all) => context.getImageData(x, y, width, height).data,
  };
}
