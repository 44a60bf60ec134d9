import { createCanvas, Path2D } from '@napi-rs/canvas';
import type { SKRSContext2D } from '@napi-rs/canvas';
import type { SurfaceMaker } from '@/paint/surface';

/** The server's canvases, in main memory. */
export const serverSurfaces: SurfaceMaker = {
  surface(width, height) {
    const image = createCanvas(width, height);
    return { image, context: image.getContext('2d') };
  },
  path: () => new Path2D(),
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
