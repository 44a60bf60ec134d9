import { expect, test } from '@jest/globals';
import { moveInPicture } from './moveInPicture';

const frame = { x: 0, y: 0, width: 1920, height: 1080 };
const safe = { x: 96, y: 54, width: 1728, height: 972 };
const box = { x: 100, y: 900, width: 400, height: 100 };
const space = { box, frame, safe, reachU: 12 };
const none = { dxU: 0, dyU: 0 };

test('goes where the hand goes, in whole units, from where it was', () => {
  const { shift, lines } = moveInPicture({ dxU: 5, dyU: -3 }, { dxU: 100.4, dyU: -200.6 }, space);
  expect(shift).toEqual({ dxU: 105, dyU: -204 });
  expect(lines).toEqual([]);
});

test('is caught by the picture’s middle and by title safe, each axis by itself', () => {
  // Its middle is at 300 across, the picture's at 960.
  expect(moveInPicture(none, { dxU: 655, dyU: -100 }, space)).toEqual({
    shift: { dxU: 660, dyU: -100 },
    lines: [{ axis: 'x', at: 960 }],
  });
  expect(moveInPicture(none, { dxU: -10, dyU: 20 }, space)).toEqual({
    shift: { dxU: -4, dyU: 26 },
    lines: [
      { axis: 'x', at: 96 },
      { axis: 'y', at: 1026 },
    ],
  });
  expect(moveInPicture(none, { dxU: 1321, dyU: -400 }, space).shift.dxU).toBe(1324);
});

test('is caught by its own place, so that it can be brought back by hand', () => {
  expect(moveInPicture({ dxU: 200, dyU: -300 }, { dxU: -195, dyU: 310 }, space).shift).toEqual({
    dxU: 0,
    dyU: 0,
  });
});

test('goes past every line when it is told to', () => {
  expect(moveInPicture(none, { dxU: 655, dyU: 20 }, { ...space, reachU: 0 })).toEqual({
    shift: { dxU: 655, dyU: 20 },
    lines: [],
  });
});
