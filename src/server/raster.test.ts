import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import { decodePictures } from './raster';

const png = (grey: number): Uint8Array => {
  const canvas = createCanvas(4, 3);
  const context = canvas.getContext('2d');
  context.fillStyle = `rgb(${grey},${grey},${grey})`;
  context.fillRect(0, 0, 4, 3);
  return canvas.toBuffer('image/png');
};

test('a title holds its pictures however many others are decoded meanwhile', async () => {
  const mine = await decodePictures(new Map([['mine', png(1)]]));
  const many = await decodePictures(
    new Map(Array.from({ length: 150 }, (_, i): [string, Uint8Array] => [`other-${i}`, png(i)])),
  );
  expect(mine.picture('mine')).not.toBeNull();
  expect(mine.size('mine')).toEqual({ widthPx: 4, heightPx: 3 });
  for (let i = 0; i < 150; i++) expect(many.picture(`other-${i}`)).not.toBeNull();
  expect(many.picture('mine')).toBeNull();
});
