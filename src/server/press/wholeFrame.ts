import type { FrameFormat } from '@/core/frame/formats';
import type { Rect } from '@/core/kit/rect';
import { containsRect } from '@/core/kit/rect';
import type { Plane } from '@/core/outputs/output';
import { FrameRing } from './frameRing';
import type { PaintedArea } from './paintedPicture';
import type { Pixels } from './pictures/picture';
import { toPlane } from './planes';
import type { RenderTask } from './renderTask';

/** The pixels of a whole frame, in which one picture is put after another: only what changes is written. */
class WholeFrame {
  private readonly stride: number;
  private readonly empty: Pixels;
  private shown: Rect | null = null;

  /** `nothing`: the four channels of a pixel where nothing is seen. */
  constructor(
    readonly pixels: Pixels,
    { widthPx, heightPx }: FrameFormat,
    nothing: Pixels,
  ) {
    this.stride = widthPx * 4;
    this.empty = pixels.slice(0, this.stride);
    for (let at = 0; at < this.stride; at += 4) this.empty.set(nothing, at);
    for (let y = 0; y < heightPx; y++) pixels.set(this.empty, y * this.stride);
  }

  /** Puts a picture in the place of the last one. */
  show({ area, pixels }: PaintedArea): void {
    if (this.shown !== null && !containsRect(area, this.shown)) this.forget(this.shown);
    const length = area.width * 4;
    for (let y = 0; y < area.height; y++)
      this.pixels.set(pixels.subarray(y * length, (y + 1) * length), this.at(area, y));
    this.shown = area;
  }

  private forget(area: Rect): void {
    const row = this.empty.subarray(0, area.width * 4);
    for (let y = 0; y < area.height; y++) this.pixels.set(row, this.at(area, y));
  }

  private at(area: Rect, y: number): number {
    return (area.y + y) * this.stride + area.x * 4;
  }
}

/** What of a task says how its frames lie in memory. */
type Shown = Pick<RenderTask, 'ring' | 'frames' | 'shades' | 'limited' | 'studio'>;

/** Puts pictures into whole frames: those for an encoder right into the slot (or none) that it reads. */
export function wholeFrames(
  { ring: memory, frames, shades, limited, studio }: Shown,
  format: FrameFormat,
  plane: Plane,
): (slot: number | null, picture: PaintedArea) => Pixels {
  const ring = new FrameRing(memory);
  const pixelsIn = (buffer: ArrayBufferLike, offset: number, length: number): Pixels =>
    shades === 'deep'
      ? new Uint16Array(buffer, offset, length)
      : new Uint8ClampedArray(buffer, offset, length);
  const fresh = (length: number): Pixels =>
    pixelsIn(new ArrayBuffer(length * (shades === 'deep' ? 2 : 1)), 0, length);
  const length = format.widthPx * format.heightPx * 4;
  const nothing = fresh(4);
  toPlane(nothing, plane, { widthPx: 1, heightPx: 1, coded: frames === 'rgba', limited, studio });
  const own = new Map<number | null, WholeFrame>();
  const made = (slot: number | null): WholeFrame => {
    if (slot === null) return new WholeFrame(fresh(length), format, nothing);
    const { buffer, byteOffset } = ring.bytes(slot);
    return new WholeFrame(pixelsIn(buffer, byteOffset, length), format, nothing);
  };
  return (slot, picture) => {
    const place = frames === 'rgba' ? slot : null;
    const frame = own.get(place) ?? made(place);
    own.set(place, frame);
    frame.show(picture);
    return frame.pixels;
  };
}
