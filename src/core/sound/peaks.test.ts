import { expect, test } from '@jest/globals';
import { samplePeaks, wavePath } from './peaks';

test('a peak is the loudest sample of its part of a second, either way', () => {
  const samples = new Float32Array([0, 0.2, -1, 0.1, 0.5]);
  expect([...samplePeaks(samples, 4, 2)]).toEqual([51, 255, 128]);
  expect(samplePeaks(new Float32Array(), 4, 2)).toHaveLength(0);
  // Louder than it can be is as loud as can be.
  expect([...samplePeaks(new Float32Array([3]), 1, 1)]).toEqual([255]);
});

test('a wave says the loudest of what each line stands for, at the times that it is asked for', () => {
  const peaks = new Uint8Array([0, 255, 51, 0, 102]);
  const size = { lines: 2, widthPx: 20, heightPx: 10 };
  // From one second to five, a peak a second.
  expect(wavePath(peaks, 1, (share) => 1 + share * 4, size)).toBe('M5.0 0.0V10.0M15.0 3.0V7.0');
  expect(wavePath(peaks, 1, (share) => 2 + share * 2, { ...size, lines: 1, loudest: 102 })).toBe(
    'M10.0 2.5V7.5',
  );
  // Slower than the peaks: each line has the one that it lies in; beyond the end it is a point.
  expect(wavePath(peaks, 1, (share) => 4 + share * 2, size)).toBe('M5.0 3.0V7.0M15.0 4.6V5.4');
});
