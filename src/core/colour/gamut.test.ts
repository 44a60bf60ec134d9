import { expect, test } from '@jest/globals';
import { compositeScale, limitToComposite, toStudioLevels } from './gamut';

/** The highest and lowest point of a composite signal with a colour in it, worked out anew from BT.1700. */
function reach([red, green, blue]: readonly number[]): readonly [number, number] {
  const y = 0.299 * red + 0.587 * green + 0.114 * blue;
  const c = Math.sqrt((0.492 * (blue - y)) ** 2 + (0.877 * (red - y)) ** 2);
  return [y + c, y - c];
}

const WHOLE = [0, 1];
const CORNERS = WHOLE.flatMap((red) => WHOLE.flatMap((green) => WHOLE.map((blue) => [red, green, blue])));

test('the colours of the bars stay as they are, and full ones become these', () => {
  for (const corner of CORNERS) {
    const [red, green, blue] = corner.map((one) => one * 0.75);
    expect([corner, compositeScale(red, green, blue)]).toEqual([corner, expect.closeTo(1, 2)]);
  }
  // Full yellow and cyan reach above white, full red and blue too far below black: each becomes its bar.
  for (const [red, green, blue] of [
    [1, 1, 0],
    [0, 1, 1],
    [1, 0, 0],
    [0, 0, 1],
  ])
    expect(compositeScale(red, green, blue)).toBeCloseTo(0.75, 2);
});

test('greys are never changed', () => {
  for (let grey = 0; grey <= 255; grey++) expect(compositeScale(grey / 255, grey / 255, grey / 255)).toBe(1);
});

test.each([255, 65_535])(
  'of any colour nothing reaches out afterwards, and its hue stays (full is %i)',
  (full) => {
    const steps = [0, 0.1, 0.35, 0.5, 0.8, 0.93, 1].map((share) => Math.round(share * full));
    for (const red of steps)
      for (const green of steps)
        for (const blue of steps) {
          const pixels =
            full === 255
              ? new Uint8ClampedArray([red, green, blue, full])
              : new Uint16Array([red, green, blue, full]);
          limitToComposite(pixels, full);
          const colour = [...pixels].slice(0, 3).map((one) => one / full);
          const [most, least] = reach(colour);
          expect([red, green, blue, most <= 1 + 1 / full, least >= -0.25 - 1 / full]).toEqual([
            red,
            green,
            blue,
            true,
            true,
          ]);
          expect(pixels[3]).toBe(full);
          // What was the greatest still is: nothing went grey or round the wheel.
          const before = [red, green, blue];
          expect(before[colour.indexOf(Math.max(...colour))]).toBe(Math.max(...before));
        }
  },
);

test('black lies at 16 and white at 235, of eight bits and of sixteen; alpha stays', () => {
  const eight = new Uint8ClampedArray([0, 128, 255, 77]);
  toStudioLevels(eight, 255);
  expect([...eight]).toEqual([16, 126, 235, 77]);
  const sixteen = new Uint16Array([0, 65_535, 32_768, 1234]);
  toStudioLevels(sixteen, 65_535);
  expect([...sixteen]).toEqual([16 * 256, 235 * 256, 32_128, 1234]);
});
