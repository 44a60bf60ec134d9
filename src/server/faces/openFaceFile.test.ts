import { deflateSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { afterAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import wawoff2 from 'wawoff2';
import { InputError } from '@/core/kit/inputError';
import { openFaceFile, stopFaces } from './openFaceFile';
import { fontTables, makeFont, sfntOf } from './testing/makeFont';

afterAll(stopFaces);

const open = (bytes: Uint8Array) => openFaceFile(bytes, 'File "a.ttf"');
const marrow = { family: 'Marrow Sans', version: '2.5', fsType: 0x8 };

/** WOFF File Format 1.0: a head of 44 bytes, entries of 20, tables deflated where that is shorter. */
function woffOf(font: Buffer): Buffer {
  const count = font.readUInt16BE(4);
  const head = Buffer.alloc(44 + 20 * count);
  head.write('wOFF', 0, 'latin1');
  font.copy(head, 4, 0, 4);
  head.writeUInt16BE(count, 12);
  head.writeUInt32BE(font.length, 16);
  const parts = [head];
  let at = head.length;
  for (let i = 0; i < count; i++) {
    const entry = 12 + 16 * i;
    const data = font.subarray(
      font.readUInt32BE(entry + 8),
      font.readUInt32BE(entry + 8) + font.readUInt32BE(entry + 12),
    );
    const packed = deflateSync(data);
    const coded = packed.length < data.length ? packed : Buffer.from(data);
    font.copy(head, 44 + 20 * i, entry, entry + 4);
    head.writeUInt32BE(at, 48 + 20 * i);
    head.writeUInt32BE(coded.length, 52 + 20 * i);
    head.writeUInt32BE(data.length, 56 + 20 * i);
    font.copy(head, 60 + 20 * i, entry + 4, entry + 8);
    parts.push(coded, Buffer.alloc((4 - (coded.length % 4)) % 4));
    at += coded.length + ((4 - (coded.length % 4)) % 4);
  }
  return Buffer.concat(parts);
}

/** OpenType 1.9, Font Collections: the fonts behind a head, their tables' places counted from its beginning. */
function collectionOf(...fonts: readonly Buffer[]): Buffer {
  const head = Buffer.alloc(12 + 4 * fonts.length);
  head.write('ttcf', 0, 'latin1');
  head.writeUInt32BE(0x00010000, 4);
  head.writeUInt32BE(fonts.length, 8);
  let at = head.length;
  const moved = fonts.map((font, i) => {
    const copy = Buffer.from(font);
    for (let t = 0; t < copy.readUInt16BE(4); t++)
      copy.writeUInt32BE(copy.readUInt32BE(20 + 16 * t) + at, 20 + 16 * t);
    head.writeUInt32BE(at, 12 + 4 * i);
    at += copy.length;
    return copy;
  });
  return Buffer.concat([head, ...moved]);
}

describe('what a font says of itself', () => {
  test('is read from its tables', async () => {
    const font = makeFont({ ...marrow, style: 'Bold Italic', weight: 700, italic: true, letters: 'AΒΓж1 ' });
    const [{ facts, bytes }] = await open(font);
    expect(Buffer.from(bytes).equals(font)).toBe(true);
    expect(facts).toEqual({
      family: 'Marrow Sans',
      name: 'Marrow Sans Bold Italic',
      version: '2.5',
      weight: 700,
      italic: true,
      licence: 'not said',
      permission: 'editable',
      glyphCount: 7,
      letters: { Latin: 1, Greek: 2, Cyrillic: 1 },
      features: [],
      axes: [],
      coloured: false,
    });
  });

  test.each([
    [0x0, 'installable'],
    [0x2, 'restricted'],
    [0x4, 'preview'],
    [0x6, 'preview'],
    [0x8, 'editable'],
    [0x104, 'preview'],
  ])('fsType %d is %s', async (fsType, permission) => {
    const [{ facts }] = await open(makeFont({ ...marrow, fsType }));
    expect(facts.permission).toBe(permission);
  });

  test('has all its axes', async () => {
    const axes = [
      { tag: 'wght', least: 250, usual: 400, most: 820 },
      { tag: 'SWEL', least: 0, usual: 0, most: 100 },
    ];
    const [{ facts }] = await open(makeFont({ ...marrow, axes }));
    expect(facts.axes).toEqual([
      { ...axes[0], name: 'Weight' },
      { ...axes[1], name: 'SWEL' },
    ]);
  });

  test('gives one family for all weights, however its makers named them', async () => {
    const names = ['Marrow Sans SemiBold', 'Marrow Sans Light Italic', 'Marrow Sans'];
    for (const family of names) {
      const [{ facts }] = await open(makeFont({ ...marrow, family }));
      expect(facts.family).toBe('Marrow Sans');
    }
  });

  test('tells narrow and wide ones apart where their names do not', async () => {
    const named = async (family: string, widthClass: number): Promise<string> =>
      (await open(makeFont({ family, widthClass })))[0].facts.family;
    expect(await named('Marrow Sans', 3)).toBe('Marrow Sans Condensed');
    expect(await named('Marrow Sans', 7)).toBe('Marrow Sans Expanded');
    expect(await named('Marrow Sans', 5)).toBe('Marrow Sans');
    expect(await named('Marrow Narrow', 3)).toBe('Marrow Narrow');
  });

  test('of a shipped one is what its makers say', async () => {
    const [{ facts }] = await open(readFileSync('public/fonts/alegreya-italic-700.ttf'));
    expect(facts).toMatchObject({ family: 'Alegreya', weight: 700, italic: true, permission: 'installable' });
    expect(facts.features).toEqual(expect.arrayContaining(['tnum', 'onum', 'smcp', 'frac']));
  });
});

describe('every container gives the same font', () => {
  const plain = makeFont(marrow);
  test.each([
    ['WOFF', async () => woffOf(plain)],
    ['a collection', async () => collectionOf(plain)],
  ])('%s', async (_, made) => {
    const [{ facts, bytes }] = await open(await made());
    expect(facts).toEqual((await open(plain))[0].facts);
    const opened = Buffer.from(bytes);
    // In the same order, with the same bytes; what helps to search the directory is counted anew.
    expect(opened.subarray(12).equals(plain.subarray(12))).toBe(true);
  });

  test('WOFF2', async () => {
    const [{ facts }] = await open(await wawoff2.compress(plain));
    expect(facts).toEqual((await open(plain))[0].facts);
  });

  test('a collection gives each of its fonts', async () => {
    const bold = makeFont({ ...marrow, style: 'Bold', weight: 700 });
    const opened = await open(collectionOf(plain, bold));
    expect(opened.map(({ facts }) => facts.weight)).toEqual([400, 700]);
  });
});

describe('a file is refused', () => {
  const tables = fontTables(marrow);
  const without = (name: string): Buffer =>
    sfntOf(Object.fromEntries(Object.entries(tables).filter(([tag]) => tag !== name)));
  const touched = (name: string, at: number): Buffer => {
    const font = makeFont(marrow);
    const entry = [...Array(font.readUInt16BE(4)).keys()].map((i) => 12 + 16 * i);
    const found = entry.find((one) => font.toString('latin1', one, one + 4) === name) ?? 0;
    font[font.readUInt32BE(found + 8) + at] ^= 0x40;
    return font;
  };
  const outside = Buffer.from(tables.loca);
  outside.writeUInt32BE(1_000_000, 8);
  // In order, but longer than the outlines are.
  const beyond = Buffer.from(tables.loca);
  beyond.writeUInt32BE(tables.glyf.length + 4, beyond.length - 4);
  const longWoff = woffOf(makeFont(marrow));
  longWoff.writeUInt32BE(4_000_000_000, 16);

  test.each([
    ['that is empty', Buffer.alloc(0), /an empty file/],
    ['of another kind', Buffer.from('GIF89a, and no font at all'), /TTF, OTF, WOFF, WOFF2.* another kind/],
    ['without characters', without('cmap'), /one without “cmap”/],
    ['without outlines', without('glyf'), /a font with outlines, found one of pixels alone/],
    ['whose outlines were touched', touched('glyf', 3), /table “glyf” is not as it was made/],
    ['whose characters were touched', touched('cmap', 40), /table “cmap” is not as it was made/],
    ['with glyphs out of order', sfntOf({ ...tables, loca: outside }), /glyphs outside its outlines/],
    ['with glyphs outside', sfntOf({ ...tables, loca: beyond }), /glyphs outside its outlines/],
    [
      'whose axis goes nowhere',
      makeFont({ ...marrow, axes: [{ tag: 'wght', least: 500, usual: 400, most: 700 }] }),
      /axis “wght” goes nowhere/,
    ],
    ['whose head is not one', sfntOf({ ...tables, head: Buffer.alloc(54) }), /head is not a font’s/],
    ['that says it opens to gigabytes', longWoff, /at most 60 MB, found one of 4000 MB/],
    [
      'that is no WOFF2 behind its head',
      Buffer.concat([Buffer.from('wOF2'), Buffer.alloc(80)]),
      /does not open/,
    ],
  ])('%s', async (_, bytes, message) => {
    await expect(open(bytes)).rejects.toThrow(message);
  });

  test('wherever it is cut off', async () => {
    const font = makeFont(marrow);
    for (const share of [0.01, 0.1, 0.5, 0.99])
      await expect(open(font.subarray(0, Math.floor(font.length * share)))).rejects.toThrow(InputError);
  });

  test('or read, but never hangs or ends the server, whatever its bytes are', async () => {
    const font = makeFont(marrow);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(font.length - 1), fc.nat(255)), { minLength: 1, maxLength: 12 }),
        fc.boolean(),
        async (changes, inWoff) => {
          const bytes = inWoff ? woffOf(font) : Buffer.from(font);
          for (const [at, value] of changes) bytes[at % bytes.length] = value;
          await open(bytes).catch((error: unknown) => expect(error).toBeInstanceOf(InputError));
        },
      ),
      { numRuns: 150 },
    );
  });
});
