import { inflateSync } from 'node:zlib';
import wawoff2 from 'wawoff2';
import { RefusedFile } from '../opening/refusedFile';
import type { Sfnt } from './sfnt';
import { OPENTYPE, readSfnt, TRUE, TRUETYPE, whole, writeSfnt } from './sfnt';

const LARGEST_OPENED = 60_000_000;
const MOST_IN_COLLECTION = 64;

/** The fonts in a file, each as a plain TrueType or OpenType one. Throws RefusedFile. */
export async function openContainer(bytes: Buffer): Promise<Buffer[]> {
  const kind = bytes.length < 4 ? 0 : bytes.readUInt32BE(0);
  switch (kind) {
    case TRUETYPE:
    case OPENTYPE:
      return [bytes];
    case TRUE:
      return [writeSfnt(readSfnt(bytes))];
    case 0x74746366: // 'ttcf'
      return openCollection(bytes);
    case 0x774f4646: // 'wOFF'
      return [writeSfnt(openWoff(bytes))];
    case 0x774f4632: // 'wOF2'
      return openWoff2(bytes);
    default:
      throw RefusedFile.of(
        'a font: TTF, OTF, WOFF, WOFF2, or a collection (TTC)',
        'a file of another kind',
        'Bring in the font file itself.',
      );
  }
}

/** OpenType 1.9, Font Collections. */
function openCollection(bytes: Buffer): Buffer[] {
  if (bytes.length < 12) throw whole('one that is cut off');
  const count = bytes.readUInt32BE(8);
  if (count === 0 || count > MOST_IN_COLLECTION || 12 + count * 4 > bytes.length)
    throw whole(`a collection of ${count} fonts`);
  return Array.from({ length: count }, (_, i) => writeSfnt(readSfnt(bytes, bytes.readUInt32BE(12 + i * 4))));
}

/** WOFF File Format 1.0 (W3C): a head of 44 bytes, entries of 20, tables deflated one by one. */
function openWoff(bytes: Buffer): Sfnt {
  if (bytes.length < 44) throw whole('one that is cut off');
  const count = bytes.readUInt16BE(12);
  refuseLarge(bytes.readUInt32BE(16));
  if (44 + count * 20 > bytes.length) throw whole('one that is cut off');
  const tables = new Map<string, { tag: string; checksum: number; data: Buffer }>();
  let opened = 0;
  for (let i = 0; i < count; i++) {
    const entry = 44 + i * 20;
    const tag = bytes.toString('latin1', entry, entry + 4);
    const [offset, packed, length, checksum] = [4, 8, 12, 16].map((at) => bytes.readUInt32BE(entry + at));
    if (offset + packed > bytes.length || packed > length) throw whole(`one whose table “${tag}” is cut off`);
    refuseLarge((opened += length));
    const coded = bytes.subarray(offset, offset + packed);
    const data = packed === length ? coded : inflate(coded, length, tag);
    tables.set(tag, { tag, checksum, data });
  }
  return { flavour: bytes.readUInt32BE(4), tables };
}

function inflate(coded: Buffer, length: number, tag: string): Buffer {
  try {
    const data = inflateSync(coded, { maxOutputLength: Math.max(1, length) });
    if (data.length === length) return data;
  } catch {
    // Said below: it is no more than it should be, or no deflated data at all.
  }
  throw whole(`one whose table “${tag.trim()}” does not open`);
}

async function openWoff2(bytes: Buffer): Promise<Buffer[]> {
  if (bytes.length < 48) throw whole('one that is cut off');
  // WOFF File Format 2.0: totalSfntSize, a hint that no font needs to keep to by much.
  refuseLarge(bytes.readUInt32BE(16));
  const opened = await wawoff2.decompress(bytes).catch(() => null);
  if (opened === null || opened.length < 12) throw whole('one that does not open');
  refuseLarge(opened.length);
  return openContainer(Buffer.from(opened));
}

function refuseLarge(bytes: number): void {
  if (bytes > LARGEST_OPENED)
    throw RefusedFile.of(
      `a font of at most ${LARGEST_OPENED / 1e6} MB`,
      `one of ${Math.round(bytes / 1e6)} MB`,
      'Leave out scripts that nobody needs.',
    );
}
