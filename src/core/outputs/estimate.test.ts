import { expect, test } from '@jest/globals';
import { estimateFiles } from './estimate';

const sample = (seconds: number, bytes: number, frames = 100, pixels = 1000) => ({
  pixels,
  frames,
  seconds,
  bytes,
});

test('files take what a pixel of a frame took of others, at the median', () => {
  const samples = [sample(1, 5000), sample(2, 7000), sample(400, 900_000)];
  const same = estimateFiles(samples, [{ pixels: 1000, frames: 100 }], 1);
  expect(same?.seconds).toBeCloseTo(2);
  expect(same?.bytes).toBeCloseTo(7000);
  // Four times as large and half as long; of two samples the mean counts.
  const two = estimateFiles([sample(1, 100), sample(3, 300)], [{ pixels: 4000, frames: 50 }], 1);
  expect(two?.seconds).toBeCloseTo(4);
  expect(two?.bytes).toBeCloseTo(400);
});

test('several are made at a time, but none in less than it takes by itself', () => {
  const one = { pixels: 1000, frames: 100 };
  expect(estimateFiles([sample(2, 10)], [one, one, one, one], 2)).toEqual({ seconds: 4, bytes: 40 });
  expect(estimateFiles([sample(2, 10)], [{ ...one, frames: 300 }, one], 4)?.seconds).toBeCloseTo(6);
});

test('nothing is known where nothing was made, and nothing takes nothing', () => {
  expect(estimateFiles([], [{ pixels: 1, frames: 1 }], 2)).toBeNull();
  expect(estimateFiles([sample(1, 1, 0)], [{ pixels: 1, frames: 1 }], 2)).toBeNull();
  expect(estimateFiles([sample(1, 1)], [], 2)).toEqual({ seconds: 0, bytes: 0 });
});
