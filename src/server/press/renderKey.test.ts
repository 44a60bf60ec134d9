import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../demo/templates';
import type { JobPayload, JobTitle } from '@/db/schema';
import { renderKey } from './renderKey';

const title: JobTitle = {
  titleId: 'a',
  fileStem: '001-ilse',
  document: tidelineStrap,
  values: { name: 'Ilse', role: 'Pilot' },
  lengthFrames: 60,
  onlyFrame: null,
};
const keyOf = (payload: Partial<JobPayload>, more: Partial<JobTitle> = {}): string =>
  renderKey(
    { name: 'x', output: 'mov-prores', format: 'wide-1080', rate: '25', titles: [], ...payload },
    { ...title, ...more },
  );

test('whoever asks, and under which name and in which order of values, it is the same file', () => {
  const [name, role] = Object.entries(title.values);
  const other = { titleId: 'b', fileStem: 'other', values: Object.fromEntries([role, name]) };
  expect(keyOf({ name: 'Another job' }, other)).toBe(keyOf({}));
});

test.each([
  [{ output: 'mov-png' }, {}],
  [{ format: 'tall-1080' }, {}],
  [{ rate: '50' }, {}],
  [{ interlaced: true }, {}],
  [{ drop: true }, {}],
  [{ language: 'tr' }, {}],
  [{ fine: true }, {}],
  [{}, { values: { name: 'Ilse M', role: 'Pilot' } }],
  [{}, { lengthFrames: 61 }],
  [{}, { plane: 'premultiplied' as const }],
  [{}, { timecodeFrame: 25 }],
  [{}, { document: { ...tidelineStrap, name: 'Another' } }],
])('what decides its bytes makes it another file: %j %j', (payload, more) => {
  expect(keyOf(payload, more)).not.toBe(keyOf({}));
});

test('what is always painted finely is the same file whether that was asked for or not', () => {
  const output = 'tiff-sequence';
  expect(keyOf({ output, fine: true })).toBe(keyOf({ output }));
});
