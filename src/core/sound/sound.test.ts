import { expect, test } from '@jest/globals';
import { standInSpeech } from './speech';
import { samplesToWav } from './wav';

test('the stand-in speaks the same every time, with silences between its words, and never clips', () => {
  const samples = standInSpeech(6, 8000);
  expect(standInSpeech(6, 8000)).toEqual(samples);
  const loudest = samples.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
  expect(loudest).toBeGreaterThan(0.1);
  expect(loudest).toBeLessThanOrEqual(1);
  const silent = samples.filter((one) => one === 0).length / samples.length;
  expect(silent).toBeGreaterThan(0.15);
  expect(silent).toBeLessThan(0.7);
});

test('a WAV file says its length and rate, and holds the samples, the loudest clipped', () => {
  const file = samplesToWav(new Float32Array([0, 0.5, -0.5, 2, -2]), 8000);
  const data = new DataView(file);
  const word = (at: number): string => String.fromCharCode(...new Uint8Array(file, at, 4));
  expect([word(0), word(8), word(36)]).toEqual(['RIFF', 'WAVE', 'data']);
  expect(data.getUint32(4, true)).toBe(file.byteLength - 8);
  expect(data.getUint32(24, true)).toBe(8000);
  expect(data.getUint32(40, true)).toBe(10);
  const samples = Array.from({ length: 5 }, (_, i) => data.getInt16(44 + i * 2, true));
  expect(samples).toEqual([0, 16383, -16383, 32767, -32767]);
});
