import { describe, expect, test } from '@jest/globals';
import { FlashWatch } from './flashes';

const PIXELS = 100;

type Colour = readonly [number, number, number];
const grey = (value: number): Colour => [value, value, value];

/** What flashes most in a second of pictures that are shown at so many a second; each gives the colour of a pixel. */
function most(pictures: readonly ((pixel: number) => Colour)[], perSecond = 25): number {
  const watch = new FlashWatch(PIXELS);
  pictures.forEach((picture, i) => watch.see(i / perSecond, picture));
  return watch.most().most;
}

const frames = (count: number, colour: (frame: number) => Colour, area = 1): ((pixel: number) => Colour)[] =>
  Array.from({ length: count }, (_, frame) => (pixel) => (pixel < PIXELS * area ? colour(frame) : grey(100)));

describe('flashes', () => {
  test('hard ones are counted: five a second', () => {
    expect(most(frames(50, (frame) => grey(frame % 5 < 2 ? 255 : 0)))).toBe(5);
  });

  test('soft ones are counted alike: a flicker of six a second that rises and falls slowly', () => {
    const wave = (frame: number): Colour => grey(128 + 127 * Math.sin((2 * Math.PI * 6 * frame) / 50));
    expect(most(frames(150, wave), 50)).toBe(6);
  });

  test('a long ramp is one change, not many', () => {
    expect(most(frames(50, (frame) => grey(frame * 5)))).toBe(0);
  });

  test('changes of less than a tenth of the largest luminance do not count, of a tenth they do', () => {
    // 0.2 and 0.29, then 0.2 and 0.31 in linear light.
    const light = (share: number): Colour => grey(255 * (1.055 * share ** (1 / 2.4) - 0.055));
    const flicker = (high: number): number => most(frames(50, (frame) => light(frame % 4 < 2 ? 0.2 : high)));
    expect(flicker(0.29)).toBe(0);
    expect(flicker(0.31)).toBeGreaterThan(3);
  });

  test('between two very bright colours do not count', () => {
    const light = (share: number): Colour => grey(255 * (1.055 * share ** (1 / 2.4) - 0.055));
    expect(most(frames(50, (frame) => light(frame % 4 < 2 ? 0.81 : 1)))).toBe(0);
    expect(most(frames(50, (frame) => light(frame % 4 < 2 ? 0.78 : 1)))).toBeGreaterThan(3);
  });

  test('count only where more than a quarter of the picture makes them', () => {
    const flicker = (area: number): number =>
      most(frames(50, (frame) => grey(frame % 5 < 2 ? 255 : 0), area));
    expect(flicker(0.25)).toBe(0);
    expect(flicker(0.26)).toBe(5);
  });

  test('of two parts of the picture at different times are not added up', () => {
    const early = (pixel: number): boolean => pixel < 15;
    const late = (pixel: number): boolean => pixel >= 15 && pixel < 30;
    const pictures = Array.from({ length: 600 }, (_, frame) => (pixel: number): Colour => {
      const on = frame % 5 < 2;
      const flickers = (frame < 50 && early(pixel)) || (frame >= 550 && late(pixel));
      return grey(flickers && on ? 255 : 0);
    });
    expect(most(pictures)).toBe(0);
    const together = Array.from(
      { length: 50 },
      (_, frame) =>
        (pixel: number): Colour =>
          grey(frame % 5 < 2 && pixel < 30 ? 255 : 0),
    );
    expect(most(together)).toBe(5);
  });

  test('are counted by the clock: the same pictures shown slowly flash less often', () => {
    const pictures = frames(50, (frame) => grey(frame % 5 < 2 ? 255 : 0));
    expect(most(pictures, 5)).toBe(1);
    const watch = new FlashWatch(PIXELS);
    // Two flashes, a long hold as one picture, two flashes more.
    [0, 0.2, 0.4, 0.6, 20, 20.2, 20.4, 20.6].forEach((seconds, i) =>
      watch.see(seconds, () => grey(i % 2 === 0 ? 0 : 255)),
    );
    expect(watch.most().most).toBe(2);
  });

  test('of saturated red count by themselves, though they are hardly brighter', () => {
    // Red and a grey of nearly the same luminance.
    const red = most(frames(50, (frame) => (frame % 5 < 2 ? [160, 0, 0] : grey(76))));
    expect(red).toBe(5);
    const green = most(frames(50, (frame) => (frame % 5 < 2 ? [0, 90, 0] : grey(76))));
    expect(green).toBe(0);
  });
});
