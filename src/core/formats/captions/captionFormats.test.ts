import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { InputError } from '../../kit/inputError';
import { clockOf } from '../../time/clock';
import { RATES } from '../../time/rates';
import type { FileCue } from './captionFile';
import { newFileCue } from './captionFile';
import { decodeText } from './decodeText';
import { CAPTION_FORMATS } from '.';
import { captionFormatOf, readCaptions } from './readCaptions';

const clock = clockOf(RATES.get('25'));
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const textOf = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const read = (name: string, text: string | Uint8Array, encoding: string | null = null) =>
  readCaptions(name, typeof text === 'string' ? bytesOf(text) : text, { clock, encoding });
const write = (id: string, cues: readonly FileCue[], more = {}): Uint8Array<ArrayBuffer> =>
  CAPTION_FORMATS.get(id).write(cues, {
    clock,
    language: 'en',
    name: 'Night report',
    date: '2026-11-28',
    ...more,
  });
const cue = (startSeconds: number, endSeconds: number, words: string, more: Partial<FileCue> = {}): FileCue =>
  newFileCue({ startSeconds, endSeconds, words, ...more });

describe('SubRip', () => {
  test('reads what files have: BOM, CRLF, wrong and missing numbers, points, empty lines inside, tags', () => {
    const file = read(
      'a.srt',
      '\uFEFF1\r\n00:00:01,000 --> 00:00:02,500\r\nOne <i>two</i>\r\n\r\nthree\r\n\r\n7\r\n0:00:03.5 -> 00:00:04.250 X1:10\r\n' +
        '{\\an8}<font color="#FFFF10">Up &amp; away</font>\r\n\r\n00:00:05,000 --> 00:00:06,000\r\n<b>2</b>\r\n',
    );
    expect(file.cues).toEqual([
      cue(1, 2.5, 'One <i>two</i>\nthree'),
      cue(3.5, 4.25, '<c.yellow>Up & away</c>', { place: 'top' }),
      cue(5, 6, '2'),
    ]);
    expect(file.problems).toEqual([]);
    expect(file.notes).toEqual(['Marks that captions do not have were left out: <b>.']);
  });

  test('what is damaged is told with its line, and the rest is read', () => {
    const file = read(
      'a.srt',
      '1\n00:00:01,000 --> 00:00\nlost\n\n2\n00:00:09,000 --> 00:00:08,000\nback\n\n3\n00:00:10,000 --> 00:00:11,000\n\n',
    );
    expect(file.cues).toEqual([cue(8, 9, 'back')]);
    expect(file.problems.map((one) => one.slice(0, 20))).toEqual([
      'Line 2: needs times ',
      'Line 6: it ends befo',
      'Line 10: a cue witho',
    ]);
    expect(() => read('a.srt', 'no captions at all')).toThrow(InputError);
  });

  test('a cue that ends in a number of its own keeps it', () => {
    const file = read(
      'a.srt',
      '1\n00:00:01,000 --> 00:00:02,000\nPlatform\n9\n\n2\n00:00:03,000 --> 00:00:04,000\nx\n',
    );
    expect(file.cues[0].words).toBe('Platform\n9');
  });

  test('is written in its strict form', () => {
    expect(
      textOf(
        write('srt', [
          cue(3661.0394, 3662.5, 'a\n<i>b</i>', { align: 'right', place: 'top', speaker: 'Nell' }),
        ]),
      ),
    ).toBe('1\r\n01:01:01,039 --> 01:01:02,500\r\n{\\an9}Nell: a\r\n<i>b</i>\r\n');
  });
});

describe('WebVTT', () => {
  test('reads hours or none, settings, notes, voices, classes and entities', () => {
    const file = read(
      'a.vtt',
      'WEBVTT - Night\nLanguage: cy\n\nNOTE\nnot\nthis\n\nSTYLE\n::cue { color: red }\n\nfirst\n00:01.000 --> 00:02.500 line:10% align:start\n' +
        '<v Nell Harrowgate>Rain &lt;here&gt;</v>\n\n01:00:00.000 --> 01:00:01.000 line:-2\n<c.bg_blue.yellow>ho</c><00:00.500><u>t</u>\n\n00:00.000 --> 00\nx',
    );
    expect(file.language).toBe('cy');
    expect(file.cues).toEqual([
      cue(1, 2.5, 'Rain <here>', { speaker: 'Nell Harrowgate', place: 'top', align: 'left' }),
      cue(3600, 3601, '<c.yellow>ho</c>t', { place: 'bottom' }),
    ]);
    expect(file.notes[0]).toBe('What captions do not have was left out: styles, times inside cues, <u>.');
    expect(file.problems).toHaveLength(1);
    expect(file.problems[0]).toMatch(/^Line 18: /);
  });

  test('is written so that signs and empty lines do no harm', () => {
    expect(textOf(write('vtt', [cue(1, 2, 'a < b & c\n\nd', { speaker: 'A&B' })], { language: '' }))).toBe(
      'WEBVTT\n\n1\n00:00:01.000 --> 00:00:02.000\n<v A&amp;B>a &lt; b &amp; c\nd\n',
    );
  });
});

