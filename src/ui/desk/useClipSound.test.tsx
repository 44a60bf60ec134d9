import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import type { Clip } from '@/core/model/project';
import { RATES } from '@/core/time/rates';
import type { Player } from '../picture/usePlayer';
import { useClipSound } from './useClipSound';

const RATE = RATES.get('25');
const clip = (picture: string): Clip =>
  ({ id: 'c', picture, startFrame: 0, lengthFrames: 500, sourceStartFrame: 0 }) as Clip;

let heard: string[] = [];
beforeEach(() => {
  heard = [];
  jest.spyOn(HTMLMediaElement.prototype, 'play').mockImplementation(() => {
    heard.push('play');
    return Promise.resolve();
  });
  jest.spyOn(HTMLMediaElement.prototype, 'pause').mockImplementation(() => void heard.push('pause'));
});
afterEach(() => {
  jest.restoreAllMocks();
});

test('a clip sounds where it is moved over and along while it plays, never because something else changed', () => {
  const first = { frame: 10, playing: false, picture: 'asset:a', on: true };
  const { rerender } = renderHook(
    ({ frame, playing, picture, on }: typeof first) =>
      useClipSound({ frame, playing } as Player, [clip(picture)], RATE, { on, speaks: false }),
    { initialProps: first },
  );
  const after = (change: Partial<typeof first>): string[] => {
    heard = [];
    rerender(Object.assign(first, change));
    return heard;
  };
  // Another picture comes to be under the playhead, which stays where it is.
  expect(after({ picture: 'video:b-mp4' })).not.toContain('play');
  expect(after({ frame: 11 })).toContain('play');
  expect(after({ on: false })).toEqual(['pause']);
  expect(after({ on: true })).not.toContain('play');
  expect(after({ playing: true })).toContain('play');
  expect(after({ playing: false })).toEqual(['pause']);
});
