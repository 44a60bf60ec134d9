import { deflateSync } from 'node:zlib';
import { linearOfSrgb } from '@/core/colour/transfer';
import type { PaintedPicture } from './picture';

const MAGIC = [0x76, 0x2f, 0x31, 0x01];
const VERSION = 2;
const HALF = 1;
/** Sixteen rows deflated together. */
const ZIP = 3;
const ROWS_A_BLOCK = 16;
// In the order of their names, as they lie in the file.
const CHANNELS = ['A', 'B', 'G', 'R'] as const;

/**
 * Straight-alpha RGBA pixels of 16 bits a channel as an OpenEXR file (OpenEXR file layout, version 2): linear light of
 * BT.709 primaries, colours multiplied by alpha, half floats, deflated in blocks of rows.
 */
export function encodeExr({ pixels, widthPx, heightPx, pixelAspect }: PaintedPicture): Buffer {
  const header = headerOf(widthPx, heightPx, pixelAspect.across / pixelAspect.down);
  const blocks: Buffer[] = [];
  for (let y = 0; y < heightPx; y += ROWS_A_BLOCK)
    blocks.push(blockOf(pixels, widthPx, y, Math.min(heightPx, y + ROWS_A_BLOCK)));
  const offsets = Buffer.alloc(blocks.length * 8);
  let at = header.length + offsets.length;
  blocks.forEach((block, i) => {
    offsets.writeBigUInt64LE(BigInt(at), i * 8);
    at += block.length;
  });
  return Buffer.concat([header, offsets, ...blocks]);
}

function headerOf(widthPx: number, heightPx: number, aspect: number): Buffer {
  const window = ints(0, 0, widthPx - 1, heightPx - 1);
  const channels = CHANNELS.map((name) => Buffer.concat([name0(name), ints(HALF, 0, 1, 1)]));
  return Buffer.concat([
    Buffer.from(MAGIC),
    ints(VERSION),
    attribute('channels', 'chlist', Buffer.concat([...channels, Buffer.from([0])])),
    attribute('compression', 'compression', Buffer.from([ZIP])),
    attribute('dataWindow', 'box2i', window),
    attribute('displayWindow', 'box2i', window),
    attribute('lineOrder', 'lineOrder', Buffer.from([0])),
    attribute('pixelAspectRatio', 'float', floats(aspect)),
    attribute('screenWindowCenter', 'v2f', floats(0, 0)),
    attribute('screenWindowWidth', 'float', floats(1)),
    Buffer.from([0]),
  ]);
}

const name0 = (name: string): Buffer => Buffer.from(`${name}\0`, 'latin1');

function attribute(name: string, type: string, value: Buffer): Buffer {
  return Buffer.concat([name0(name), name0(type), ints(value.length), value]);
}

function ints(...values: number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 4);
  values.forEach((value, i) => bytes.writeInt32LE(value, i * 4));
  return bytes;
}

function floats(...values: number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 4);
  values.forEach((value, i) => bytes.writeFloatLE(value, i * 4));
  return bytes;
}

function blockOf(pixels: PaintedPicture['pixels'], widthPx: number, from: number, to: number): Buffer {
  const rows = new Uint16Array((to - from) * widthPx * CHANNELS.length);
  for (let y = from; y < to; y++) {
    const row = (y - from) * widthPx * CHANNELS.length;
    for (let x = 0; x < widthPx; x++) {
      const pixel = (y * widthPx + x) * 4;
      const alpha = pixels[pixel + 3];
      if (alpha === 0) continue;
      const share = alpha / 65_535;
      rows[row + x] = toHalf(share);
      for (let channel = 0; channel < 3; channel++)
        rows[row + (3 - channel) * widthPx + x] = toHalf(linearOf(pixels[pixel + channel]) * share);
    }
  }
  const raw = new Uint8Array(rows.buffer);
  const packed = deflateSync(predicted(raw), { level: 1 });
  // What does not get smaller stays as it is.
  const data = packed.length < raw.length ? packed : Buffer.from(raw);
  return Buffer.concat([ints(from, data.length), data]);
}

/** Bytes as the compression wants them: first every other one, then the rest, each as what it differs by from the one before. */
function predicted(raw: Uint8Array): Uint8Array {
  const half = Math.ceil(raw.length / 2);
  const out = new Uint8Array(raw.length);
  for (let i = 0; i < raw.length; i++) out[i % 2 === 0 ? i >> 1 : half + (i >> 1)] = raw[i];
  for (let i = out.length - 1; i > 0; i--) out[i] = out[i] - out[i - 1] + 128;
  return out;
}

let light: Float32Array | null = null;

/** The light of a colour of 16 bits. */
function linearOf(value: number): number {
  light ??= Float32Array.from({ length: 65_536 }, (_, i) => linearOfSrgb(i / 65_535));
  return light[value];
}

const single = new Float32Array(1);
const bitsOfSingle = new Uint32Array(single.buffer);

/** The bits of a half float (IEEE 754 binary16) nearest to a number from 0 to 1. */
export function toHalf(value: number): number {
  // Below the least normal one, halves are even steps.
  if (value < 2 ** -14) return Math.round(value * 2 ** 24);
  single[0] = value;
  const bits = bitsOfSingle[0];
  const kept = (bits - (112 << 23)) >> 13;
  const lost = bits & 0x1fff;
  // To the nearest, and to the even one between two.
  return lost > 0x1000 || (lost === 0x1000 && (kept & 1) === 1) ? kept + 1 : kept;
}
