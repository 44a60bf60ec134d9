import { expect, test } from '@jest/globals';
import { newMoveUse } from '@/core/model/newMove';
import { paceWords } from './PaceRows';

const times = { count: 29, unitSeconds: 0.4, gapSeconds: 0.0286, totalSeconds: 1.2 };

test('what a move comes to is said for the words that are there', () => {
  const use = newMoveUse('turn', { unit: 'letter', lengthSeconds: 1.2, unitSeconds: 0.4 });
  expect(paceWords(use, times)).toBe('29 letters, each 0.4 s long, one every 0.029 s, 1.2 s in all.');
  expect(paceWords(use, { ...times, count: 1, gapSeconds: 0 })).toBe('1 letter, 0.4 s long.');
  expect(paceWords(use, { ...times, gapSeconds: 0 })).toContain('all at once');
});

test('a delay that does not fit is told, one that does is not', () => {
  const use = newMoveUse('turn', { unit: 'letter', lengthSeconds: 1.2, unitSeconds: 0.4, gapSeconds: 0.1 });
  expect(paceWords(use, times)).toContain('The delay of 0.1 s does not fit into 1.2 s.');
  expect(paceWords(use, { ...times, gapSeconds: 0.1 })).not.toContain('does not fit');
  expect(paceWords({ ...use, waits: true }, times)).not.toContain('does not fit');
});
