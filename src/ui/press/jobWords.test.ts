import { expect, test } from '@jest/globals';
import type { JobSummary } from '@/contract/jobs';
import { bytesToWords } from '@/core/kit/bytes';
import { reusedWords, timeLeft } from './jobWords';

const job = (change: Partial<JobSummary>): JobSummary => ({
  id: 'j',
  priority: 0,
  status: 'running',
  progress: { doneFrames: 100, totalFrames: 300, paintedFrames: 40 },
  files: [],
  failures: [],
  error: null,
  createdAt: '2026-11-25T00:00:00.000Z',
  startedAt: '2026-11-25T00:00:00.000Z',
  endedAt: null,
  name: 'J',
  output: 'mov-png',
  format: 'wide-1080',
  rate: '25',
  titleCount: 1,
  papers: [],
  handover: null,
  keep: false,
  filesGone: null,
  ...change,
});
const at = (seconds: number): number => Date.parse('2026-11-25T00:00:00.000Z') + seconds * 1000;

test('sizes are said as people say them', () => {
  expect([999, 1500, 7_340_000, 2_500_000_000].map(bytesToWords)).toEqual([
    '999 B',
    '2 kB',
    '7.3 MB',
    '2.50 GB',
  ]);
});

test('the time left goes by the pace so far', () => {
  expect(timeLeft(job({}), at(10))).toBe('about 20 s left');
  expect(timeLeft(job({}), at(120))).toBe('about 4 min left');
});

test('no time is made up before there is a pace, or after the end', () => {
  expect(timeLeft(job({}), 0)).toBe('');
  expect(timeLeft(job({ startedAt: null }), at(10))).toBe('');
  expect(timeLeft(job({ progress: { doneFrames: 0, totalFrames: 300, paintedFrames: 0 } }), at(10))).toBe('');
  expect(timeLeft(job({ status: 'done' }), at(10))).toBe('');
});

test('frames that did not have to be painted are counted', () => {
  expect(reusedWords(job({}))).toBe('60 of 100 frames reused');
  expect(reusedWords(job({ progress: { doneFrames: 10, totalFrames: 20, paintedFrames: 10 } }))).toBe('');
});
