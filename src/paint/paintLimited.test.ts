import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import type { DisplayItem } from '@/core/display/list';
import { rectOutline } from '@/core/display/shapes';
import { IDENTITY } from '@/core/kit/matrix';
import { serverSurfaces } from '../server/raster';
import { Painter } from './painter';
import { paintLimited } from './paintLimited';

const SIZE = { widthPx: 40, heightPx: 10 };
const bar = (x: number, colour: string, opacity = 1): DisplayItem => ({
  kind: 'fill',
  outline: rectOutline({ x, y: 0, width: 10, height: 10 }),
  paint: { kind: 'solid', colour },
  matrix: IDENTITY,
  opacity,
});

test('bright colours come down to those of the bars 100/0/75/0, others stay, and what lies below is not touched', () => {
  const context = createCanvas(SIZE.widthPx, SIZE.heightPx).getContext('2d');
  context.fillStyle = '#ffff00';
  context.fillRect(30, 0, 10, 10);
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, 30, 10);
  const own = serverSurfaces.surface(SIZE.widthPx, SIZE.heightPx);
  const lists = [{ ...SIZE, items: [bar(0, '#ffff00'), bar(10, '#dddddd')] }];
  const painter = new Painter(serverSurfaces);
  paintLimited(painter, context, [{ ...SIZE, items: [bar(0, '#00ffff'), bar(30, '#123456')] }], own);
  // The frame before is gone, or its dark bar would still lie over the yellow.
  context.fillStyle = '#ffff00';
  context.fillRect(30, 0, 10, 10);
  paintLimited(painter, context, [...lists, { ...SIZE, items: [bar(20, '#ffff00', 0.5)] }], own);
  const at = (x: number): number[] => [...context.getImageData(x, 5, 1, 1).data.subarray(0, 3)];
  // Three quarters of yellow (ITU-R BT.471), rounded down.
  expect(at(5)).toEqual([191, 191, 0]);
  expect(at(15)).toEqual([221, 221, 221]);
  // Half of that over white.
  for (const [part, wanted] of [223, 223, 127].entries())
    expect(Math.abs(at(25)[part] - wanted)).toBeLessThanOrEqual(2);
  expect(at(35)).toEqual([255, 255, 0]);
});
