import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { testTemplate, testText } from '@/core/testing';
import { motionOf, newMoveUse } from '@/core/model/newMove';
import { stopsOf } from '../state/stops';
import { rulerTicks, scoreScale, secondsToX, xToSeconds } from './scoreScale';
import { fromDesignSeconds, toDesignSeconds } from '@/core/titleTime/moments';
import { stretchTiming } from '@/core/titleTime/stretch';
import { RATES } from '@/core/time/rates';
import { snapLines, snapShift } from '../well/snap';
import { chooseLoop, loopFrames } from './useTitleTime';

describe('snapping in the picture', () => {
  const lines = snapLines([{ x: 0, y: 0, width: 1920, height: 1080 }]);
  const box = { x: 100, y: 100, width: 200, height: 50 };

  test('an edge, a far edge or a centre line stops at a line within reach', () => {
    expect(snapShift(box, -97, 0, lines, 6)).toMatchObject({ dx: -100, lineX: 0 });
    expect(snapShift(box, 1617, 0, lines, 6)).toMatchObject({ dx: 1620, lineX: 1920 });
    expect(snapShift(box, 757, 0, lines, 6)).toMatchObject({ dx: 760, lineX: 960 });
  });

  test('out of reach it moves freely', () => {
    expect(snapShift(box, -80, 11, lines, 6)).toEqual({ dx: -80, dy: 11, lineX: null, lineY: null });
  });
});

describe('the score', () => {
  const timings = fc.record({
    inSeconds: fc.double({ min: 0.04, max: 20, noNaN: true }),
    holdSeconds: fc.double({ min: 0.1, max: 500, noNaN: true }),
    outSeconds: fc.double({ min: 0.04, max: 20, noNaN: true }),
  });

  test('every time has a place and comes back from it', () => {
    fc.assert(
      fc.property(timings, fc.double({ min: 0, max: 1, noNaN: true }), (timing, share) => {
        const scale = scoreScale(timing, 660);
        const total = timing.inSeconds + timing.holdSeconds + timing.outSeconds;
        const back = xToSeconds(secondsToX(total * share, timing, scale), timing, scale);
        expect(back).toBeCloseTo(total * share, 4);
      }),
    );
  });

  test('in and out have one scale, and the hold always gets a quarter', () => {
    fc.assert(
      fc.property(timings, (timing) => {
        const { inPx, holdPx, outPx } = scoreScale(timing, 660);
        expect(inPx + holdPx + outPx).toBeCloseTo(660, 6);
        expect(inPx / outPx).toBeCloseTo(timing.inSeconds / timing.outSeconds, 6);
        expect(holdPx).toBeGreaterThanOrEqual(660 * 0.25 - 1e-6);
      }),
    );
  });
});

describe('a title that is tried at another length', () => {
  const design = { inSeconds: 1, holdSeconds: 4, outSeconds: 0.8 };
  const timing = stretchTiming(design, 500, RATES.get('25'));

  test('has the in and the out of the design, and its hold stands for the design’s', () => {
    expect(toDesignSeconds(0.4, design, timing)).toBeCloseTo(0.4, 6);
    expect(toDesignSeconds(timing.totalSeconds, design, timing)).toBeCloseTo(5.8, 6);
    for (const seconds of [0.2, 1, 7, 15, 19.5])
      expect(fromDesignSeconds(toDesignSeconds(seconds, design, timing), design, timing)).toBeCloseTo(
        seconds,
        6,
      );
  });

  test('loops a part of it or a range, which never is empty or beyond its ends', () => {
    expect(loopFrames('in', timing)).toEqual({ from: 0, to: 25 });
    expect(loopFrames('hold', timing)).toEqual({ from: 25, to: 480 });
    expect(loopFrames('out', timing)).toEqual({ from: 480, to: 500 });
    expect(loopFrames({ from: 490, to: 900 }, timing)).toEqual({ from: 490, to: 500 });
    expect(chooseLoop('fromHere', 'whole', 40, timing)).toEqual({ from: 40, to: 500 });
    expect(chooseLoop('toHere', { from: 40, to: 500 }, 90, timing)).toEqual({ from: 40, to: 90 });
    expect(chooseLoop('range', { from: 40, to: 90 }, 60, timing)).toEqual({ from: 40, to: 90 });
    expect(chooseLoop('in', { from: 40, to: 90 }, 60, timing)).toBe('in');
  });
});

describe('the ruler', () => {
  const timing = { inSeconds: 1, holdSeconds: 60, outSeconds: 0.8 };
  const ticksAt = (width: number, zoom = 1) =>
    rulerTicks(timing, scoreScale(timing, width, zoom), RATES.get('25'));

  test('has a line where each figure says it is, in order, and none twice', () => {
    for (const [width, zoom] of [
      [600, 1],
      [2400, 4],
    ] as const) {
      const scale = scoreScale(timing, width, zoom);
      const ticks = ticksAt(width, zoom);
      expect(ticks.map(({ x }) => x)).toEqual([...new Set(ticks.map(({ x }) => x))].sort((a, b) => a - b));
      const figures = ticks.flatMap(({ x, figure }) => (figure === null ? [] : [{ x, figure }]));
      expect(figures.length).toBeGreaterThan(2);
      for (const { x, figure } of figures) {
        const [seconds, frames] = figure.split(':').map(Number);
        expect(x).toBeCloseTo(secondsToX(seconds + frames / 25, timing, scale), 6);
      }
    }
  });

  test('shows single frames where they can be told apart, and only whole steps where the hold is long', () => {
    const near = ticksAt(8000, 8).filter(({ x }) => x < scoreScale(timing, 8000, 8).inPx);
    expect(near).toHaveLength(25);
    const { inPx, holdPx } = scoreScale(timing, 600);
    const hold = ticksAt(600).filter(({ x }) => x >= inPx && x < inPx + holdPx);
    expect(hold.length).toBeLessThan(holdPx / 7 + 1);
    expect(hold.length).toBeGreaterThan(3);
  });

  test('figures leave room for one another', () => {
    for (const width of [400, 900, 3000]) {
      const { inPx, holdPx } = scoreScale(timing, width);
      const figures = ticksAt(width).filter(
        ({ figure, x }) => figure !== null && x >= inPx && x < inPx + holdPx,
      );
      for (const [i, { x }] of figures.slice(1).entries()) expect(x - figures[i].x).toBeGreaterThan(50);
    }
  });
});

describe('where the keys for the next stop go', () => {
  const layer = testText('name', 'Ilse', {
    motion: {
      ...motionOf(newMoveUse('fade', { startSeconds: 0.2, lengthSeconds: 0.4 }), null),
      tracks: [
        {
          path: 'opacity',
          on: true,
          keys: [
            {
              moment: { from: 'hold', offsetSeconds: 0, share: 0.5 },
              value: 50,
              way: 'smooth',
              curve: [0.3, 0, 0.7, 1],
            },
          ],
        },
      ],
    },
  });
  const template = testTemplate([layer], { marks: [1.4] });
  const rate = RATES.get('25');
  const timing = stretchTiming(template.timing, 145, rate);

  test('edges, marks, and what the chosen layers have', () => {
    expect(stopsOf(template, [], timing, rate)).toEqual([0, 25, 35, 125, 144, 145]);
    expect(stopsOf(template, ['name'], timing, rate)).toEqual([0, 5, 15, 25, 35, 75, 125, 144, 145]);
  });

  test('a key of the hold stays in its middle at another length', () => {
    const long = stretchTiming(template.timing, 245, rate);
    expect(stopsOf(template, ['name'], long, rate)).toContain(125);
  });
});
