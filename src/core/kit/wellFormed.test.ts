import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { wellFormedText, wellFormedValue } from './wellFormed';

describe('text from outside', () => {
  test.each([
    ['Ilse Marrow', 'Ilse Marrow'],
    ['two\tcells\nand a line\r\n', 'two\tcells\nand a line\r\n'],
    ['نور الهلالي, सीमा घाटे, 潮', 'نور الهلالي, सीमा घाटे, 潮'],
    ['a\u200db \u200e\u200f', 'a\u200db \u200e\u200f'],
    ['a\0b\u0007c\u001bd\u007fe\u009bf', 'abcdef'],
    ['next\u0085line', 'next\u0085line'],
    ['half \ud83d and \ude00', 'half \ufffd and \ufffd'],
    ['whole \ud83d\ude00', 'whole \ud83d\ude00'],
    ['none \ufffe\uffff\ufdd0', 'none '],
    // An override is ended where its line ends (UAX 9, 2.2), an isolate likewise (2.4).
    ['\u202eabc\ndef', '\u202eabc\u202c\ndef'],
    ['\u2067\u202aabc', '\u2067\u202aabc\u202c\u2069'],
    ['\u2066abc\u2069 d', '\u2066abc\u2069 d'],
    // One that ends nothing would end what stands round it.
    ['abc\u202c\u2069', 'abc'],
  ])('%j becomes %j', (given, expected) => {
    expect(wellFormedText(given)).toBe(expected);
  });

  test('once it is well-formed it stays as it is, and can be encoded', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (text) => {
        const clean = wellFormedText(text);
        expect(wellFormedText(clean)).toBe(clean);
        expect(new TextDecoder().decode(new TextEncoder().encode(clean))).toBe(clean.replace(/^\uFEFF/, ''));
        expect(clean).not.toContain('\0');
      }),
    );
  });
});

describe('a value from outside', () => {
  test('has well-formed texts and keys, whatever they are called', () => {
    const given: unknown = JSON.parse('{"a":["x\\u0000"],"k\\u0000":{"n":1,"__proto__":{"polluted":true}}}');
    const clean = wellFormedValue(given);
    expect(clean).toEqual({ a: ['x'], k: expect.anything() });
    expect(Object.keys(Object(Reflect.get(Object(clean), 'k')))).toEqual(['n', '__proto__']);
    expect(Reflect.get({}, 'polluted')).toBeUndefined();
  });

  test('is cut where it is deeper than anything of ours', () => {
    let deep: unknown = 'end';
    for (let i = 0; i < 5000; i++) deep = [deep];
    expect(JSON.stringify(wellFormedValue(deep)).length).toBeLessThan(200);
  });
});
