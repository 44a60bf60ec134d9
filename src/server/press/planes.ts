import type { Plane } from '@/core/outputs';
import type { JobContent } from '@/db/schema';
import { bleedColour } from './bleed';

/** What the pixels of a job's file are. Jobs from before there was a choice say nothing. */
export function planeOf(content: JobContent): Plane {
  if (content.plane !== undefined) return content.plane;
  return 'ground' in content && content.ground !== undefined ? 'opaque' : 'straight';
}

/** What a pixel's 255 steps are multiplied by, for each alpha: rounded to the nearest step. */
const times = (value: number, alpha: number): number => ((value * alpha + 127) / 255) | 0;

/**
 * Turns straight-alpha RGBA, in place, into the pixels that a file has. `coded`: whether colour will be shared between
 * neighbours, so that straight colour has to go on under edges.
 */
export function toPlane(
  pixels: Uint8ClampedArray,
  plane: Plane,
  {
    widthPx,
    heightPx,
    coded,
  }: { readonly widthPx: number; readonly heightPx: number; readonly coded: boolean },
): void {
  switch (plane) {
    case 'opaque':
      return;
    case 'straight':
      if (coded) bleedColour(pixels, widthPx, heightPx);
      return;
    case 'premultiplied':
      return premultiply(pixels, false);
    case 'shapedFill':
      return premultiply(pixels, true);
    case 'fill':
      bleedColour(pixels, widthPx, heightPx);
      return makeOpaque(pixels);
    case 'key':
      return toKey(pixels);
  }
}

function premultiply(pixels: Uint8ClampedArray, opaque: boolean): void {
  for (let at = 0; at < pixels.length; at += 4) {
    const alpha = pixels[at + 3];
    if (alpha < 255)
      for (let channel = 0; channel < 3; channel++) pixels[at + channel] = times(pixels[at + channel], alpha);
    if (opaque) pixels[at + 3] = 255;
  }
}

function makeOpaque(pixels: Uint8ClampedArray): void {
  for (let at = 3; at < pixels.length; at += 4) pixels[at] = 255;
}

function toKey(pixels: Uint8ClampedArray): void {
  for (let at = 0; at < pixels.length; at += 4) {
    const alpha = pixels[at + 3];
    pixels[at] = alpha;
    pixels[at + 1] = alpha;
    pixels[at + 2] = alpha;
    pixels[at + 3] = 255;
  }
}
