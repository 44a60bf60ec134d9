import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { RingBackdrop, TextRing } from './contrastRing';
import { leastContrast, ringContrast, textRing } from './contrastRing';
import type { Pixels } from './eyes';

/** Pixels of one size, each said by its colour and alpha. */
function pixels(width: number, height: number, at: (x: number, y: number) => readonly number[]): Pixels {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set(at(x, y), (y * width + x) * 4);
  return { width, height, data };
}
const CLEAR = [0, 0, 0, 0];
const isBar = (x: number, y: number): boolean => x >= 8 && x < 12 && y >= 4 && y < 16;
const bar = (colour: readonly number[]): Pixels => pixels(20, 20, (x, y) => (isBar(x, y) ? colour : CLEAR));
const ringOf = (colour: readonly number[], painted = bar(colour), widthPx = 3): TextRing => {
  const ring = textRing(bar([0, 0, 0, 255]), painted, widthPx);
  if (ring === null) throw new Error('there are letters');
  return ring;
};
const over = ({ core, ring }: TextRing, colour: readonly number[]): RingBackdrop => ({
  core: Array.from({ length: core.at.length }, () => colour).flat(),
  ring: Array.from({ length: ring.at.length }, () => colour).flat(),
});

describe('the ring round letters', () => {
  test('is every clear pixel within its width of a letter, and no other', () => {
    const { core, ring } = ringOf([255, 255, 255, 255]);
    expect(core.at).toHaveLength(4 * 12);
    const expected = Array.from({ length: 400 }, (_, i) => i).filter((i) => {
      const [x, y] = [i % 20, Math.floor(i / 20)];
      return !isBar(x, y) && x >= 5 && x < 15 && y >= 1 && y < 19;
    });
    expect([...ring.at]).toEqual(expected);
  });

  test('is cut at the edge of the picture', () => {
    const all = pixels(3, 3, (x) => (x === 0 ? [0, 0, 0, 255] : CLEAR));
    const ring = textRing(all, all, 50)?.ring.at ?? [];
    expect([...ring]).toEqual([1, 2, 4, 5, 7, 8]);
  });

  test('is none for letters that are not seen, or that leave nothing round them', () => {
    expect(
      textRing(
        pixels(9, 9, () => [0, 0, 0, 9]),
        bar(CLEAR),
        2,
      ),
    ).toBeNull();
    expect(
      textRing(
        pixels(9, 9, () => [0, 0, 0, 255]),
        bar(CLEAR),
        2,
      ),
    ).toBeNull();
  });

  test('the same wherever letters stand: as by looking round each of them', () => {
    const grid = fc.array(fc.constantFrom(0, 60, 120, 255), { minLength: 48, maxLength: 48 });
    fc.assert(
      fc.property(grid, fc.integer({ min: 1, max: 5 }), (alphas, reach) => {
        const mask = pixels(8, 6, (x, y) => [0, 0, 0, alphas[y * 8 + x]]);
        const found = textRing(mask, mask, reach);
        const near = (i: number): boolean =>
          alphas.some(
            (alpha, k) =>
              alpha >= 96 &&
              Math.abs((k % 8) - (i % 8)) <= reach &&
              Math.abs(Math.floor(k / 8) - Math.floor(i / 8)) <= reach,
          );
        const expected = alphas.flatMap((alpha, i) => (alpha < 12 && near(i) ? [i] : []));
        if (found !== null) expect([...found.ring.at]).toEqual(expected);
      }),
    );
  });
});

describe('contrast', () => {
  test('of white letters is 21 over black and 1 over white (WCAG 2.2)', () => {
    const ring = ringOf([255, 255, 255, 255]);
    expect(ringContrast(ring, over(ring, [0, 0, 0]))).toBeCloseTo(21, 5);
    expect(ringContrast(ring, over(ring, [255, 255, 255]))).toBeCloseTo(1, 5);
    expect(ringContrast(ring, over(ring, [119, 119, 119]))).toBeCloseTo(4.48, 2);
  });

  test('counts what the title itself has round its letters: a panel holds whatever lies under it', () => {
    const panel = pixels(20, 20, (x, y) => (isBar(x, y) ? [255, 255, 255, 255] : [0, 0, 0, 255]));
    const ring = ringOf([255, 255, 255, 255], panel);
    expect(leastContrast(ring)).toBeCloseTo(21, 5);
    expect(ringContrast(ring, over(ring, [255, 255, 255]))).toBeCloseTo(21, 5);
  });

  test('is never less over any picture than the least that is possible', () => {
    const channel = fc.nat(255);
    const colour = fc.tuple(channel, channel, channel);
    fc.assert(
      fc.property(colour, colour, fc.nat(255), (letters, around, alpha) => {
        const painted = pixels(20, 20, (x, y) => (isBar(x, y) ? [...letters, 255] : [...around, alpha]));
        const ring = ringOf([...letters, 255], painted);
        const least = leastContrast(ring);
        for (const under of [[0, 0, 0], [255, 255, 255], [128, 90, 20], around])
          expect(ringContrast(ring, over(ring, under))).toBeGreaterThanOrEqual(least - 0.02);
      }),
    );
  });
});

describe('the fifth percentile', () => {
  /** White letters in a ring of a hundred pixels, so many of them over white, the others over black. */
  const contrast = (bright: number): number => {
    // All of what lies under the ring shows, nothing of what lies under the letter.
    const front = Float32Array.from({ length: 400 }, (_, i) => (i % 4 === 3 ? 1 : 0));
    const ring: TextRing = {
      core: { at: Int32Array.of(0), front: Float32Array.of(255, 255, 255, 0) },
      ring: { at: Int32Array.from({ length: 100 }, (_, i) => i), front },
    };
    const colours = Array.from({ length: 100 }, (_, i) => (i < bright ? [255, 255, 255] : [0, 0, 0])).flat();
    return ringContrast(ring, { core: [255, 255, 255], ring: colours });
  };

  test('lets a few pixels pass, and no more than those', () => {
    expect(contrast(0)).toBeCloseTo(21, 6);
    expect(contrast(4)).toBeCloseTo(21, 6);
    expect(contrast(7)).toBeCloseTo(1, 6);
  });
});
