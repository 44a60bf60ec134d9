import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Matrix } from '../kit/matrix';
import { IDENTITY, mapRect, multiply, translated } from '../kit/matrix';
import { containsPoint, containsRect, outwardRect, unionRects } from '../kit/rect';
import type { DisplayList } from './list';
import { sameDisplayList } from './list';
import { OutlineBuilder, outlineBounds, polygonOutline, replayOutline } from './outline';
import { roundedRectOutline } from './shapes';

const numbers = fc.double({ min: -500, max: 500, noNaN: true });
const rects = fc.record({
  x: numbers,
  y: numbers,
  width: fc.double({ min: 0, max: 500, noNaN: true }),
  height: fc.double({ min: 0, max: 500, noNaN: true }),
});
const matrices = fc.tuple(numbers, numbers, numbers, numbers, numbers, numbers);

describe('rectangles', () => {
  test('a union holds all its members, and is none for none', () => {
    fc.assert(
      fc.property(fc.array(rects, { minLength: 1, maxLength: 8 }), (list) => {
        const union = unionRects(list);
        expect(union !== null && list.every((rect) => containsRect(union, rect, 1e-6))).toBe(true);
      }),
    );
    expect(unionRects([])).toBeNull();
  });

  test('moved outwards to whole numbers it still holds what it held', () => {
    fc.assert(
      fc.property(rects, (rect) => {
        const outward = outwardRect(rect);
        expect(containsRect(outward, rect, 1e-9)).toBe(true);
        expect([outward.x, outward.y, outward.width, outward.height].every(Number.isInteger)).toBe(true);
      }),
    );
  });

  test('near edges belong to a rectangle, far edges do not', () => {
    const rect = { x: 1, y: 1, width: 2, height: 2 };
    expect(containsPoint(rect, 1, 1)).toBe(true);
    expect(containsPoint(rect, 3, 2)).toBe(false);
  });
});

describe('matrices', () => {
  test('the product applies the inner one first', () => {
    const move: Matrix = [1, 0, 0, 1, 10, 0];
    const double: Matrix = [2, 0, 0, 2, 0, 0];
    const unit = { x: 1, y: 1, width: 1, height: 1 };
    expect(mapRect(multiply(double, move), unit)).toEqual({ x: 22, y: 2, width: 2, height: 2 });
    expect(mapRect(multiply(move, double), unit)).toEqual({ x: 12, y: 2, width: 2, height: 2 });
  });

  test('moving before a map is the product with a translation', () => {
    fc.assert(
      fc.property(matrices, numbers, numbers, (matrix, dx, dy) => {
        const product = multiply(matrix, [1, 0, 0, 1, dx, dy]);
        translated(matrix, dx, dy).forEach((value, i) => expect(value).toBeCloseTo(product[i], 4));
      }),
    );
  });

  test('a turned rectangle is bounded by its corners', () => {
    const turned = mapRect([0, 1, -1, 0, 0, 0], { x: 0, y: 0, width: 4, height: 2 });
    expect(turned).toEqual({ x: -2, y: 0, width: 2, height: 4 });
  });
});

describe('outlines', () => {
  const steps = (outline: Parameters<typeof replayOutline>[0]): string[] => {
    const said: string[] = [];
    const say =
      (name: string) =>
      (...values: number[]): void =>
        void said.push([name, ...values].join(' '));
    replayOutline(outline, {
      moveTo: say('M'),
      lineTo: say('L'),
      quadraticCurveTo: say('Q'),
      bezierCurveTo: say('C'),
      closePath: say('Z'),
    });
    return said;
  };

  test('are replayed as they were built', () => {
    const outline = new OutlineBuilder().moveTo(1, 2).lineTo(3, 4).curveTo(1, 1, 2, 2, 5, 6).close().build();
    expect(steps(outline)).toEqual(['M 1 2', 'L 3 4', 'C 1 1 2 2 5 6', 'Z']);
  });

  test('are added scaled first, then moved', () => {
    const one = polygonOutline([1, 1, 2, 1, 2, 2]);
    const both = new OutlineBuilder().add(one, 10, 100, 5, 7).build();
    expect(both.coords).toEqual([15, 107, 25, 107, 25, 207]);
  });

  test('of a rounded rectangle keep within it, whatever the radius', () => {
    fc.assert(
      fc.property(rects, fc.double({ min: -10, max: 900, noNaN: true }), (rect, radius) => {
        const bounds = outlineBounds(roundedRectOutline(rect, radius));
        expect(bounds !== null && containsRect(rect, bounds, 1e-6)).toBe(true);
      }),
    );
  });

  test('without segments have no bounds', () => {
    expect(outlineBounds(new OutlineBuilder().build())).toBeNull();
  });
});

describe('comparing frames', () => {
  const outline = roundedRectOutline({ x: 0, y: 0, width: 10, height: 10 }, 2);
  const list = (opacity: number, shape = outline): DisplayList => ({
    widthPx: 100,
    heightPx: 100,
    items: [
      {
        kind: 'clip',
        rectPx: { x: 0, y: 0, width: 5, height: 5 },
        items: [
          {
            kind: 'fill',
            outline: shape,
            paint: { kind: 'solid', colour: '#112233' },
            matrix: IDENTITY,
            opacity,
          },
        ],
      },
    ],
  });

  test('equal ones are the same, also when they were made apart', () => {
    expect(sameDisplayList(list(1), list(1))).toBe(true);
    expect(sameDisplayList(list(1), list(1, { ...outline, coords: [...outline.coords] }))).toBe(true);
  });

  test('any difference counts, however deep', () => {
    expect(sameDisplayList(list(1), list(0.999))).toBe(false);
    expect(sameDisplayList(list(1), list(1, polygonOutline([0, 0, 1, 1, 2, 0])))).toBe(false);
    expect(sameDisplayList(list(1), { ...list(1), widthPx: 101 })).toBe(false);
    expect(sameDisplayList(list(1), { ...list(1), items: [] })).toBe(false);
  });
});
