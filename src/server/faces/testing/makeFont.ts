/*
 * Fonts made by tests: square letters of given widths, written from the tables of OpenType 1.9, so that what reads them
 * is not what wrote them.
 */

interface MadeFont {
  readonly family: string;
  /** The name of its weight and slope. */
  readonly style?: string;
  readonly version?: string;
  readonly weight?: number;
  /** OS/2 usWidthClass: 5 is regular. */
  readonly widthClass?: number;
  readonly italic?: boolean;
  /** OS/2 fsType. */
  readonly fsType?: number;
  /** Advance of every letter, in thousandths of an em. */
  readonly advance?: number;
  /** The letters that it has. */
  readonly letters?: string;
  /** Axes (fvar); glyphs do not move along them. */
  readonly axes?: readonly {
    readonly tag: string;
    readonly least: number;
    readonly usual: number;
    readonly most: number;
  }[];
}

type Cell = readonly [kind: 'u8' | 'u16' | 'i16' | 'u32' | 'tag' | 'bytes', value: number | string | Buffer];

const u16 = (value: number): Cell => ['u16', value];
const i16 = (value: number): Cell => ['i16', value];
const u32 = (value: number): Cell => ['u32', value];
const tag = (value: string): Cell => ['tag', value];
const bytes = (value: Buffer): Cell => ['bytes', value];
const zeros = (count: number): Cell => ['bytes', Buffer.alloc(count)];

function pack(...cells: readonly Cell[]): Buffer {
  return Buffer.concat(
    cells.map(([kind, value]) => {
      if (Buffer.isBuffer(value)) return value;
      if (typeof value === 'string') return Buffer.from(value.padEnd(4).slice(0, 4), 'latin1');
      const cell = Buffer.alloc(kind === 'u32' ? 4 : kind === 'u8' ? 1 : 2);
      if (kind === 'u32') cell.writeUInt32BE(value);
      else if (kind === 'i16') cell.writeInt16BE(value);
      else if (kind === 'u8') cell.writeUInt8(value);
      else cell.writeUInt16BE(value);
      return cell;
    }),
  );
}

/** The sum of a table's 32-bit words, counted another way than the reader does. */
function checksum(data: Buffer): number {
  const padded = Buffer.concat([data, Buffer.alloc((4 - (data.length % 4)) % 4)]);
  let sum = 0n;
  for (let at = 0; at < padded.length; at += 4) sum += BigInt(padded.readUInt32BE(at));
  return Number(sum & 0xffffffffn);
}

/** A square from the baseline up, as one contour. */
function square(side: number): Buffer {
  return pack(
    ...[1, 0, 0, side, side].map(i16),
    u16(3),
    u16(0),
    bytes(Buffer.from([1, 1, 1, 1])),
    ...[0, side, 0, -side].map(i16),
    ...[0, 0, side, 0].map(i16),
  );
}

/** Format 12: groups of code points in a row; here one for each. */
function cmap(codePoints: readonly number[]): Buffer {
  const groups = codePoints.flatMap((point, i) => [u32(point), u32(point), u32(i + 1)]);
  const table = pack(
    u16(12),
    u16(0),
    u32(16 + 12 * codePoints.length),
    u32(0),
    u32(codePoints.length),
    ...groups,
  );
  return pack(u16(0), u16(1), u16(3), u16(10), u32(12), bytes(table));
}

function nameTable(records: readonly (readonly [id: number, text: string])[]): Buffer {
  const texts = records.map(([, text]) => Buffer.from(text, 'utf16le').swap16());
  let at = 0;
  const entries = records.flatMap(([id], i) => {
    const entry = [u16(3), u16(1), u16(0x409), u16(id), u16(texts[i].length), u16(at)];
    at += texts[i].length;
    return entry;
  });
  return pack(u16(0), u16(records.length), u16(6 + 12 * records.length), ...entries, ...texts.map(bytes));
}

function os2({ weight = 400, widthClass = 5, italic = false, fsType = 0 }: MadeFont): Buffer {
  return pack(
    ...[4, 500, weight, widthClass, fsType].map(u16),
    ...[650, 600, 0, 75, 650, 600, 0, 350, 50, 300, 0].map(i16),
    zeros(10),
    zeros(16),
    tag('OSIR'),
    u16(italic ? 1 : 64),
    ...[32, 0xffff].map(u16),
    ...[800, -200, 0].map(i16),
    ...[1000, 300].map(u16),
    zeros(8),
    ...[500, 700].map(i16),
    ...[0, 32, 1].map(u16),
  );
}

const fixed = (value: number): Cell => u32(Math.round(value * 65_536));

function fvar(axes: NonNullable<MadeFont['axes']>): Buffer {
  return pack(
    ...[1, 0, 16, 2, axes.length, 20, 0, 4 + 4 * axes.length].map(u16),
    ...axes.flatMap(({ tag: name, least, usual, most }) => [
      tag(name),
      fixed(least),
      fixed(usual),
      fixed(most),
      u16(0),
      u16(1),
    ]),
  );
}

/** Tables as one file, each with its checksum. */
export function sfntOf(tables: Readonly<Record<string, Buffer>>, flavour = 0x00010000): Buffer {
  const names = Object.keys(tables).toSorted();
  let at = 12 + 16 * names.length;
  const entries = names.flatMap((name) => {
    const entry = [tag(name), u32(checksum(tables[name])), u32(at), u32(tables[name].length)];
    at += Math.ceil(tables[name].length / 4) * 4;
    return entry;
  });
  const data = names.flatMap((name) => [bytes(tables[name]), zeros((4 - (tables[name].length % 4)) % 4)]);
  return pack(u32(flavour), u16(names.length), zeros(6), ...entries, ...data);
}

/** The tables of a font of squares. */
export function fontTables(font: MadeFont): Record<string, Buffer> {
  const { family, style = 'Regular', version = '1.0', advance = 600, axes = [] } = font;
  const points = [
    ...new Set([...(font.letters ?? LATIN)].map((letter) => letter.codePointAt(0) ?? 0)),
  ].toSorted((a, b) => a - b);
  const glyph = square(500);
  const count = points.length + 1;
  const places = Array.from({ length: count + 1 }, (_, i) => u32(i * glyph.length));
  return {
    cmap: cmap(points),
    glyf: Buffer.concat(Array.from({ length: count }, () => glyph)),
    head: pack(
      ...[0x10000, 0x10000, 0, 0x5f0f3cf5].map(u32),
      ...[3, 1000].map(u16),
      zeros(16),
      ...[0, 0, 500, 500].map(i16),
      ...[font.italic === true ? 2 : 0, 8].map(u16),
      ...[2, 1, 0].map(i16),
    ),
    hhea: pack(
      u32(0x10000),
      ...[800, -200, 0, advance, 0, 0, 500, 1, 0, 0, 0, 0, 0, 0, 0].map(i16),
      u16(count),
    ),
    hmtx: pack(...Array.from({ length: count }, () => [u16(advance), i16(0)]).flat()),
    loca: pack(...places),
    maxp: pack(u32(0x10000), u16(count), ...[4, 1, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0].map(u16)),
    name: nameTable([
      [1, family],
      [2, style],
      [4, `${family} ${style}`],
      [5, `Version ${version}`],
    ]),
    'OS/2': os2(font),
    post: pack(u32(0x30000), zeros(28)),
    ...(axes.length > 0 ? { fvar: fvar(axes) } : {}),
  };
}

const LATIN = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789 ,.';

/** A font of squares as a TrueType file. */
export function makeFont(font: MadeFont): Buffer {
  return sfntOf(fontTables(font));
}
