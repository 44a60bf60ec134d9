import { expect, test } from '@jest/globals';
import { SCENES } from '@/core/scenes';
import { soundOfClip } from './clipSound';

test('a video sounds by itself; only stand-in pictures are spoken over, and only where that is asked', () => {
  const [{ id }] = SCENES.list;
  expect(soundOfClip('video:abc-mp4', false)).toBe('abc-mp4');
  expect([soundOfClip(id, true), soundOfClip(id, false)]).toEqual(['speech', null]);
  // A still, and a plain colour.
  expect([soundOfClip('asset:abc', true), soundOfClip('#203040', true)]).toEqual([null, null]);
});
