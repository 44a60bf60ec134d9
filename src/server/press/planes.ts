import { limitToComposite, toStudioLevels } from '@/core/colour/gamut';
import type { Plane } from '@/core/outputs/output';
import type { JobContent } from '@/db/schema';
import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';

/** What the pixels of a job's file are. Jobs from before there was a choice say nothing. */
export function planeOf(content: JobContent): Plane {
  if (content.plane !== undefined) return content.plane;
  return 'ground' in content && content.ground !== undefined ? 'opaque' : 'straight';
}

/** The largest value of a channel. */
const fullOf = (pixels: Pixels): number => (isDeep(pixels) ? 65_535 : 255);

/** Whether colour goes on under what is not seen: where straight colour is shared between neighbours, or alpha is elsewhere. */
export function needsBleed(plane: Plane, coded: boolean): boolean {
  return plane === 'fill' || (plane === 'straight' && coded);
}

/** What a delivery asks of colours. */
export interface Levels {
  /** Whether colours are held to those of composite video. */
  readonly limited?: boolean;
  /** Whether black lies at 16 and white at 235. */
  readonly studio?: boolean;
}

/** Holds colours of straight-alpha RGBA, in place, to what a delivery asks for, before any goes on under edges. */
export function limitColours(pixels: Pixels, { limited }: Levels): void {
  if (limited === true) limitToComposite(pixels, fullOf(pixels));
}

/** Turns straight-alpha RGBA, in place, into the pixels that a file has. */
export function toPlane(pixels: Pixels, plane: Plane, { studio }: Levels): void {
  // Multiplied by alpha, black is not where it was.
  const isFirst = plane === 'premultiplied';
  if (studio === true && isFirst) toStudioLevels(pixels, fullOf(pixels));
  shapePlane(pixels, plane);
  if (studio === true && !isFirst) toStudioLevels(pixels, fullOf(pixels));
}

function shapePlane(pixels: Pixels, plane: Plane): void {
  switch (plane) {
    case 'opaque':
    case 'straight':
      return;
    // Turned into light where it is written.
    case 'linear':
      return;
    case 'premultiplied':
      return premultiply(pixels, false);
    case 'shapedFill':
      return premultiply(pixels, true);
    case 'fill':
      return makeOpaque(pixels);
    case 'key':
      return toKey(pixels);
  }
}

function premultiply(pixels: Pixels, opaque: boolean): void {
  const full = fullOf(pixels);
  for (let at = 0; at < pixels.length; at += 4) {
    const alpha = pixels[at + 3];
    if (alpha < full)
      for (let channel = 0; channel < 3; channel++)
        // To the nearest step.
        pixels[at + channel] = Math.floor((pixels[at + channel] * alpha + (full >> 1)) / full);
    if (opaque) pixels[at + 3] = full;
  }
}

function makeOpaque(pixels: Pixels): void {
  const full = fullOf(pixels);
  for (let at = 3; at < pixels.length; at += 4) pixels[at] = full;
}

function toKey(pixels: Pixels): void {
  const full = fullOf(pixels);
  for (let at = 0; at < pixels.length; at += 4) {
    const alpha = pixels[at + 3];
    pixels[at] = alpha;
    pixels[at + 1] = alpha;
    pixels[at + 2] = alpha;
    pixels[at + 3] = full;
  }
}
