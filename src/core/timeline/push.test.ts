import { expect, test } from '@jest/globals';
import type { Rect } from '../kit/rect';
import { mirrorPlan, mirrorUnitPlace } from '../mirror/mirrorPlan';
import type { MovePlan, UnitPlace } from '../moves/move';
import { paramReader } from '../moves/move';
import { compilePart } from '../moves/part';
import type { PoseProperty } from '../moves/pose';
import { push } from '../moves/push';

const FRAME: Rect = { x: 0, y: 0, width: 1000, height: 500 };
const GAP = 10;
// Words of 100, 60 and 140 on one line, 10 apart, and one on a line below.
const LINE: Rect = { x: 200, y: 100, width: 320, height: 40 };
const word = (x: number, width: number, y = 100): Rect => ({ x, y, width, height: 40 });
const READ = [word(200, 100), word(310, 60), word(380, 140)];
const FROM_RIGHT = [word(420, 100), word(350, 60), word(200, 140)];

const placeOf = (all: readonly Rect[], index: number, line = LINE): UnitPlace => ({
  box: all[index],
  line,
  layer: FRAME,
  frame: FRAME,
  lastLine: line,
  index,
  count: all.length,
  all,
  slice: 0,
  slices: 1,
  chance: () => 0,
});
const planOf = (place: UnitPlace, way = 'along'): MovePlan => push.plan(place, paramReader(push, { way }));
function valueAt({ parts }: MovePlan, property: PoseProperty, share: number): number {
  const part = parts.find((one) => one.property === property);
  if (part === undefined) throw new Error(`nothing moves ${property}`);
  return compilePart(part, 'even')(share);
}

test('each word ends where the line does when it has come, and keeps its distance from the one before', () => {
  for (const [boxes, side] of [
    [[...READ, word(200, 90, 150)], 1],
    [[...FROM_RIGHT, word(430, 90, 150)], -1],
  ] as const) {
    const x = (i: number, share: number): number =>
      boxes[i].x + valueAt(planOf(placeOf(boxes, i)), 'xU', share);
    const end = (i: number, share: number): number => x(i, share) + (side === 1 ? boxes[i].width : 0);
    for (const i of [0, 1, 2]) expect(end(i, (i + 1) / 3)).toBeCloseTo(side === 1 ? 520 : 200);
    for (const share of [0.4, 0.5, 0.66, 0.8, 1])
      for (const i of [0, 1].filter((one) => share > (one + 1) / 3)) {
        const [left, right] = side === 1 ? [i, i + 1] : [i + 1, i];
        expect(x(right, share) - x(left, share) - boxes[left].width).toBeCloseTo(GAP);
      }
    // The line below has a word of its own, which nothing pushes.
    expect(valueAt(planOf(placeOf(boxes, 3, boxes[3])), 'xU', 0)).toBeCloseTo(side * 90);
  }
});

test('a word is not there before the ones before it have come', () => {
  const third = planOf(placeOf(READ, 2));
  expect([0, 0.6, 2 / 3].map((share) => valueAt(third, 'opacity', share))).toEqual([0, 0, 0]);
  expect(valueAt(third, 'opacity', 0.95)).toBe(1);
});

test('mirrored, what is read from the right comes as it does by itself', () => {
  const plan = planOf(placeOf(FROM_RIGHT, 1));
  const mirrored = mirrorPlan(planOf(mirrorUnitPlace(placeOf(FROM_RIGHT, 1))), FRAME);
  for (const share of [0.4, 0.7, 1])
    expect(valueAt(mirrored, 'xU', share)).toBeCloseTo(valueAt(plan, 'xU', share));
  expect(valueAt(plan, 'xU', 0.4)).toBeLessThan(0);
});

test('upwards, lines push those above them up', () => {
  const lines = [word(0, 300, 100), word(0, 200, 150), word(0, 100, 200)];
  const y = (i: number, share: number): number =>
    lines[i].y + valueAt(planOf(placeOf(lines, i, lines[i]), 'up'), 'yU', share);
  expect([y(0, 0), y(0, 1 / 3), y(0, 2 / 3), y(0, 1)]).toEqual(
    [240, 200, 150, 100].map((at) => expect.closeTo(at)),
  );
  expect(y(1, 0.5) - y(0, 0.5)).toBeCloseTo(50);
});