const TTML = `<?xml version="1.0" encoding="UTF-8"?>
<tt:tt xmlns:tt="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter" xmlns:tts="http://www.w3.org/ns/ttml#styling" xmlns:ttm="http://www.w3.org/ns/ttml#metadata" ttp:frameRate="25" ttp:tickRate="1000" ttp:cellResolution="40 24" xml:lang="hi">
 <tt:head><tt:metadata><ttm:agent xml:id="n"><ttm:name type="full">Nell</ttm:name></ttm:agent></tt:metadata>
  <tt:styling><tt:style xml:id="base" tts:color="#ffff00ff"/><tt:style xml:id="tilt" style="base" tts:fontStyle="italic"/></tt:styling>
  <tt:layout><tt:region xml:id="up" tts:origin="10% 5%" tts:extent="80% 20%" tts:displayAlign="after"/>
   <tt:region xml:id="low"><tt:style tts:origin="4c 18c" tts:extent="32c 4c"/></tt:region></tt:layout></tt:head>
 <tt:body begin="10s"><tt:div>
  <tt:p begin="00:00:01:05" end="2.5s" region="up" ttm:agent="n">नदी
     का <tt:span style="tilt">पानी</tt:span> <tt:br/> आया</tt:p>
  <tt:p begin="3000t" dur="1s" region="low" tts:textAlign="end">x</tt:p>
  <tt:p begin="9s">endless</tt:p><tt:p begin="soon" end="12s">y</tt:p>
 </tt:div></tt:body></tt:tt>`;

describe('TTML', () => {
  test('reads any prefix, every clock, named styles, regions and agents', () => {
    const file = read('a.xml', TTML);
    expect(file.format.id).toBe('imsc');
    expect(file.language).toBe('hi');
    expect(file.cues).toEqual([
      cue(10, 22, 'y'),
      cue(11.2, 12.5, 'नदी का <c.yellow><i>पानी</i></c>\nआया', { speaker: 'Nell', place: 'top' }),
      cue(13, 14, 'x', { place: 'bottom', align: 'right' }),
    ]);
    expect(file.problems).toEqual([
      'Line 11: a cue without an end, left out.',
      'Line 11: needs a time such as 00:00:01.000 or 12s, found "soon".',
    ]);
  });

  test('a document that breaks off is read as far as it goes', () => {
    const file = read('a.xml', TTML.slice(0, TTML.indexOf('<tt:p begin="9s"')));
    expect(file.cues).toHaveLength(2);
    expect(file.problems.join()).toMatch(/Line 11: .*unclosed/i);
  });

  test('entities that grow are not followed', () => {
    const bomb = `<!DOCTYPE tt [<!ENTITY a "${'x'.repeat(50)}"><!ENTITY b "&a;&a;">]>${TTML.slice(TTML.indexOf('<tt:tt')).replace('x</tt:p>', '&b;</tt:p>')}`;
    expect(read('a.xml', bomb).problems.join()).toMatch(/undefined entity/i);
  });

  test('other XML is refused', () => {
    expect(() => read('a.xml', '<?xml version="1.0"?><html><p begin="1s" end="2s">x</p></html>')).toThrow(
      /TTML/,
    );
  });
});

/** A subtitle block of Tech 3264 as its table of bytes says. */
function block(
  number: number,
  times: readonly number[],
  field: readonly number[],
  [extension = 0xff, row = 20, align = 2, comment = 0] = [] as number[],
): number[] {
  const bytes = [0, number % 256, number >> 8, extension, 0, ...times, row, align, comment, ...field];
  return [...bytes, ...Array.from({ length: 128 - bytes.length }, () => 0x8f)];
}

function stlFile(
  head: { dfc?: string; table?: string; language?: string; start?: string },
  blocks: readonly number[][],
): Uint8Array {
  const { dfc = 'STL25.01', table = '00', language = '09', start = '10000000' } = head;
  const bytes = new Uint8Array(1024).fill(0x20);
  const put = (at: number, text: string): void => bytes.set(bytesOf(text), at);
  put(0, '850');
  put(3, dfc);
  put(11, `0${table}${language}`);
  put(256, start);
  return Uint8Array.from([...bytes, ...blocks.flat()]);
}
const ascii = (text: string): number[] => Array.from(text, (one) => one.charCodeAt(0));

