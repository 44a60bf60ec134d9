import type { FineLayer } from './fineLayer';

/** A layer as straight-alpha RGBA of 16 bits a channel, row by row. */
export function toSixteenBits({ planes }: FineLayer): Uint16Array {
  const [, , , alpha] = planes;
  const out = new Uint16Array(alpha.length * 4);
  for (let at = 0; at < alpha.length; at++) {
    const a = alpha[at];
    if (a === 0) continue;
    for (let i = 0; i < 3; i++) out[at * 4 + i] = Math.round(Math.min(1, planes[i][at] / a) * 65535);
    out[at * 4 + 3] = Math.round(Math.min(1, a) * 65535);
  }
  return out;
}

// A little under half a step, so that what is a whole step already stays as it is.
const DITHER_STEPS = 0.49;

/**
 * A layer as straight-alpha RGBA of 8 bits a channel. What lies between two steps falls on one or the other by where
 * it is, so that slow gradients show no bands; flat colours of eight bits stay exact, and what is at rest is the same
 * in every frame.
 */
export function toEightBits({ area, planes }: FineLayer): Uint8ClampedArray {
  const [, , , alpha] = planes;
  const out = new Uint8ClampedArray(alpha.length * 4);
  for (let at = 0; at < alpha.length; at++) {
    const a = alpha[at];
    if (a === 0) continue;
    const y = Math.floor(at / area.width);
    const by = (noiseAt(area.x + at - y * area.width, area.y + y) - 0.5) * 2 * DITHER_STEPS;
    for (let i = 0; i < 3; i++) out[at * 4 + i] = Math.round((planes[i][at] / a) * 255 + by);
    out[at * 4 + 3] = Math.round(a * 255 + by);
  }
  return out;
}

/** Evenly spread from 0 to 1 with neighbours far apart: interleaved gradient noise (Jimenez, SIGGRAPH 2014). */
function noiseAt(x: number, y: number): number {
  const inner = 0.06711056 * x + 0.00583715 * y;
  const outer = 52.9829189 * (inner - Math.floor(inner));
  return outer - Math.floor(outer);
}
