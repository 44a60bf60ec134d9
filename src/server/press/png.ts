import { crc32, deflateSync } from 'node:zlib';

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
const RGBA_8_BIT = [8, 6, 0, 0, 0];

/**
 * Straight-alpha RGBA pixels as a PNG file (W3C PNG, third edition). Rows are unfiltered and deflated
 * fast: for flat graphics that is four times as quick as filtered rows, and hardly larger.
 */
export function encodePng(pixels: Uint8ClampedArray | Uint8Array, widthPx: number, heightPx: number): Buffer {
  const stride = widthPx * 4;
  const rows = Buffer.alloc((stride + 1) * heightPx);
  for (let y = 0; y < heightPx; y++)
    rows.set(pixels.subarray(y * stride, (y + 1) * stride), y * (stride + 1) + 1);
  const header = Buffer.alloc(13);
  header.writeUInt32BE(widthPx, 0);
  header.writeUInt32BE(heightPx, 4);
  header.set(RGBA_8_BIT, 8);
  return Buffer.concat([
    SIGNATURE,
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows, { level: 1 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length, 0);
  out.set(body, 4);
  out.writeUInt32BE(crc32(body), body.length + 4);
  return out;
}
