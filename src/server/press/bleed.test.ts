import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ColourBleed } from './bleed';
import type { Pixels } from './pictures/picture';

/** Lets colour go on in a whole picture at once. */
function bleed(pixels: Pixels, width: number, height: number): void {
  const colours = new ColourBleed(width, height);
  const all = { x: 0, y: 0, width, height };
  colours.fillTiles(pixels, all);
  const scale = pixels instanceof Uint16Array ? 257 : 1;
  for (const { tile, colour } of colours.emptyTilesNear(all))
    for (let y = tile.y; y < tile.y + tile.height; y++)
      for (let x = tile.x; x < tile.x + tile.width; x++)
        pixels.set(
          colour.map((value) => value * scale),
          (y * width + x) * 4,
        );
}

const pixel = (from: Pixels, width: number, x: number, y: number): number[] => [
  ...from.subarray((y * width + x) * 4, (y * width + x) * 4 + 4),
];

describe('colour under what is not seen', () => {
  test('goes on outwards from every edge, and nothing that is seen changes', () => {
    const [width, height] = [300, 200];
    const pixels = new Uint8ClampedArray(width * height * 4);
    for (let y = 30; y < 50; y++)
      for (let x = 40; x < 80; x++)
        pixels.set([200, x < 60 ? 40 : 160, 90, x === 40 ? 3 : 255], (y * width + x) * 4);
    const before = pixels.slice();
    bleed(pixels, width, height);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const [was, is] = [pixel(before, width, x, y), pixel(pixels, width, x, y)];
        expect(is[3]).toBe(was[3]);
        if (was[3] > 0) expect(is).toEqual(was);
      }
    expect(pixel(pixels, width, 84, 40)).toEqual([200, 160, 90, 0]);
    expect(pixel(pixels, width, 50, 25)).toEqual([200, 40, 90, 0]);
    expect(pixel(pixels, width, 299, 199)).toEqual([0, 0, 0, 0]);
  });

  test('reaches 32 px at least from whatever is seen, wherever it lies, in 8 bits and in 16', () => {
    const [width, height] = [260, 200];
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: width - 1 }),
        fc.integer({ min: 0, max: height - 1 }),
        fc.integer({ min: 1, max: 70 }),
        fc.boolean(),
        (left, top, side, deep) => {
          const pixels = deep
            ? new Uint16Array(width * height * 4)
            : new Uint8ClampedArray(width * height * 4);
          const scale = deep ? 257 : 1;
          const [right, bottom] = [Math.min(width, left + side), Math.min(height, top + side)];
          const colour = [7 * scale, 200 * scale, 31 * scale];
          for (let y = top; y < bottom; y++)
            for (let x = left; x < right; x++) pixels.set([...colour, 90 * scale], (y * width + x) * 4);
          bleed(pixels, width, height);
          for (let y = Math.max(0, top - 32); y < Math.min(height, bottom + 32); y += 5)
            for (let x = Math.max(0, left - 32); x < Math.min(width, right + 32); x += 5)
              expect(pixel(pixels, width, x, y).slice(0, 3)).toEqual(colour);
        },
      ),
      { numRuns: 40, seed: 5 },
    );
  });
});
