import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { afterAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { InputError } from '@/core/kit/inputError';
import { encodePng } from '../press/pictures/png';
import type { PreparedPicture } from './pictureTask';
import { preparePicture, stopPictures } from './preparePicture';

const folder = mkdtempSync(join(tmpdir(), 'gilder-pictures-'));
afterAll(() => {
  stopPictures();
  rmSync(folder, { recursive: true });
});

const prepare = (name: string, bytes: Uint8Array): Promise<PreparedPicture> =>
  preparePicture({ bytes, ending: name.split('.').pop() ?? '' }, `File "${name}"`);
const svg = (inside: string, attributes = 'width="40" height="20"'): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inside}</svg>`,
  );
/** A pixel of a PNG, read by a reader of its own. */
function pixel({ bytes }: PreparedPicture, across: number, down: number): number[] {
  const { width, height, data } = PNG.sync.read(Buffer.from(bytes));
  const at = (Math.floor(down * (height - 1)) * width + Math.floor(across * (width - 1))) * 4;
  return [...data.subarray(at, at + 4)];
}
const plain = (channels: 3 | 4 = 4): ReturnType<typeof sharp> =>
  sharp({ create: { width: 24, height: 16, channels, background: { r: 200, g: 40, b: 20, alpha: 1 } } });

describe('pictures of pixels', () => {
  test('that every painter shows alike are kept to the byte', async () => {
    const png = encodePng(new Uint8Array(8 * 6 * 4).fill(200), 8, 6);
    const jpeg = await plain(3).jpeg().toBuffer();
    const webp = await plain().webp({ lossless: true }).toBuffer();
    for (const [name, bytes] of [
      ['a.png', png],
      ['a.jpeg', jpeg],
      ['a.webp', webp],
    ] as const) {
      const found = await prepare(name, bytes);
      expect(Buffer.from(found.bytes).equals(bytes)).toBe(true);
      expect(found.notes).toEqual([]);
    }
  });

  test('are accepted only when they decode to the last row', async () => {
    const random = Uint8Array.from({ length: 60 * 40 * 4 }, (_, i) => (i * 7919) % 251);
    const png = encodePng(random, 60, 40);
    const jpeg = await sharp(random, { raw: { width: 60, height: 40, channels: 4 } })
      .jpeg({ quality: 95 })
      .toBuffer();
    const webp = await sharp(random, { raw: { width: 60, height: 40, channels: 4 } })
      .webp({ lossless: true })
      .toBuffer();
    for (const [name, whole] of [
      ['a.png', png],
      ['a.jpg', jpeg],
      ['a.webp', webp],
    ] as const)
      for (const share of [0.3, 0.5, 0.9])
        await expect(prepare(name, whole.subarray(0, Math.floor(whole.length * share)))).rejects.toThrow(
          /needs a picture that (is whole|can be opened)/,
        );
  });

  test('with a wrong checksum inside are refused', async () => {
    const png = Buffer.from(encodePng(new Uint8Array(30 * 30 * 4).fill(90), 30, 30));
    const at = png.indexOf('IDAT') + 10;
    png[at] ^= 0xff;
    await expect(prepare('a.png', png)).rejects.toThrow(/needs a picture that is whole/);
  });

  test('of 16 bits, of other colour spaces and on their side become 8 bits, sRGB and upright, and it is told', async () => {
    const deep = await plain(3).toColourspace('rgb16').png().toBuffer();
    const deepIn = await prepare('deep.png', deep);
    expect(deepIn.notes).toEqual(['Brought from 16 bits a channel to 8.']);
    expect(pixel(deepIn, 0.5, 0.5)).toEqual([200, 40, 20, 255]);
    expect(PNG.sync.read(Buffer.from(deepIn.bytes)).depth).toBe(8);

    const wide = await plain(3).withIccProfile('p3').png().toBuffer();
    const wideIn = await prepare('wide.png', wide);
    expect(wideIn.notes).toEqual(['Converted to sRGB by its profile.']);
    // The same colour as before it was written in Display P3, to within rounding there and back.
    pixel(wideIn, 0.5, 0.5).forEach((value, i) =>
      expect(Math.abs(value - [200, 40, 20, 255][i])).toBeLessThanOrEqual(2),
    );

    const inks = await plain(3)
      .withIccProfile('cmyk')
      .toColourspace('cmyk')
      .jpeg({ quality: 100 })
      .toBuffer();
    expect((await prepare('inks.jpg', inks)).notes).toEqual(['Converted from CMYK to sRGB by its profile.']);

    const side = await sharp({ create: { width: 30, height: 10, channels: 3, background: '#804020' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect(await prepare('side.jpg', side)).toMatchObject({
      widthPx: 10,
      heightPx: 30,
      notes: ['Turned upright as its camera says.'],
    });
  });

  test('of CMYK without a profile are refused with the reason', async () => {
    const inks = await plain(3).withIccProfile('cmyk').toColourspace('cmyk').jpeg().toBuffer();
    const bare = withoutProfile(inks);
    await expect(prepare('inks.jpg', bare)).rejects.toThrow(
      /needs a CMYK picture with its colour profile, found one without\. Export it in sRGB/,
    );
  });

  test('that move keep one frame, and it is told', async () => {
    const path = join(folder, 'moves.png');
    const source = ['-f', 'lavfi', '-i', 'testsrc=size=32x18:rate=5:duration=1'];
    execFileSync('ffmpeg', ['-v', 'error', ...source, '-f', 'apng', path]);
    expect((await prepare('moves.png', readFileSync(path))).notes).toEqual([
      'It has 5 frames; the first is kept.',
    ]);
    const frames = await Promise.all(
      ['#ff0000', '#0000ff'].map((background) =>
        sharp({ create: { width: 8, height: 8, channels: 3, background } })
          .png()
          .toBuffer(),
      ),
    );
    const webp = await sharp(frames, { join: { animated: true } })
      .webp({ lossless: true })
      .toBuffer();
    const found = await prepare('moves.webp', webp);
    expect(found.notes).toEqual(['It has 2 frames; the first is kept.']);
    expect(pixel(found, 0.5, 0.5)).toEqual([255, 0, 0, 255]);
  });

  test('that unpack to more than a picture may have are refused before they are unpacked', async () => {
    await expect(prepare('bomb.png', bomb(30_000, 30_000))).rejects.toThrow(/needs at most 8192 px a side/);
  });

  test('whatever is broken in them, are taken whole or refused in words', async () => {
    const whole = encodePng(
      Uint8Array.from({ length: 400 }, (_, i) => i % 256),
      10,
      10,
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        async (changes) => {
          const bytes = Buffer.from(whole);
          for (const [at, value] of changes) bytes[at] = value;
          const found = await prepare('x.png', bytes).catch((error: unknown) => error);
          if (found instanceof Error) expect(found).toBeInstanceOf(InputError);
          else expect(found).toMatchObject({ mediaType: 'image/png' });
        },
      ),
      { numRuns: 60 },
    );
  });
});

/** A PNG that says it is as large as that, and unpacks to zeros. */
function bomb(width: number, height: number): Buffer {
  const small = Buffer.from(encodePng(new Uint8Array(4), 1, 1));
  small.writeUInt32BE(width, 16);
  small.writeUInt32BE(height, 20);
  return Buffer.concat([small, deflateSync(Buffer.alloc(1_000_000))]);
}

/** A JPEG without its ICC profile (APP2 segments, ICC.1 annex B.4). */
function withoutProfile(jpeg: Buffer): Buffer {
  const parts = [jpeg.subarray(0, 2)];
  let at = 2;
  while (jpeg[at] === 0xff && jpeg[at + 1] !== 0xda) {
    const end = at + 2 + jpeg.readUInt16BE(at + 2);
    if (jpeg[at + 1] !== 0xe2) parts.push(jpeg.subarray(at, end));
    at = end;
  }
  return Buffer.concat([...parts, jpeg.subarray(at)]);
}

describe('drawings', () => {
  test('come in at the size that they say, with more pixels than that', async () => {
    expect(await prepare('a.svg', svg('<rect width="40" height="20"/>'))).toMatchObject({
      ownWidth: 40,
      ownHeight: 20,
      widthPx: 2048,
      heightPx: 1024,
    });
    const box = svg('<rect width="300" height="100"/>', 'viewBox="0 0 300 100"');
    expect(await prepare('a.svg', box)).toMatchObject({ ownWidth: 300, ownHeight: 100 });
    const inches = svg('<rect width="300" height="100"/>', 'width="1in" height="0.5in"');
    expect(await prepare('a.svg', inches)).toMatchObject({ ownWidth: 96, ownHeight: 48 });
  });

  test('keep references to their own parts however they are written', async () => {
    const gradient =
      '<defs><linearGradient id="g"><stop offset="0" stop-color="#ff0000"/><stop offset="1" stop-color="#ff0000"/></linearGradient></defs>';
    for (const fill of [
      'fill="url(#g)"',
      `fill="url('#g')"`,
      `style="fill:url(#g)"`,
      `style='fill:url("#g")'`,
      'class="a"',
    ]) {
      const style = `<style>.a{fill:url("#g")}</style>`;
      const found = await prepare('a.svg', svg(`${style}${gradient}<rect width="40" height="20" ${fill}/>`));
      expect(pixel(found, 0.5, 0.5)).toEqual([255, 0, 0, 255]);
    }
    const reused = '<defs><rect id="r" width="40" height="20" fill="#00ff00"/></defs><use href="#r"/>';
    expect(pixel(await prepare('a.svg', svg(reused)), 0.5, 0.5)).toEqual([0, 255, 0, 255]);
  });

  test('may be in UTF-16, and their words are set in a face of ours, which is told', async () => {
    const source = svg('<rect width="40" height="20" fill="#0000ff"/>').toString();
    const wide = Buffer.concat([
      Buffer.from([0xff, 0xfe]),
      Buffer.from(`<?xml version="1.0" encoding="UTF-16"?>${source}`, 'utf16le'),
    ]);
    expect(pixel(await prepare('a.svg', wide), 0.5, 0.5)).toEqual([0, 0, 255, 255]);
    const words = await prepare(
      'a.svg',
      svg('<text x="2" y="16" font-size="16" font-family="Nowhere">Osier</text>'),
    );
    expect(words.notes).toEqual([expect.stringContaining('set in the faces that ship with Gilder')]);
    const { data } = PNG.sync.read(Buffer.from(words.bytes));
    expect(data.some((value, i) => i % 4 === 3 && value > 200)).toBe(true);
  });

  test.each(['Πορθμείο', 'Переправа', 'معبر', 'מעבורת', 'नौका', 'নৌকা', 'படகு', 'เรือ', 'ბორანი', 'Լաստ'])(
    'set “%s” in a face that has its letters',
    async (words) => {
      const letters = Array.from(
        { length: 2 },
        (_, i) => `<text x="2" y="${16 + i * 20}">${[...words][i]}</text>`,
      );
      const { bytes } = await prepare(
        'a.svg',
        svg(letters.join(''), 'width="40" height="40" font-size="16"'),
      );
      const { data, width, height } = PNG.sync.read(Buffer.from(bytes));
      const rows = Array.from({ length: 2 }, (_, i) =>
        data.subarray((i * height * width * 4) / 2, ((i + 1) * height * width * 4) / 2),
      );
      // Two letters alike would be two boxes.
      expect(rows.every((row) => row.some((value, i) => i % 4 === 3 && value > 100))).toBe(true);
      expect(rows[0].equals(rows[1])).toBe(false);
    },
  );

  test('lose what would run, load or show something from elsewhere', async () => {
    const blue = '<rect width="40" height="20" fill="#0000ff"/>';
    for (const inside of [
      '<script>alert(1)</script>',
      '<image href="file:///etc/hostname" width="40" height="20"/>',
      '<image xlink:href="http://elsewhere.invalid/a.png" width="40" height="20"/>',
      '<foreignObject width="40" height="20"><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>',
      '<use href="other.svg#a"/>',
      '<style>@import "http://elsewhere.invalid/a.css";</style>',
      '<rect width="40" height="20" onload="alert(1)" style="fill:url(http://elsewhere.invalid/#a)"/>',
    ])
      expect(pixel(await prepare('a.svg', svg(`${inside}${blue}`)), 0.5, 0.5)).toEqual([0, 0, 255, 255]);
  });

  test.each([
    [
      'entities',
      Buffer.from(`<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg('&a;').toString()}`),
      /without entities/,
    ],
    ['another kind of text', Buffer.from('<html></html>'), /an <svg> element/],
    ['half of one', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><g>'), /an SVG that is whole/],
    ['nothing to see', svg(''), /in which something is seen/],
    ['far too much', svg(`<path d="M0 0${' L1 1'.repeat(1_000_000)}"/>`), /at most 4 million characters/],
    [
      'no end of size',
      svg('<rect width="9" height="9"/>', 'width="90000" height="90000"'),
      /at most 8192 px a side/,
    ],
  ])('with %s are refused in words', async (_what, bytes, message) => {
    await expect(prepare('a.svg', bytes)).rejects.toThrow(message);
  });

  test('that take too long or too much are ended, and the next is opened as if nothing had been', async () => {
    const slow = svg(
      `<defs><filter id="f"><feGaussianBlur stdDeviation="300"/><feTurbulence baseFrequency="0.9" numOctaves="200"/></filter></defs>${'<rect width="40" height="20" filter="url(#f)"/>'.repeat(400)}`,
    );
    await expect(prepare('slow.svg', slow)).rejects.toThrow(
      /opens within 2 s, found "one that takes longer"/,
    );
    const limits = { seconds: 20, memoryBytes: 1_000_000 };
    const small = preparePicture({ bytes: slow, ending: 'svg' }, 'File', limits);
    await expect(small).rejects.toThrow(/opens in 1 MB, found "one that needs more"/);
    expect((await prepare('a.svg', svg('<rect width="40" height="20"/>'))).widthPx).toBe(2048);
  });
});
