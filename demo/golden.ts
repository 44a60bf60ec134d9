import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import type { Canvas } from '@napi-rs/canvas';

/**
 * The share of pixels in which a picture differs from the kept one of that name by more than a rounding of the
 * raster library could; 1 when the sizes differ. With NEW_GOLDEN=yes the picture is kept instead, to be looked at.
 */
export async function differsFromGolden(picture: Canvas, name: string): Promise<number> {
  const file = join(import.meta.dirname, 'golden', `${name}.png`);
  if (process.env.NEW_GOLDEN === 'yes') writeFileSync(file, picture.toBuffer('image/png'));
  const kept = await loadImage(readFileSync(file));
  if (kept.width !== picture.width || kept.height !== picture.height) return 1;
  const old = createCanvas(kept.width, kept.height).getContext('2d');
  old.drawImage(kept, 0, 0);
  const pixels = (context: typeof old): Uint8ClampedArray =>
    context.getImageData(0, 0, kept.width, kept.height).data;
  return share(pixels(picture.getContext('2d')), pixels(old));
}

function share(a: Uint8ClampedArray, b: Uint8ClampedArray): number {
  let differ = 0;
  for (let i = 0; i < a.length; i += 4) {
    if (Math.max(Math.abs(a[i] - b[i]), Math.abs(a[i + 1] - b[i + 1]), Math.abs(a[i + 2] - b[i + 2])) > 6)
      differ++;
  }
  return differ / (a.length / 4);
}
