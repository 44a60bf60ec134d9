import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { encodeExr, toHalf } from './exr';
import type { PaintedPicture } from './picture';
import { encodePng } from './png';
import { encodeTga } from './tga';
import { encodeTiff } from './tiff';

/* Pictures as other readers read them. */
let folder: string;
beforeAll(() => void (folder = mkdtempSync(join(tmpdir(), 'gilder-pictures-'))));
afterAll(() => rmSync(folder, { recursive: true }));

const WIDTH = 300;
const HEIGHT = 20;

/** Runs of one colour longer than a run can be, single pixels, and every alpha. */
function picture(deep: boolean, plane: PaintedPicture['plane'] = 'straight'): PaintedPicture {
  const full = deep ? 65_535 : 255;
  const pixels = deep ? new Uint16Array(WIDTH * HEIGHT * 4) : new Uint8ClampedArray(WIDTH * HEIGHT * 4);
  for (let at = 0; at < WIDTH * HEIGHT; at++) {
    const [x, y] = [at % WIDTH, Math.floor(at / WIDTH)];
    const flat = x < 200 && y % 2 === 0;
    pixels[at * 4] = flat ? full : (x * 211 + y) % (full + 1);
    pixels[at * 4 + 1] = flat ? 0 : (x * 7) % (full + 1);
    pixels[at * 4 + 2] = Math.floor(full / 3);
    pixels[at * 4 + 3] = flat ? full : (x * full) / WIDTH;
  }
  return { pixels, widthPx: WIDTH, heightPx: HEIGHT, pixelAspect: { across: 12, down: 11 }, plane };
}

function byFfmpeg(name: string, bytes: Buffer, pixelFormat: string): Buffer {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  const raw = `-v error -i ${path} -f rawvideo -pix_fmt ${pixelFormat} -`;
  return execFileSync('ffmpeg', raw.split(' '), { maxBuffer: 10e6 });
}

test('TIFF has 16 bits, its shape and what its alpha is, for libvips and ffmpeg', async () => {
  const painted = picture(true);
  const bytes = encodeTiff(painted);
  const { info, data } = await sharp(bytes)
    .toColourspace('rgb16')
    .raw({ depth: 'ushort' })
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height, info.channels]).toEqual([WIDTH, HEIGHT, 4]);
  expect(new Uint16Array(new Uint8Array(data).buffer)).toEqual(painted.pixels);
  const decoded = byFfmpeg('a.tif', bytes, 'rgba64le');
  expect(new Uint16Array(new Uint8Array(decoded).buffer)).toEqual(painted.pixels);
  // ExtraSamples (338), a SHORT: 2 is unassociated alpha, 1 associated.
  const alphaIs = (file: Buffer): number => {
    const at = file.indexOf(Buffer.from([0x52, 0x01, 3, 0, 1, 0, 0, 0]));
    return file.readUInt16LE(at + 8);
  };
  expect([alphaIs(bytes), alphaIs(encodeTiff(picture(true, 'premultiplied')))]).toEqual([2, 1]);
});

test('TGA is packed in runs, and says what its alpha is where TGA 2.0 has it', () => {
  const painted = picture(false);
  const bytes = encodeTga(painted);
  expect(new Uint8ClampedArray(byFfmpeg('a.tga', bytes, 'rgba'))).toEqual(painted.pixels);
  expect(bytes.toString('latin1', bytes.length - 18)).toBe('TRUEVISION-XFILE.\0');
  const extension = bytes.readUInt32LE(bytes.length - 26);
  expect([bytes.readUInt16LE(extension), bytes[extension + 494]]).toEqual([495, 3]);
  expect([bytes.readUInt16LE(extension + 474), bytes.readUInt16LE(extension + 476)]).toEqual([12, 11]);
  expect(bytes.length).toBeLessThan(WIDTH * HEIGHT * 4);
});

test('OpenEXR is linear light multiplied by alpha, with the shape of its pixels', () => {
  const pixels = Uint16Array.from([65_535, 32_896, 0, 65_535, 65_535, 65_535, 65_535, 32_768]);
  const flat = {
    pixels,
    widthPx: 2,
    heightPx: 1,
    pixelAspect: { across: 16, down: 11 },
    plane: 'linear',
  } as const;
  const decoded = byFfmpeg('a.exr', encodeExr(flat), 'gbrapf32le');
  const [g, b, r, a] = [0, 1, 2, 3].map((plane) => [
    decoded.readFloatLE(plane * 8),
    decoded.readFloatLE(plane * 8 + 4),
  ]);
  // sRGB 0.502 is 0.2159 of light (IEC 61966-2-1).
  for (const [is, wanted] of [
    [r[0], 1],
    [g[0], 0.2159],
    [b[0], 0],
    [a[0], 1],
    [r[1], 0.5],
    [a[1], 0.5],
  ])
    expect(is).toBeCloseTo(wanted, 3);
  // ffprobe does not tell it; the attribute stands by its name: type, length, value.
  const bytes = encodeExr(flat);
  const at = bytes.indexOf('pixelAspectRatio\0float\0') + 'pixelAspectRatio\0float\0'.length;
  expect([bytes.readInt32LE(at), bytes.readFloatLE(at + 4)]).toEqual([4, Math.fround(16 / 11)]);
});

test.each([
  [0, 0],
  [1, 0x3c00],
  [0.5, 0x3800],
  [1 / 3, 0x3555],
  // The least normal one, and the least of all (IEEE 754).
  [2 ** -14, 0x0400],
  [2 ** -24, 1],
  // Between two: to the even one.
  [1 + 2 ** -11, 0x3c00],
  [1 + 3 * 2 ** -11, 0x3c02],
])('%d as a half float', (value, bits) => {
  expect(toHalf(value)).toBe(bits);
});

test('PNG of 16 bits has them for another reader', () => {
  const painted = picture(true);
  const { data, width } = PNG.sync.read(encodePng(painted.pixels, WIDTH, HEIGHT), { skipRescale: true });
  expect(width).toBe(WIDTH);
  expect(Array.from(data)).toEqual(Array.from(painted.pixels));
});
