import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { motionOf } from '../model/newMove';
import type { Keyframe, Template } from '../model/template';
import { testBox, testTemplate } from '../testing';
import type { KeyRef } from './manyKeys';
import { keyTimes, moveKeys, removeKeys, scaleKeys } from './manyKeys';

const DESIGN = { inSeconds: 2, holdSeconds: 4, outSeconds: 2 };
const key = (seconds: number): Keyframe => ({
  moment: { from: 'start', offsetSeconds: seconds, share: 0 },
  value: seconds,
  way: 'straight',
  curve: [0.45, 0, 0.3, 1],
});
const track = (path: string, ...seconds: number[]) => ({ path, on: true, keys: seconds.map(key) });
const START: Template = testTemplate(
  [
    testBox('a', { motion: motionOf(null, null, { tracks: [track('place.dxU', 0.5, 1, 1.5)] }) }),
    testBox('b', {
      motion: motionOf(null, null, { tracks: [track('opacity', 1.2, 0.2), track('place.dyU', 1)] }),
    }),
  ],
  { timing: DESIGN },
);
const ref = (layerId: string, path: string, index: number): KeyRef => ({ layerId, path, index });
const CHOSEN = [ref('a', 'place.dxU', 0), ref('a', 'place.dxU', 2), ref('b', 'opacity', 0)];
const REST = [ref('a', 'place.dxU', 1), ref('b', 'opacity', 1), ref('b', 'place.dyU', 0)];
const rounded = (times: readonly number[]): number[] => times.map((one) => Math.round(one * 1000) / 1000);

test('keys of several layers move together, and no others', () => {
  const moved = moveKeys(START, CHOSEN, 0.3);
  expect(rounded(keyTimes(moved, CHOSEN))).toEqual([0.8, 1.5, 1.8]);
  expect(keyTimes(moved, REST)).toEqual(keyTimes(START, REST));
});

test('they keep their distances wherever they are moved, and stay in the title', () => {
  fc.assert(
    fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (by) => {
      const times = keyTimes(moveKeys(START, CHOSEN, by), CHOSEN);
      expect(times[0]).toBeGreaterThanOrEqual(-0.006);
      expect(times[2]).toBeLessThanOrEqual(8.006);
      expect(times[1] - times[0]).toBeCloseTo(0.7, 1);
      expect(times[2] - times[1]).toBeCloseTo(0.3, 1);
    }),
  );
});

test('they are scaled about a time, which stays', () => {
  expect(rounded(keyTimes(scaleKeys(START, CHOSEN, 0.5, 2), CHOSEN))).toEqual([0.5, 1.9, 2.5]);
  expect(rounded(keyTimes(scaleKeys(START, CHOSEN, 1.5, 0.5), CHOSEN))).toEqual([1, 1.35, 1.5]);
  // Beyond one another they do not go.
  expect(rounded(keyTimes(scaleKeys(START, CHOSEN, 0.5, -3), CHOSEN))).toEqual([0.5, 0.5, 0.5]);
});

test('they are removed together; a track without keys goes', () => {
  const without = removeKeys(START, [...CHOSEN, ref('b', 'opacity', 1)]);
  expect(without.layers[0].motion.tracks[0].keys.map(({ value }) => value)).toEqual([1]);
  expect(without.layers[1].motion.tracks.map(({ path }) => path)).toEqual(['place.dyU']);
});
