import { deflateSync } from 'node:zlib';
import type { PaintedPicture } from './picture';

// Types of values (TIFF 6.0, section 2).
const SHORT = 3;
const LONG = 4;
const RATIONAL = 5;
const SIZE_OF: Readonly<Record<number, number>> = { [SHORT]: 2, [LONG]: 4, [RATIONAL]: 8 };

const HEADER_BYTES = 8;
const ENTRY_BYTES = 12;
/** Deflate, as in the supplement to TIFF 6.0 of 2002. */
const DEFLATE = 8;
const RGB = 2;
const IN_ONE_PLANE = 1;
const NO_UNIT = 1;
const PREMULTIPLIED = 1;
const STRAIGHT = 2;

interface Tag {
  readonly id: number;
  readonly type: number;
  /** A rational is two of them. */
  readonly values: readonly number[];
}

/** RGBA pixels of 16 bits a channel as a TIFF file (TIFF 6.0 with its supplements), deflated in one strip. */
export function encodeTiff({ pixels, widthPx, heightPx, pixelAspect, plane }: PaintedPicture): Buffer {
  const strip = deflateSync(Buffer.from(pixels.buffer, pixels.byteOffset, pixels.byteLength), { level: 1 });
  const bits = 8 * pixels.BYTES_PER_ELEMENT;
  const { across, down } = pixelAspect;
  const tags: readonly Tag[] = [
    { id: 256, type: LONG, values: [widthPx] },
    { id: 257, type: LONG, values: [heightPx] },
    { id: 258, type: SHORT, values: [bits, bits, bits, bits] },
    { id: 259, type: SHORT, values: [DEFLATE] },
    { id: 262, type: SHORT, values: [RGB] },
    { id: 273, type: LONG, values: [HEADER_BYTES] },
    { id: 277, type: SHORT, values: [4] },
    { id: 278, type: LONG, values: [heightPx] },
    { id: 279, type: LONG, values: [strip.length] },
    // Pixels for a unit of length: wide pixels are fewer across.
    { id: 282, type: RATIONAL, values: [down, 1] },
    { id: 283, type: RATIONAL, values: [across, 1] },
    { id: 284, type: SHORT, values: [IN_ONE_PLANE] },
    { id: 296, type: SHORT, values: [NO_UNIT] },
    { id: 338, type: SHORT, values: [plane === 'premultiplied' ? PREMULTIPLIED : STRAIGHT] },
  ];
  const header = Buffer.alloc(HEADER_BYTES);
  header.write('II', 'latin1');
  header.writeUInt16LE(42, 2);
  // A directory begins at an even byte.
  const fill = Buffer.alloc(strip.length % 2);
  const directoryAt = HEADER_BYTES + strip.length + fill.length;
  header.writeUInt32LE(directoryAt, 4);
  return Buffer.concat([header, strip, fill, directory(tags, directoryAt)]);
}

/** The directory of tags, with the values that do not fit into it behind it. */
function directory(tags: readonly Tag[], at: number): Buffer {
  const length = 2 + tags.length * ENTRY_BYTES + 4;
  const head = Buffer.alloc(length);
  head.writeUInt16LE(tags.length, 0);
  const further: Buffer[] = [];
  let furtherAt = at + length;
  tags.forEach(({ id, type, values }, i) => {
    const entry = 2 + i * ENTRY_BYTES;
    const bytes = bytesOf(type, values);
    head.writeUInt16LE(id, entry);
    head.writeUInt16LE(type, entry + 2);
    head.writeUInt32LE(bytes.length / SIZE_OF[type], entry + 4);
    if (bytes.length <= 4) return bytes.copy(head, entry + 8);
    head.writeUInt32LE(furtherAt, entry + 8);
    further.push(bytes);
    furtherAt += bytes.length;
  });
  return Buffer.concat([head, ...further]);
}

function bytesOf(type: number, values: readonly number[]): Buffer {
  const size = type === SHORT ? 2 : 4;
  const bytes = Buffer.alloc(values.length * size);
  values.forEach((value, i) => bytes.writeUIntLE(value, i * size, size));
  return bytes;
}
