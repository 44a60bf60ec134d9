import { expect, test } from '@jest/globals';
import { saysAll } from './saysAll';

test.each([
  ['Heat board, four boats', 'BOAT heat', true],
  ['Heat board, four boats', 'boat five', false],
  ['Heat board', '  heat ', true],
  ['Heat board', '', true],
  ['Cafe\u0301 line', 'caf\u00e9', true],
])('%j and the search %j: %s', (said, wanted, does) => {
  expect(saysAll(said, wanted)).toBe(does);
});
