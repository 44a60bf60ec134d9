import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newFileCue } from '../formats/captions/captionFile';
import { clockOf } from '../time/clock';
import { RATES } from '../time/rates';
import { cuesToFile, fileToCues, proposedOrigin } from './cueFiles';

let made = 0;
const newId = (): string => `q${made++}`;
const at = (startSeconds: number, endSeconds: number) => newFileCue({ startSeconds, endSeconds, words: 'x' });
const plain = { originSeconds: 0, madeFor: null };

test('times fall on the nearest frames, in order, and nothing is shorter than a frame or before the start', () => {
  const cues = fileToCues(
    [at(4, 4.001), at(1.02, 2.5), at(-3, 0.5)],
    { trackId: 't', rate: RATES.get('25'), newId },
    plain,
  );
  expect(cues.map(({ startFrame, lengthFrames }) => [startFrame, lengthFrames])).toEqual([
    [0, 13],
    [26, 37],
    [100, 1],
  ]);
  expect(cues.every(({ trackId, guessed }) => trackId === 't' && !guessed)).toBe(true);
});

test('a file that counts from the project’s timecode is proposed to be taken so, another is not', () => {
  const clock = clockOf(RATES.get('25'), { mode: 'non-drop', startFrame: 36000 * 25 });
  expect(proposedOrigin([at(36001, 36002)], clock)).toBe(36000);
  expect(proposedOrigin([at(36001, 36002), at(5, 6)], clock)).toBe(0);
  expect(proposedOrigin([], clock)).toBe(0);
  const cues = fileToCues(
    [at(36001, 36002)],
    { trackId: 't', rate: clock.rate, newId },
    { ...plain, originSeconds: 36000 },
  );
  expect(cues[0].startFrame).toBe(25);
});

test('what was timed at another rate frame for frame is stretched by the rates', () => {
  const [cue] = fileToCues(
    [at(3600, 3601)],
    { trackId: 't', rate: RATES.get('25'), newId },
    { originSeconds: 0, madeFor: RATES.get('24') },
  );
  expect(cue.startFrame).toBe(3456 * 25);
});

test('frames written and read again are the same frames, at every rate', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...RATES.list),
      fc.nat(5_000_000),
      fc.integer({ min: 1, max: 9000 }),
      (rate, startFrame, lengthFrames) => {
        const [first] = fileToCues([at(0, 1)], { trackId: 't', rate, newId }, plain);
        const file = cuesToFile([{ ...first, startFrame, lengthFrames }], rate);
        // A file has milliseconds.
        const rounded = file.map((cue) => ({
          ...cue,
          startSeconds: Math.round(cue.startSeconds * 1000) / 1000,
          endSeconds: Math.round(cue.endSeconds * 1000) / 1000,
        }));
        expect(fileToCues(rounded, { trackId: 't', rate, newId }, plain)[0]).toMatchObject({
          startFrame,
          lengthFrames,
        });
      },
    ),
  );
});
