import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { affineOf, invertMap, multiplyMaps, projectOutline } from '../display/homography';
import type { Homography } from '../display/homography';
import { outlineBounds } from '../display/outline';
import { rectOutline } from '../display/shapes';
import { PIVOTS } from '../moves/move';
import type { Pose } from '../moves/pose';
import { REST } from '../moves/pose';
import { pivotOf, poseMap } from './poseMap';

const BOX = { x: 100, y: 50, width: 80, height: 40 };
const EYE = { centre: { x: 500, y: 300 }, distanceU: 1600 };
const CENTRE = { x: 140, y: 70 };
const mapped = (map: Homography, x: number, y: number): [number, number] => {
  const w = map[6] * x + map[7] * y + map[8];
  return [(map[0] * x + map[1] * y + map[2]) / w, (map[3] * x + map[4] * y + map[5]) / w];
};
const at = (change: Partial<Pose>, x: number, y: number, pivot = CENTRE): [number, number] =>
  mapped(poseMap({ ...REST, ...change }, pivot, EYE), x, y);
const expectAt = (found: readonly number[], wanted: readonly number[]): void =>
  found.forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 6));

const degrees = fc.double({ min: -80, max: 80, noNaN: true });
const shifts = fc.double({ min: -500, max: 500, noNaN: true });
const places = fc.double({ min: -200, max: 900, noNaN: true });

describe('the map of a pose', () => {
  test('at rest leaves every point where it is', () => {
    fc.assert(fc.property(places, places, (x, y) => expectAt(at({}, x, y), [x, y])));
  });

  test('moves, scales and leans about the pivot', () => {
    expectAt(at({ xU: 5, yU: -7 }, 100, 50), [105, 43]);
    expectAt(at({ scaleX: 2, scaleY: 0.5 }, 100, 50), [60, 60]);
    // What stands above the pivot leans to the left.
    expectAt(at({ skewX: 45 }, 140, 50), [120, 50]);
    expectAt(at({ turnZ: 90 }, 150, 70), [140, 80]);
  });

  test('is the same flat and turned by nothing, or by whole turns', () => {
    fc.assert(
      fc.property(shifts, shifts, places, places, (xU, yU, x, y) => {
        const flat = at({ xU, yU, scaleX: 1.3, skewX: 12 }, x, y);
        expectAt(at({ xU, yU, scaleX: 1.3, skewX: 12, turnZ: 360 }, x, y), flat);
      }),
    );
  });

  test('keeps the pivot where it is however a unit is turned, seen straight on', () => {
    const eye = { centre: CENTRE, distanceU: 900 };
    fc.assert(
      fc.property(degrees, degrees, degrees, (turnX, turnY, turnZ) => {
        const map = poseMap({ ...REST, turnX, turnY, turnZ }, CENTRE, eye);
        expectAt(mapped(map, CENTRE.x, CENTRE.y), [CENTRE.x, CENTRE.y]);
      }),
    );
  });

  test('shows the nearer side larger than the farther', () => {
    const eye = { centre: CENTRE, distanceU: 300 };
    const map = poseMap({ ...REST, turnY: 50 }, CENTRE, eye);
    const height = (x: number): number => mapped(map, x, 90)[1] - mapped(map, x, 50)[1];
    expect(height(180)).not.toBeCloseTo(height(100), 1);
    expect(affineOf(map)).toBeNull();
  });

  test('is seen from as near as is asked, however large a unit is; what reaches behind the eye is cut off', () => {
    const map = poseMap({ ...REST, turnY: 60 }, CENTRE, { centre: CENTRE, distanceU: 20 });
    const depth = (x: number): number => map[6] * x + map[7] * 70 + map[8];
    // 1 - z / distance, and 60 degrees take the left end, 40 u from the pivot, 34.6 u towards the viewer.
    expect(depth(100)).toBeCloseTo(1 - (40 * Math.sin(Math.PI / 3)) / 20, 6);
    expect(depth(100)).toBeLessThan(0);
    const whole = projectOutline(map, rectOutline(BOX));
    const bounds = outlineBounds(whole);
    expect(bounds).not.toBeNull();
    // All that is left lies on the far side of the pivot or not far before it; nothing is turned inside out.
    for (let i = 0; i < whole.coords.length; i += 2) expect(Number.isFinite(whole.coords[i])).toBe(true);
    const [right] = mapped(map, 180, 50);
    expect(bounds && bounds.x + bounds.width).toBeCloseTo(right, 6);
    expect(projectOutline(map, rectOutline({ x: 90, y: 50, width: 10, height: 10 })).verbs).toBe('');
  });
});

describe('maps', () => {
  test('after one another are one map, and back again is where it began', () => {
    fc.assert(
      fc.property(degrees, degrees, places, places, (turnX, turnY, x, y) => {
        const one = poseMap({ ...REST, turnX, scaleX: 1.2 }, CENTRE, EYE);
        const other = poseMap({ ...REST, turnY, xU: 30 }, { x: 0, y: 0 }, EYE);
        const both = multiplyMaps(one, other);
        const [px, py] = mapped(other, x, y);
        const w = other[6] * x + other[7] * y + other[8];
        fc.pre(w > 0.2 && one[6] * px + one[7] * py + one[8] > 0.2);
        expectAt(mapped(both, x, y), mapped(one, px, py));
        const back = invertMap(both);
        if (back !== null) {
          const [bx, by] = mapped(back, ...mapped(both, x, y));
          expect(bx).toBeCloseTo(x, 3);
          expect(by).toBeCloseTo(y, 3);
        }
      }),
    );
    expect(invertMap([1, 2, 3, 2, 4, 6, 0, 0, 1])).toBeNull();
  });
});

test('every pivot lies on or in the box, the baseline where the text stands', () => {
  for (const pivot of PIVOTS) {
    const { x, y } = pivotOf(BOX, pivot, 82);
    expect(x).toBeGreaterThanOrEqual(BOX.x);
    expect(x).toBeLessThanOrEqual(BOX.x + BOX.width);
    expect(y).toBeGreaterThanOrEqual(BOX.y);
    expect(y).toBeLessThanOrEqual(BOX.y + BOX.height);
  }
  expect(pivotOf(BOX, 'baseline', 82)).toEqual({ x: 140, y: 82 });
  expect(pivotOf(BOX, 'baseline')).toEqual({ x: 140, y: 90 });
});
