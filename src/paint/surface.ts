import type { OutlineSink } from '@/core/display/outline';

/** A path object of the canvas implementation. */
export type SurfacePath = OutlineSink;

interface SurfaceGradient {
  addColorStop(offset: number, colour: string): void;
}

/**
 * The part of CanvasRenderingContext2D that painting needs. The browser's contexts and the server raster's
 * all fit it as they are.
 */
export interface SurfaceContext {
  globalAlpha: number;
  globalCompositeOperation: string;
  filter: string;
  lineWidth: number;
  lineJoin: string;
  fillStyle: unknown;
  strokeStyle: unknown;
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  save(): void;
  restore(): void;
  beginPath(): void;
  rect(x: number, y: number, width: number, height: number): void;
  clip(): void;
  clearRect(x: number, y: number, width: number, height: number): void;
  fillRect(x: number, y: number, width: number, height: number): void;
  fill(path: SurfacePath): void;
  stroke(path: SurfacePath): void;
  drawImage(image: SurfaceImage, x: number, y: number): void;
  drawImage(
    image: SurfaceImage,
    sx: number,
    sy: number,
    sWidth: number,
    sHeight: number,
    x: number,
    y: number,
    width: number,
    height: number,
  ): void;
  createConicGradient(startRadians: number, x: number, y: number): SurfaceGradient;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): SurfaceGradient;
  createRadialGradient(
    x0: number,
    y0: number,
    r0: number,
    x1: number,
    y1: number,
    r1: number,
  ): SurfaceGradient;
}

/** Anything that can be drawn on a context: a canvas or a decoded picture of the same implementation. */
type SurfaceImage = object;

/** A canvas for a part of the picture. */
export interface Surface {
  readonly image: SurfaceImage;
  readonly context: SurfaceContext;
  /** Its top left `width` × `height` pixels: straight-alpha RGBA, row by row. */
  readPixels(width: number, height: number): Uint8ClampedArray;
  /** Changes its top left `width` × `height` pixels in place: straight-alpha RGBA, row by row. */
  changePixels(width: number, height: number, change: (data: Uint8ClampedArray) => void): void;
}

/** What a canvas implementation offers the painter. */
export interface SurfaceMaker {
  /** A clear canvas, kept in main memory, of whole pixels. */
  surface(width: number, height: number): Surface;
  path(): SurfacePath;
  /** A decoded picture by asset id; null while it is not there. */
  picture(asset: string): SurfaceImage | null;
}
