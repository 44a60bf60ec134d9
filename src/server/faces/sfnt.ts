import { RefusedFile } from '../opening/refusedFile';

/** A table of an sfnt file (OpenType 1.9, Table Directory). */
interface SfntTable {
  readonly tag: string;
  readonly checksum: number;
  readonly data: Buffer;
}

export interface Sfnt {
  /** 0x00010000 for TrueType outlines, 'OTTO' for CFF. */
  readonly flavour: number;
  readonly tables: ReadonlyMap<string, SfntTable>;
}

export const TRUETYPE = 0x00010000;
export const OPENTYPE = 0x4f54544f;
/** How TrueType outlines are announced by files of one system; the same as 0x00010000. */
export const TRUE = 0x74727565;

const MOST_TABLES = 100;
const HEAD_BYTES = 12;
const ENTRY_BYTES = 16;
// Of these a checksum is often not counted anew by whoever sets a name or a permission.
const OFTEN_EDITED = new Set(['head', 'name', 'OS/2', 'DSIG', 'post', 'meta']);

export const whole = (got: string): RefusedFile =>
  RefusedFile.of('a font that is whole', got, 'Get the file again from where it came.');

/** The tables of an sfnt whose directory begins at `at`. Throws RefusedFile where one lies outside the file. */
export function readSfnt(bytes: Buffer, at = 0): Sfnt {
  if (at + HEAD_BYTES > bytes.length) throw whole('one that is cut off');
  const count = bytes.readUInt16BE(at + 4);
  if (count === 0 || count > MOST_TABLES) throw whole(`one with ${count} tables`);
  if (at + HEAD_BYTES + count * ENTRY_BYTES > bytes.length) throw whole('one that is cut off');
  const tables = new Map<string, SfntTable>();
  for (let i = 0; i < count; i++) {
    const entry = at + HEAD_BYTES + i * ENTRY_BYTES;
    const tag = bytes.toString('latin1', entry, entry + 4);
    const offset = bytes.readUInt32BE(entry + 8);
    const length = bytes.readUInt32BE(entry + 12);
    if (offset + length > bytes.length) throw whole(`one whose table “${tag.trim()}” is cut off`);
    const checksum = bytes.readUInt32BE(entry + 4);
    tables.set(tag, { tag, checksum, data: bytes.subarray(offset, offset + length) });
  }
  return { flavour: bytes.readUInt32BE(at), tables };
}

/** The bytes of an sfnt with these tables. */
export function writeSfnt({ flavour, tables }: Sfnt): Buffer {
  const list = [...tables.values()].toSorted((a, b) => (a.tag < b.tag ? -1 : 1));
  const head = Buffer.alloc(HEAD_BYTES + ENTRY_BYTES * list.length);
  const power = 2 ** Math.floor(Math.log2(list.length));
  head.writeUInt32BE(flavour === TRUE ? TRUETYPE : flavour, 0);
  head.writeUInt16BE(list.length, 4);
  head.writeUInt16BE(power * 16, 6);
  head.writeUInt16BE(Math.log2(power), 8);
  head.writeUInt16BE((list.length - power) * 16, 10);
  const parts: Buffer[] = [head];
  let offset = head.length;
  list.forEach(({ tag, checksum, data }, i) => {
    const entry = HEAD_BYTES + ENTRY_BYTES * i;
    head.write(tag, entry, 'latin1');
    head.writeUInt32BE(checksum, entry + 4);
    head.writeUInt32BE(offset, entry + 8);
    head.writeUInt32BE(data.length, entry + 12);
    const padding = Buffer.alloc((4 - (data.length % 4)) % 4);
    parts.push(data, padding);
    offset += data.length + padding.length;
  });
  return Buffer.concat(parts);
}

/** Throws RefusedFile for a font that lacks what texts are set with, or whose tables are not as they were made. */
export function requireWhole({ tables }: Sfnt): void {
  const missing = ['cmap', 'head', 'hhea', 'hmtx', 'maxp', 'name', 'OS/2'].filter((tag) => !tables.has(tag));
  if (missing.length > 0) throw whole(`one without ${missing.map((tag) => `“${tag}”`).join(', ')}`);
  if (!['glyf', 'CFF ', 'CFF2'].some((tag) => tables.has(tag)))
    throw RefusedFile.of('a font with outlines', 'one of pixels alone', 'Choose an outline version of it.');
  for (const table of tables.values())
    if (!OFTEN_EDITED.has(table.tag) && sumOf(table.data) !== table.checksum)
      throw whole(`one whose table “${table.tag.trim()}” is not as it was made`);
  const head = tables.get('head')?.data;
  // OpenType 1.9, head: magicNumber.
  if (head === undefined || head.length < 54 || head.readUInt32BE(12) !== 0x5f0f3cf5)
    throw whole('one whose head is not a font’s');
  requireGlyphsInside(tables, head.readInt16BE(50) !== 0);
}

/** Every glyph's place (loca) lies inside the glyphs (glyf), one after the other. */
function requireGlyphsInside(tables: Sfnt['tables'], isLong: boolean): void {
  const [glyf, loca] = [tables.get('glyf')?.data, tables.get('loca')?.data];
  if (glyf === undefined) return;
  if (loca === undefined) throw whole('one without “loca”');
  let before = 0;
  for (let at = 0; at + (isLong ? 4 : 2) <= loca.length; at += isLong ? 4 : 2) {
    const place = isLong ? loca.readUInt32BE(at) : loca.readUInt16BE(at) * 2;
    if (place < before || place > glyf.length) throw whole('one with glyphs outside its outlines');
    before = place;
  }
}

/** The sum of a table's 32-bit words (OpenType 1.9, Calculating Checksums). */
function sumOf(data: Buffer): number {
  let sum = 0;
  const whole = data.length - (data.length % 4);
  for (let at = 0; at < whole; at += 4) sum = (sum + data.readUInt32BE(at)) >>> 0;
  let rest = 0;
  for (let at = whole; at < whole + 4; at++) rest = rest * 256 + (data[at] ?? 0);
  return data.length > whole ? (sum + rest) >>> 0 : sum;
}