describe('EBU STL', () => {
  test('reads a file made from the tables of the standard', () => {
    const file = read(
      'x.stl',
      stlFile({}, [
        // Acute before e; "ß" FB; line end; italics; comment; a part in yellow; double height rows.
        block(
          1,
          [10, 0, 1, 12, 10, 0, 3, 0],
          [...ascii('Caf'), 0xc2, 0x65, 0x20, 0xfb, 0x8a, 0x80, ...ascii('deux'), 0x81],
        ),
        block(2, [10, 0, 4, 0, 10, 0, 5, 0], ascii('note'), [0xff, 20, 2, 1]),
        block(
          3,
          [10, 0, 6, 0, 10, 0, 7, 24],
          [0x0d, 0x03, 0x0b, 0x0b, ...ascii('Up'), 0x0a, 0x0a, 0x8a, 0x8a, 0x0d, 0x0b, 0x0b, ...ascii('low')],
          [0xff, 1, 1, 0],
        ),
      ]),
    );
    expect(file.language).toBe('en');
    expect(file.cues).toEqual([
      cue(1.48, 3, 'Café ß\n<i>deux</i>'),
      cue(6, 7.96, '<c.yellow>Up</c>\nlow', { place: 'top', align: 'left' }),
    ]);
    expect(file.notes).toEqual(['Its times were counted from 10:00:00:00.']);
  });

  test('reads Greek by its table, and a subtitle over several blocks', () => {
    const long = Array.from({ length: 112 }, () => 0x61);
    const file = read(
      'x.stl',
      stlFile({ table: '03', language: '70', start: '00000000' }, [
        block(1, [0, 0, 1, 0, 0, 0, 2, 0], [0xc1, 0xe8, 0xde, 0xed, 0xe1]),
        block(2, [0, 0, 3, 0, 0, 0, 4, 0], long, [0]),
        block(2, [0, 0, 3, 0, 0, 0, 4, 0], ascii('b')),
      ]),
    );
    expect(file.language).toBe('el');
    expect(file.cues.map(({ words }) => words)).toEqual(['Αθήνα', `${'a'.repeat(112)}b`]);
  });

  test('times at 30 frames, wrong times and broken ends', () => {
    const bytes = stlFile({ dfc: 'STL30.01', start: '00000000' }, [
      block(1, [0, 0, 1, 15, 0, 0, 2, 0], ascii('a')),
      block(2, [0, 0, 77, 0, 0, 0, 9, 0], ascii('b')),
    ]);
    const file = read('x.stl', Uint8Array.from([...bytes, 1, 2, 3]));
    expect(file.cues).toEqual([cue(1.5, 2, 'a')]);
    expect(file.problems).toEqual([
      'The file ends inside a block, after 3 of 128 bytes.',
      'Block 2: needs times, found 0 0 77 0 0 0 9 0; left out.',
    ]);
    expect(() => read('x.stl', bytes.subarray(0, 1024))).toThrow(InputError);
  });

  test('is written byte for byte as the standard lays it out', () => {
    const ten = { clock: clockOf(RATES.get('25'), { mode: 'non-drop', startFrame: 36000 * 25 }) };
    const bytes = write('stl', [cue(1.48, 3, 'Café\n<c.yellow>Łódź $</c>', { align: 'left' })], ten);
    expect(bytes).toHaveLength(1024 + 128);
    const at = (from: number, length: number): string => ascii8(bytes.subarray(from, from + length));
    expect([at(0, 3), at(3, 8), at(12, 2), at(14, 2)]).toEqual(['850', 'STL25.01', '00', '09']);
    expect([at(224, 6), at(238, 5), at(243, 5), at(256, 8), at(264, 8)]).toEqual([
      '261128',
      '00001',
      '00001',
      '10000000',
      '10000112',
    ]);
    const tti = bytes.subarray(1024);
    expect([...tti.subarray(3, 16)]).toEqual([0xff, 0, 10, 0, 1, 12, 10, 0, 3, 0, 21, 1, 0]);
    expect([...tti.subarray(16, 34)]).toEqual([
      ...ascii('Caf'),
      0xc2,
      0x65,
      0x8a,
      3,
      0xe8,
      0xc2,
      0x6f,
      0x64,
      0xc2,
      0x7a,
      0x20,
      0xa4,
      0x8f,
      0x8f,
      0x8f,
    ]);
  });

  test('what it has no letters for is told before it is written', () => {
    const { losses } = CAPTION_FORMATS.get('stl');
    const options = { clock, language: 'hi', name: '', date: '2026-11-28' };
    expect(losses([cue(0, 1, 'नदी')], options)[0]).toMatch(
      /^It has no letters for 3 characters, such as न द;/,
    );
    expect(losses([cue(0, 1, '“Москва” – …')], options)).toEqual([]);
    expect(losses([cue(0, 1, 'Plain')], { ...options, clock: clockOf(RATES.get('23.976')) })[0]).toMatch(
      /25 frames/,
    );
  });
});

