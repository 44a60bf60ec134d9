import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { decodeSheet, readClipboard, readSheet, writeClipboard, writeCsv } from './csv';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

describe('reading a sheet', () => {
  test.each([
    ['commas', 'In,Name\n1:00,"Marrow, Ilse"\n'],
    ['semicolons', 'In;Name\r\n1:00;"Marrow, Ilse"\r\n'],
    ['tabs', 'In\tName\n1:00\tMarrow, Ilse'],
    ['a byte order mark', '\uFEFFIn,Name\n\n1:00,"Marrow, Ilse"\n\n'],
  ])('parted by %s', (_, text) => {
    expect(readSheet(text)).toEqual({ headers: ['In', 'Name'], rows: [['1:00', 'Marrow, Ilse']], notes: [] });
  });

  test('names columns without a name, and tells of names that are there twice', () => {
    const { headers, rows, notes } = readSheet('Name,,name\nA,B,C,D\nE');
    expect(headers).toEqual(['Name', 'Column 2', 'name (2)']);
    expect(rows).toEqual([
      ['A', 'B', 'C'],
      ['E', '', ''],
    ]);
    expect(notes.join('\n')).toMatch(/"name" is there 2 times/);
    expect(notes.join('\n')).toMatch(/Some rows have 4 cells for 3 columns/);
  });

  test('keeps line ends, quotes and right-to-left text within a cell', () => {
    const text = 'Name,Rows\n"نور ""الهلالي""","one\ntwo"\n';
    expect(readSheet(text).rows).toEqual([['نور "الهلالي"', 'one\ntwo']]);
  });

  test('refuses a text without rows', () => {
    expect(() => readSheet('  \n ')).toThrow(/Sheet: needs a row of column names/);
  });

  test('tells of a quote that is never closed', () => {
    expect(readSheet('Name\n"Ilse\n').notes.join()).toMatch(/Line \d: /);
  });
});

describe('bytes', () => {
  test('are UTF-8 or UTF-16, or else Windows-1252 with a note', () => {
    expect(decodeSheet(bytes('Ñ,é'))).toEqual({ text: 'Ñ,é', notes: [] });
    const wide = new Uint8Array([0xff, 0xfe, 0x41, 0, 0x2c, 0]);
    expect(decodeSheet(wide).text).toBe('A,');
    expect(decodeSheet(new Uint8Array([0xfe, 0xff, 0, 0x41])).text).toBe('A');
    const old = decodeSheet(new Uint8Array([0x4a, 0xf8, 0x72, 0x67]));
    expect(old.text).toBe('Jørg');
    expect(old.notes[0]).toMatch(/not all UTF-8/);
  });
});

describe('writing', () => {
  test('guards cells that a spreadsheet would run, and reads them back as they were', () => {
    const cells = ['=1+1', '+44', '-5', '@home', "'=quoted", 'plain', "it's"];
    const text = writeCsv(
      ['A'],
      cells.map((cell) => [cell]),
    );
    expect(text).toContain("'=1+1");
    expect(
      text
        .split('\r\n')
        .slice(1, -1)
        .every((line) => !/^"?[=+@-]/.test(line)),
    ).toBe(true);
    expect(readSheet(text).rows.flat()).toEqual(cells);
  });

  test('any cells come back as they were', () => {
    const cell = fc.string({ unit: 'grapheme', maxLength: 20 }).map((text) => text.replaceAll('\r', ''));
    const rows = fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(rows, (list) => {
        const kept = list.filter((row) => row.some((text) => text.trim() !== ''));
        expect(readSheet(writeCsv(['One', 'Two'], list)).rows).toEqual(kept);
      }),
    );
  });

  test('cells on the clipboard are guarded against being run as formulas, and come back as they were', () => {
    const cells = [
      ['=1+1', '@sum', 'Ilse'],
      ['-', '+44 1', "'quoted"],
    ];
    const text = writeClipboard(cells);
    expect(text.split('\n')[0]).toBe("'=1+1\t'@sum\tIlse");
    expect(readClipboard(text)).toEqual(cells);
  });

  test('the clipboard has tabs between cells, and quotes around what holds one', () => {
    const rows = [
      ['a', 'b\tc'],
      ['d "e"', 'f\ng'],
    ];
    expect(
      writeClipboard([
        ['a', 'b'],
        ['c', ''],
      ]),
    ).toBe('a\tb\nc\t');
    expect(readClipboard(writeClipboard(rows))).toEqual(rows);
    expect(readClipboard('a\tb\r\n')).toEqual([['a', 'b']]);
  });
});
