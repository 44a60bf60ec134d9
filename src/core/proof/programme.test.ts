import { expect, test } from '@jest/globals';
import { RATES } from '../time/rates';
import { programmeParts } from './programme';

const rate = RATES.get('25');
const span = (startFrame: number, lengthFrames: number, words = 10) => ({ startFrame, lengthFrames, words });

test('spreads the words of a title over its time, and counts words a minute', () => {
  // 10 words in 2 s, in a programme of 4 s cut into parts of 1 s: 5 words a second.
  const parts = programmeParts([span(25, 50)], 100, rate, 4);
  expect(parts.map(({ wordsAMinute }) => Math.round(wordsAMinute))).toEqual([0, 300, 300, 0]);
  expect(parts.map(({ fromFrame, toFrame }) => [fromFrame, toFrame])).toEqual([
    [0, 25],
    [25, 50],
    [50, 75],
    [75, 100],
  ]);
});

test('counts titles that are on screen at once, not those that follow one another', () => {
  const titles = (spans: Parameters<typeof programmeParts>[0]): number[] =>
    programmeParts(spans, 100, rate, 2).map((part) => part.titles);
  expect(titles([span(0, 20), span(20, 20), span(60, 30)])).toEqual([1, 1]);
  expect(titles([span(0, 21), span(20, 20), span(20, 60)])).toEqual([3, 1]);
});

test('keeps every word, whatever the parts, and leaves out what lies past the end', () => {
  const spans = [span(3, 41, 7), span(90, 40, 8)];
  for (const most of [1, 3, 7, 100, 500]) {
    const all = programmeParts(spans, 100, rate, most).reduce(
      (sum, part) => sum + (part.wordsAMinute * (part.toFrame - part.fromFrame)) / 25 / 60,
      0,
    );
    expect(all).toBeCloseTo(7 + 2, 9);
  }
  expect(programmeParts(spans, 0, rate)).toEqual([]);
  expect(programmeParts([], 2, rate)).toHaveLength(2);
});
