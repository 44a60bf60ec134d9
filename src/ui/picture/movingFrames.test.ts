import { expect, test } from '@jest/globals';
import { MovingFrames } from './movingFrames';
import type { OpenVideo, VideoFrameImage } from './videoStore';

const image = (number: number): VideoFrameImage => ({ number }) as unknown as VideoFrameImage;
const numberOf = (shown: VideoFrameImage | null): number => Number(shown && Reflect.get(shown, 'number'));

/** A video of 50 frames at 25 a second whose frames come when they are let; it notes which it was asked for. */
function opened() {
  const asked: number[] = [];
  const waiting: (() => void)[] = [];
  let told = 0;
  const video: OpenVideo = {
    widthPx: 320,
    heightPx: 180,
    seconds: 2,
    framesPerSecond: 25,
    frameAt(seconds) {
      const number = Math.floor(seconds * 25 + 1e-6);
      asked.push(number);
      return new Promise((resolve) => waiting.push(() => resolve(number > 49 ? null : image(number))));
    },
  };
  const frames = new MovingFrames(video, image(0), () => told++);
  return {
    asked,
    told: () => told,
    at: (number: number) => numberOf(frames.at(number / 25)),
    ready: (number: number) => frames.ready(number / 25),
    /** Lets frames come until none is waited for. */
    async come(): Promise<void> {
      for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
        next();
        for (let i = 0; i < 5; i++) await Promise.resolve();
      }
    },
  };
}

test('until a frame has come the nearest stands in; then that one is shown, and it is told once', async () => {
  const video = opened();
  expect(video.at(10)).toBe(0);
  await video.come();
  expect([video.at(10), video.told()]).toEqual([10, 1]);
  expect(video.at(13)).toBe(10);
  expect(video.at(4)).toBe(0);
  await video.come();
  expect(video.asked).toEqual([10, 13, 4]);
});

test('while one is decoded only the two last wishes are kept, so that playing leaves frames out', async () => {
  const video = opened();
  for (const number of [1, 2, 3, 4, 5, 6]) video.at(number);
  await video.come();
  expect(video.asked).toEqual([1, 5, 6]);
  expect(video.at(6)).toBe(6);
});

test('painted again as often as it is told, a video at two moments at once comes to rest', async () => {
  const video = opened();
  for (let painted = -1; painted < video.told(); painted = video.told()) {
    video.at(8);
    video.at(30);
    await video.come();
  }
  expect([video.at(8), video.at(30), video.asked.length]).toEqual([8, 30, 2]);
});

test('after its end it stays at its last frame, and what cannot be decoded is not asked for again', async () => {
  const video = opened();
  video.at(80);
  await video.come();
  expect(video.at(80)).toBe(49);
  await Promise.all([video.ready(20), video.come()]);
  expect(video.at(20)).toBe(20);
  expect(video.told()).toBe(1);
});

test('some frames are kept, the oldest go', async () => {
  const video = opened();
  for (let number = 1; number <= 12; number++) {
    video.at(number);
    await video.come();
  }
  expect(video.at(12)).toBe(12);
  expect(video.asked).toHaveLength(12);
  video.at(1);
  await video.come();
  expect(video.asked).toHaveLength(13);
});
