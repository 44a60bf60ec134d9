import { expect, test } from '@jest/globals';
import { chosenByClick } from './chosenByClick';

const ids = ['a', 'b', 'c', 'd', 'e'];
const none = { ctrlKey: false, metaKey: false, shiftKey: false };
const shift = { ...none, shiftKey: true };
const ctrl = { ...none, ctrlKey: true };

test('a click chooses one, with Shift all from the first chosen up to it, either way', () => {
  expect(chosenByClick(none, ['a', 'b'], 'd', ids)).toEqual(['d']);
  expect(chosenByClick(shift, ['b'], 'd', ids)).toEqual(['b', 'c', 'd']);
  expect(chosenByClick(shift, ['d', 'e'], 'b', ids)).toEqual(['d', 'b', 'c']);
  expect(chosenByClick(shift, [], 'c', ids)).toEqual(['c']);
});

test('with Ctrl it is one more, which is then the first, or one less', () => {
  expect(chosenByClick(ctrl, ['a'], 'c', ids)).toEqual(['c', 'a']);
  expect(chosenByClick(ctrl, ['c', 'a'], 'c', ids)).toEqual(['a']);
  expect(chosenByClick({ ...none, metaKey: true }, ['a'], 'a', ids)).toEqual([]);
});
