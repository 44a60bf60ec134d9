import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EASES } from '../eases';
import { MOVES } from '../moves';
import { presetParams, REST } from '../moves/move';
import { compileMove, mirrorMove, mirrorWindows, poseAt } from './motion';
import { ORDERS } from './orders';
import { unitWindows, windowProgress } from './stagger';

const BOX = { x: 10, y: 20, width: 120, height: 40 };
const orders = fc.constantFrom(...ORDERS.list);
const shares = fc.double({ min: 0, max: 1, noNaN: true });

describe('every ease', () => {
  test.each(EASES.list.map((ease) => [ease.id, ease] as const))('%s goes from 0 to 1', (_id, ease) => {
    expect(ease.at(0)).toBeCloseTo(0, 10);
    expect(ease.at(1)).toBeCloseTo(1, 10);
  });
});

describe('every move', () => {
  test.each(MOVES.list.map((move) => [move.id, move] as const))('%s ends exactly at rest', (_id, move) => {
    const { dxU, dyU, opacity } = move.pose(1, BOX, presetParams(move));
    expect([Math.abs(dxU), Math.abs(dyU), opacity]).toEqual([0, 0, 1]);
  });

  test.each(MOVES.list.map((move) => [move.id, move] as const))(
    '%s is out of sight at its start',
    (_id, move) => {
      const pose = move.pose(0, BOX, presetParams(move));
      const behindMask = pose.masked && (Math.abs(pose.dxU) >= BOX.width || Math.abs(pose.dyU) >= BOX.height);
      expect(pose.opacity === 0 || behindMask).toBe(true);
    },
  );
});

test('units fill the whole time: the first starts at 0 and the last ends at 1', () => {
  fc.assert(
    fc.property(orders, fc.integer({ min: 1, max: 60 }), shares, (order, count, overlap) => {
      const windows = unitWindows(count, order, overlap);
      expect(Math.min(...windows.map((w) => w.start))).toBeCloseTo(0, 9);
      expect(Math.max(...windows.map((w) => w.start + w.length))).toBeCloseTo(1, 9);
    }),
  );
});

test('without overlap no two units of a forward order move at once', () => {
  const windows = unitWindows(5, ORDERS.get('forward'), 0);
  for (const p of [0.1, 0.3, 0.5, 0.7, 0.9]) {
    expect(windows.filter((w) => windowProgress(w, p) > 0 && windowProgress(w, p) < 1)).toHaveLength(1);
  }
});

test('the mirrored out shows at each moment what the in shows at the mirrored moment', () => {
  const timing = { inSeconds: 1, holdSeconds: 2, outSeconds: 1 };
  const moves = fc.constantFrom(...MOVES.list);
  const eases = fc.constantFrom(...EASES.list);
  fc.assert(
    fc.property(
      moves,
      eases,
      orders,
      shares,
      shares,
      fc.integer({ min: 1, max: 12 }),
      (move, ease, order, overlap, share, count) => {
        const use = {
          move: move.id,
          unit: 'word' as const,
          order: order.id,
          overlap,
          ease: ease.id,
          startSeconds: 0.2,
          lengthSeconds: 0.7,
          params: presetParams(move),
        };
        const arrive = compileMove(use, count, timing.inSeconds, false);
        const mirrored = compileMove(mirrorMove(use, timing), count, timing.outSeconds, true);
        const leave = { ...mirrored, windows: mirrorWindows(mirrored.windows) };
        for (let unit = 0; unit < count; unit++) {
          const there = poseAt(arrive, unit, share, BOX);
          const back = poseAt(leave, unit, 1 - share, BOX);
          // Progress differs by rounding only, which eases and distances enlarge a little.
          expect(back.dxU).toBeCloseTo(there.dxU, 5);
          expect(back.dyU).toBeCloseTo(there.dyU, 5);
          expect(back.opacity).toBeCloseTo(there.opacity, 5);
        }
      },
    ),
  );
});

test('a move that has no length is simply there from its start', () => {
  const use = {
    move: 'fade',
    unit: 'layer' as const,
    order: 'forward',
    overlap: 0,
    ease: 'even',
    startSeconds: 0.5,
    lengthSeconds: 0,
    params: {},
  };
  const compiled = compileMove(use, 1, 1, false);
  expect(poseAt(compiled, 0, 0.4, BOX).opacity).toBe(0);
  expect(poseAt(compiled, 0, 0.5, BOX)).toBe(REST);
});
