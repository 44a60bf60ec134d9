import type { DisplayItem } from '../display/list';
import type { Rect } from '../kit/rect';
import type { FrameFormat } from '../frame/formats';

/** Pixels in rows: red, green, blue and alpha of 0 to 255, alpha straight. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A picture of what lies under titles, opaque. */
export interface BackdropFrame extends Pixels {
  /** How much of it a format shows: the whole where its proportions are the same, else its middle. */
  readonly aspect: number;
}

/** What looks at pictures for checks; the core says what it wants to see and never paints itself. */
export interface Eyes {
  /** Waits until what videos within items show can be painted. */
  ready(items: readonly DisplayItem[]): Promise<void>;
  /** Items painted over nothing, cut to whole pixels. */
  paint(items: readonly DisplayItem[], crop: Rect): Pixels;
  /** A clip's picture at a time of its own; null for one that is not here. */
  backdrop(picture: string, seconds: number): Promise<BackdropFrame | null>;
  /** Whether a clip's picture can be looked at at all; only what has to be decoded is looked at for it. */
  has(picture: string, seconds: number): Promise<boolean>;
}

/**
 * Where a point of a format's picture (shares of its width and height) lies in a picture under it, which fills the
 * format and is cut, never stretched; in pixels of that picture.
 */
export function backdropPoint(
  frame: BackdropFrame,
  format: { readonly aspect: number },
  x: number,
  y: number,
): { readonly x: number; readonly y: number } {
  const wider = frame.aspect > format.aspect;
  const across = wider ? format.aspect / frame.aspect : 1;
  const down = wider ? 1 : frame.aspect / format.aspect;
  return {
    x: Math.min(frame.width - 1, Math.max(0, Math.floor((0.5 + (x - 0.5) * across) * frame.width))),
    y: Math.min(frame.height - 1, Math.max(0, Math.floor((0.5 + (y - 0.5) * down) * frame.height))),
  };
}

/** The proportions of a format as it is shown. */
export function displayAspect(format: FrameFormat): number {
  return (format.activeWidthPx * format.pixelAspect.across) / format.pixelAspect.down / format.heightPx;
}
