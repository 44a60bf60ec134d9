import type { FrameFormat } from '@/core/frame/formats';
import type { Plane } from '@/core/outputs/output';

/** Pixels as they were painted: RGBA of 8 or 16 bits a channel, row by row. */
export type Pixels = Uint8ClampedArray | Uint16Array;

/** Whether pixels have 16 bits a channel. By their size, since those of another thread can be of another class. */
export function isDeep(pixels: Pixels | Uint8Array): pixels is Uint16Array {
  return pixels.BYTES_PER_ELEMENT === 2;
}

/** A frame that is to become a file of its own. */
export interface PaintedPicture {
  readonly pixels: Pixels;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixelAspect: FrameFormat['pixelAspect'];
  readonly plane: Plane;
  /** Whether black is at 16 and white at 235. */
  readonly studio?: boolean;
}
