import { expect, test } from '@jest/globals';
import { estimateWords } from './OrderEstimate';

const preview = { files: 12, reused: 0, seconds: 200, bytes: 140e6, basis: 40, roomBytes: 10e9 };

test.each([
  [
    { seconds: null, bytes: null, basis: 0 },
    'How long it takes is not known yet: no file of this kind was made here.',
  ],
  [{}, 'Takes about 3 min and 140.0 MB, by 40 files made here.'],
  [
    { reused: 1, seconds: 4.4, basis: 1 },
    '1 file is there already. The rest takes about 4 s and 140.0 MB, by 1 file made here.',
  ],
  [
    { seconds: null, bytes: null, reused: 3 },
    '3 files are there already. How long the rest takes is not known yet: no file of one of these kinds was made here.',
  ],
  [{ reused: 12 }, 'All of them are there already and will be taken as made.'],
  [{ files: 1, reused: 1 }, 'It is there already and will be taken as made.'],
  [
    { roomBytes: 99e6 },
    'Takes about 3 min and 140.0 MB, by 40 files made here. There is room for 99.0 MB only.',
  ],
])('%j is said as what it is', (change, words) => {
  expect(estimateWords({ ...preview, ...change })).toBe(words);
});
