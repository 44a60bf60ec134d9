import { crc32, deflateSync } from 'node:zlib';
import type { FrameFormat } from '@/core/frame/formats';
import { isDeep } from './picture';

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** How many bits a channel; then RGBA, deflated, with row filters, not interlaced. */
const headerEnd = (bits: number): readonly number[] => [bits, 6, 0, 0, 0];

type PixelAspect = FrameFormat['pixelAspect'];
const SQUARE: PixelAspect = { across: 1, down: 1 };

// Code points of ITU-T H.273: primaries of BT.709, the curve of sRGB, RGB, and not the full range.
const STUDIO_SRGB = Buffer.from([1, 13, 0, 0]);

/**
 * What the pixels are: sRGB, shown by its curve (1 / 2.2 for readers that know no better), or the same on studio levels;
 * and so wide for their height.
 */
function describing({ across, down }: PixelAspect, studio: boolean): Buffer[] {
  const gamma = Buffer.alloc(4);
  gamma.writeUInt32BE(45_455, 0);
  // Pixels for a unit of length across and down: wide pixels are fewer across.
  const size = Buffer.alloc(9);
  size.writeUInt32BE(down, 0);
  size.writeUInt32BE(across, 4);
  const shape = chunk('pHYs', size);
  if (studio) return [...chunk('cICP', STUDIO_SRGB), ...shape];
  return [...chunk('sRGB', Buffer.from([0])), ...chunk('gAMA', gamma), ...shape];
}

/**
 * Straight-alpha RGBA pixels as a PNG file (W3C PNG, third edition), of 8 or 16 bits a channel as they are. Rows are
 * unfiltered and deflated fast: for flat graphics that is four times as quick as filtered rows, and hardly larger.
 */
export function encodePng(
  pixels: Uint8ClampedArray | Uint8Array | Uint16Array,
  widthPx: number,
  heightPx: number,
  pixelAspect: PixelAspect = SQUARE,
  studio = false,
): Buffer {
  const bytes = isDeep(pixels) ? mostSignificantFirst(pixels) : pixels;
  const stride = widthPx * 4 * pixels.BYTES_PER_ELEMENT;
  const rows = rowsOfSize((stride + 1) * heightPx);
  for (let y = 0; y < heightPx; y++) {
    rows[y * (stride + 1)] = 0;
    rows.set(bytes.subarray(y * stride, (y + 1) * stride), y * (stride + 1) + 1);
  }
  const header = Buffer.alloc(13);
  header.writeUInt32BE(widthPx, 0);
  header.writeUInt32BE(heightPx, 4);
  header.set(headerEnd(8 * pixels.BYTES_PER_ELEMENT), 8);
  return Buffer.concat([
    SIGNATURE,
    ...chunk('IHDR', header),
    ...describing(pixelAspect, studio),
    ...chunk('IDAT', deflateSync(rows, { level: 1, chunkSize: 256 * 1024 })),
    ...chunk('IEND', Buffer.alloc(0)),
  ]);
}

// Kept from frame to frame: eight fresh megabytes a frame keep the garbage collector of every thread busy.
let kept = Buffer.alloc(0);

function rowsOfSize(length: number): Buffer {
  if (kept.length !== length) kept = Buffer.allocUnsafeSlow(length);
  return kept;
}

/** Two bytes for each number, the greater first. */
function mostSignificantFirst(values: Uint16Array): Buffer {
  return Buffer.from(Uint16Array.from(values).buffer).swap16();
}

function chunk(type: string, data: Buffer): Buffer[] {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(data.length, 0);
  head.write(type, 4, 'latin1');
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(data, crc32(head.subarray(4))), 0);
  return [head, data, check];
}
