import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mixColours, mixStops } from './mixStops';
import { hexToOklch, oklchToHex } from './oklch';

const hex = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map((parts) => `#${parts.map((part) => part.toString(16).padStart(2, '0')).join('')}`);
const channels = (colour: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

describe('OKLCH', () => {
  // From CSS Color Module Level 4, and the definition of OKLab (B. Ottosson, 2020).
  test.each([
    ['#ffffff', 1, 0, 0],
    ['#000000', 0, 0, 0],
    ['#ff0000', 0.628, 0.2577, 29.23],
    ['#00ff00', 0.8664, 0.2948, 142.5],
    ['#0000ff', 0.452, 0.3132, 264.05],
  ])('of %s', (colour, l, c, h) => {
    const found = hexToOklch(colour);
    expect(found.l).toBeCloseTo(l, 3);
    expect(found.c).toBeCloseTo(c, 3);
    if (c > 0) expect(found.h).toBeCloseTo(h, 1);
  });

  test('there and back again is the same colour', () => {
    fc.assert(
      fc.property(hex, (colour) => {
        const back = channels(oklchToHex(hexToOklch(colour)));
        channels(colour).forEach((value, i) => expect(Math.abs(value - back[i])).toBeLessThanOrEqual(1));
      }),
    );
  });

  test('what no screen can show becomes one that can, as light as it was', () => {
    const vivid = { l: 0.7, c: 0.4, h: 150 };
    const shown = hexToOklch(oklchToHex(vivid));
    expect(shown.l).toBeCloseTo(0.7, 1);
    expect(shown.c).toBeLessThan(0.4);
    expect(shown.h).toBeCloseTo(150, -1);
  });
});

describe('mixing', () => {
  test('begins with the first colour and ends with the second', () => {
    fc.assert(
      fc.property(hex, hex, (from, to) => {
        expect(mixColours(from, to, 0)).toBe(from);
        expect(mixColours(from, to, 1)).toBe(to);
      }),
    );
  });

  test('between two greys every step is a grey between them', () => {
    const steps = [0.1, 0.3, 0.5, 0.9].map((share) => channels(mixColours('#202020', '#e0e0e0', share)));
    for (const [r, g, b] of steps) {
      expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(1);
      expect(r).toBeGreaterThan(0x20);
      expect(r).toBeLessThan(0xe0);
    }
    expect(steps.map(([r]) => r)).toEqual(steps.map(([r]) => r).toSorted((a, b) => a - b));
  });

  test('blue and yellow meet in the middle without going grey or dark', () => {
    const middle = hexToOklch(mixColours('#0000ff', '#ffff00', 0.5));
    expect(middle.l).toBeCloseTo((hexToOklch('#0000ff').l + hexToOklch('#ffff00').l) / 2, 1);
  });

  test('stops stay where they are, with more between them in even steps', () => {
    const stops = [
      { at: 0, colour: '#000000', opacity: 1 },
      { at: 0.5, colour: '#ff8800', opacity: 0.5 },
      { at: 1, colour: '#ffffff', opacity: 0 },
    ];
    const more = mixStops(stops);
    // What is not seen at the end has the colour that goes out there.
    const unseen = { ...stops[2], colour: '#ff8800' };
    expect(more).toEqual(expect.arrayContaining([stops[0], stops[1], unseen]));
    const gaps = more.slice(1).map((stop, i) => stop.at - more[i].at);
    for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0], 9);
    expect(more.map(({ opacity }) => opacity)).toEqual(
      more.map(({ opacity }) => opacity).toSorted((a, b) => b - a),
    );
  });

  test('one stop, and none, stay as they are', () => {
    expect(mixStops([{ at: 0.3, colour: '#123456', opacity: 1 }])).toHaveLength(1);
    expect(mixStops([])).toEqual([]);
  });
});
