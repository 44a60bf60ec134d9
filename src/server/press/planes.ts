import { limitToComposite, toStudioLevels } from '@/core/colour/gamut';
import type { Plane } from '@/core/outputs/output';
import type { JobContent } from '@/db/schema';
import { bleedColour, REACH_PX } from './bleed';
import type { Pixels } from './pictures/picture';
import { isDeep } from './pictures/picture';

/** What the pixels of a job's file are. Jobs from before there was a choice say nothing. */
export function planeOf(content: JobContent): Plane {
  if (content.plane !== undefined) return content.plane;
  return 'ground' in content && content.ground !== undefined ? 'opaque' : 'straight';
}

/** The largest value of a channel. */
const fullOf = (pixels: Pixels): number => (isDeep(pixels) ? 65_535 : 255);

/** How far (px) the pixels of a file go on round what is seen. */
export function reachOf(plane: Plane, coded: boolean): number {
  return plane === 'fill' || (plane === 'straight' && coded) ? REACH_PX : 0;
}

interface PlaneOf {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Whether colour will be shared between neighbours, so that straight colour has to go on under edges. */
  readonly coded: boolean;
  /** Whether colours are held to those of composite video. */
  readonly limited?: boolean;
  /** Whether black lies at 16 and white at 235. */
  readonly studio?: boolean;
}

/** Turns straight-alpha RGBA, in place, into the pixels that a file has. */
export function toPlane(pixels: Pixels, plane: Plane, picture: PlaneOf): void {
  const full = fullOf(pixels);
  if (picture.limited === true) limitToComposite(pixels, full);
  // Multiplied by alpha, black is not where it was.
  const isFirst = plane === 'premultiplied';
  if (picture.studio === true && isFirst) toStudioLevels(pixels, full);
  shapePlane(pixels, plane, picture);
  if (picture.studio === true && !isFirst) toStudioLevels(pixels, full);
}

function shapePlane(pixels: Pixels, plane: Plane, { widthPx, heightPx, coded }: PlaneOf): void {
  switch (plane) {
    case 'opaque':
      return;
    // Turned into light where it is written.
    case 'linear':
      return;
    case 'straight':
      if (coded) bleed(pixels, widthPx, heightPx);
      return;
    case 'premultiplied':
      return premultiply(pixels, false);
    case 'shapedFill':
      return premultiply(pixels, true);
    case 'fill':
      bleed(pixels, widthPx, heightPx);
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

/** Lets colour go on under what is not seen. */
function bleed(pixels: Pixels, widthPx: number, heightPx: number): void {
  if (!isDeep(pixels)) return bleedColour(pixels, widthPx, heightPx);
  // Nobody sees it, so eight bits are enough for it; what is seen at all stays.
  const coarse = new Uint8ClampedArray(pixels.length);
  for (let at = 0; at < pixels.length; at += 4) {
    if (pixels[at + 3] === 0) continue;
    for (let channel = 0; channel < 3; channel++) coarse[at + channel] = pixels[at + channel] >> 8;
    coarse[at + 3] = Math.max(1, pixels[at + 3] >> 8);
  }
  bleedColour(coarse, widthPx, heightPx);
  for (let at = 0; at < pixels.length; at += 4)
    if (pixels[at + 3] === 0)
      for (let channel = 0; channel < 3; channel++) pixels[at + channel] = coarse[at + channel] * 257;
}