const ascii8 = (bytes: Uint8Array): string => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');

describe('sheets', () => {
  test('read timecodes on the project’s clock, fractions from its start, and usual names of columns', () => {
    const file = read(
      'a.csv',
      'Start;End;Text;Who;Forced\r\n00:00:01:12;00:00:03:00;"One\ntwo";Nell;yes\r\n0:00:04.5;0:00:05;x;;\r\nsoon;0:1:2;y;;\r\n',
    );
    expect(file.cues).toEqual([
      cue(1.48, 3, 'One\ntwo', { speaker: 'Nell', forced: true }),
      cue(4.5, 5, 'x'),
    ]);
    expect(file.problems[0]).toMatch(/^Row 4: /);
    expect(() => read('a.csv', 'A,B\r\n1,2\r\n')).toThrow(/column called In/);
  });
});

describe('encodings', () => {
  test('are found: UTF-16 with and without its mark, Windows-1252 told, others as asked', () => {
    const wide = Uint8Array.from(
      Array.from('1\n00:00:01,000 --> 00:00:02,000\nÉ', (one) => [
        one.charCodeAt(0) & 255,
        one.charCodeAt(0) >> 8,
      ]).flat(),
    );
    expect(read('a.srt', wide).cues[0].words).toBe('É');
    const latin = Uint8Array.from([...ascii('1\n00:00:01,000 --> 00:00:02,000\n'), 0xc9]);
    expect(read('a.srt', latin).cues[0].words).toBe('É');
    expect(read('a.srt', latin).notes[0]).toMatch(/Western European/);
    expect(read('a.srt', latin, 'windows-1251').cues[0].words).toBe('Й');
    expect(() => decodeText(new Uint8Array(17 * 1024 * 1024), null)).toThrow(/16 MB/);
  });

  test('a file is known by its first bytes, whatever it is called', () => {
    const kinds = CAPTION_FORMATS.list.map(
      ({ id }) => captionFormatOf('x.bin', write(id, [cue(1, 2, 'a')])).id,
    );
    expect(kinds).toEqual(['srt', 'vtt', 'imsc', 'imsc', 'stl', 'srt']);
    expect(captionFormatOf('list.CSV', bytesOf('In,Out')).id).toBe('csv');
  });
});

test('every format gives back times, lines, italics, colours and sides', () => {
  const cues = [
    cue(1, 2.48, 'One <i>two</i>\n<c.cyan>three & four</c>', { align: 'left' }),
    cue(3, 4, 'Ça va? — “Oui” <c.yellow>là</c>', { place: 'top' }),
  ];
  for (const { id, read: readBack } of CAPTION_FORMATS.list) {
    const file = readBack(write(id, cues), { clock, encoding: null });
    const [a, b] = file.cues;
    expect([id, a.startSeconds, a.endSeconds, b.startSeconds, b.endSeconds]).toEqual([id, 1, 2.48, 3, 4]);
    expect([id, a.words]).toEqual([id, cues[0].words]);
    expect([id, a.align, b.place]).toEqual([id, 'left', 'top']);
  }
});

test('no bytes make a reader fail otherwise than by saying what is wrong', () => {
  const files = CAPTION_FORMATS.list.map(({ id }) => write(id, [cue(1, 2, 'A <i>b</i>\nc'), cue(3, 4, 'd')]));
  const damage = fc.record({
    file: fc.nat(files.length - 1),
    at: fc.nat(3000),
    byte: fc.nat(255),
    cut: fc.nat(3000),
  });
  fc.assert(
    fc.property(damage, ({ file, at, byte, cut }) => {
      const bytes = Uint8Array.from(files[file]);
      bytes[at % bytes.length] = byte;
      try {
        const found = read('x.srt', bytes.subarray(0, Math.max(1, bytes.length - (cut % bytes.length))));
        for (const one of found.cues) expect(one.endSeconds).toBeGreaterThanOrEqual(one.startSeconds);
      } catch (error) {
        expect(error).toBeInstanceOf(InputError);
      }
    }),
    { numRuns: 400 },
  );
});
