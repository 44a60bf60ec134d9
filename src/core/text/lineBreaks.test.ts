import { describe, expect, test } from '@jest/globals';
import { lineBreaks } from './lineBreaks';

/** A text cut where its lines may end. */
function parts(text: string): string[] {
  let from = 0;
  return lineBreaks(text).map((to) => {
    const part = text.slice(from, to);
    from = to;
    return part;
  });
}

describe('where lines may end', () => {
  test('after spaces and hyphens, not inside words', () => {
    expect(parts('The upper-weir ferry')).toEqual(['The ', 'upper-', 'weir ', 'ferry']);
  });

  test('between Thai words, which are written without spaces', () => {
    expect(parts('แม่น้ำและเรือ')).toEqual(['แม่น้ำ', 'และ', 'เรือ']);
    expect(parts('คนเรือ Osier ในแม่น้ำ')).toEqual(['คน', 'เรือ ', 'Osier ', 'ใน', 'แม่น้ำ']);
  });

  test('between the signs of Japanese, but not before what must not begin a line', () => {
    expect(parts('川の舟。')).toEqual(['川', 'の', '舟。']);
    expect(parts('「舟」')).toEqual(['「舟」']);
  });

  test('of Korean by words', () => {
    expect(parts('강의 배와 등불')).toEqual(['강의 ', '배와 ', '등불']);
  });

  test('an empty text has no place', () => {
    expect(lineBreaks('')).toEqual([]);
  });
});
