/*
 * A zip whose files are stored as they are (PKWARE APPNOTE 6.3.10), in bytes to be written one after the other. Beyond
 * 4 GiB and 65 535 files it is ZIP64, which all readers of today open.
 */
const LOCAL = 0x04034b50;
const DESCRIPTOR = 0x08074b50;
const ENTRY = 0x02014b50;
const END = 0x06054b50;
const END_64 = 0x06064b50;
const LOCATOR_64 = 0x07064b50;
const FOUR_GIB = 0xffffffff;
const MOST_ENTRIES = 0xffff;
/** The version of the specification that ZIP64 needs, and the one that plain files do. */
const [NEEDS_64, NEEDS_PLAIN] = [45, 20];
/** Names are UTF-8, and what is known only after a file follows it. */
const [UTF_8, LATER] = [0x0800, 0x0008];
// 1 January 1980: the same files always make the same zip.
const NO_TIME = 0x00210000;

interface Entry {
  readonly name: Buffer;
  readonly offset: number;
  readonly bytes: number;
  readonly flags: number;
  crc: number;
}

/** Says which bytes a zip has round the files in it. */
export class StoredZip {
  private readonly entries: Entry[] = [];
  private at = 0;

  /** What comes before a file; a `crc` of null is given to `after` once the file has gone by. */
  before(name: string, bytes: number, crc: number | null): Buffer {
    const flags = UTF_8 | (crc === null ? LATER : 0);
    const entry: Entry = { name: Buffer.from(name), offset: this.at, bytes, flags, crc: crc ?? 0 };
    this.entries.push(entry);
    const large = bytes >= FOUR_GIB;
    const head = fields([
      [4, LOCAL],
      [2, large ? NEEDS_64 : NEEDS_PLAIN],
      [2, flags],
      [2, 0],
      [4, NO_TIME],
      [4, entry.crc],
      [4, large ? FOUR_GIB : bytes],
      [4, large ? FOUR_GIB : bytes],
      [2, entry.name.length],
      [2, large ? 20 : 0],
    ]);
    const more = large
      ? [
          fields([
            [2, 1],
            [2, 16],
            [8, bytes],
            [8, bytes],
          ]),
        ]
      : [];
    return this.count(Buffer.concat([head, entry.name, ...more]), bytes);
  }

  /** What comes behind a file whose checksum was not known before. */
  after(crc: number): Buffer {
    const entry = this.entries[this.entries.length - 1];
    entry.crc = crc;
    const width = entry.bytes >= FOUR_GIB ? 8 : 4;
    return this.count(
      fields([
        [4, DESCRIPTOR],
        [4, crc],
        [width, entry.bytes],
        [width, entry.bytes],
      ]),
    );
  }

  /** The directory, which ends the zip. */
  end(): Buffer {
    const from = this.at;
    const directory = Buffer.concat(this.entries.map(directoryEntry));
    const count = this.entries.length;
    const large = count >= MOST_ENTRIES || from >= FOUR_GIB || directory.length >= FOUR_GIB;
    const end = fields([
      [4, END],
      [4, 0],
      [2, large ? MOST_ENTRIES : count],
      [2, large ? MOST_ENTRIES : count],
      [4, large ? FOUR_GIB : directory.length],
      [4, large ? FOUR_GIB : from],
      [2, 0],
    ]);
    if (!large) return Buffer.concat([directory, end]);
    const end64 = fields([
      [4, END_64],
      [8, 44],
      [2, NEEDS_64],
      [2, NEEDS_64],
      [8, 0],
      [8, count],
      [8, count],
      [8, directory.length],
      [8, from],
    ]);
    const locator = fields([
      [4, LOCATOR_64],
      [4, 0],
      [8, from + directory.length],
      [4, 1],
    ]);
    return Buffer.concat([directory, end64, locator, end]);
  }

  private count(bytes: Buffer, following = 0): Buffer {
    this.at += bytes.length + following;
    return bytes;
  }
}

function directoryEntry({ name, offset, bytes, flags, crc }: Entry): Buffer {
  const wide = [
    ...(bytes >= FOUR_GIB
      ? ([
          [8, bytes],
          [8, bytes],
        ] as const)
      : []),
    ...(offset >= FOUR_GIB ? ([[8, offset]] as const) : []),
  ];
  const extra = wide.length === 0 ? Buffer.alloc(0) : fields([[2, 1], [2, wide.length * 8], ...wide]);
  const head = fields([
    [4, ENTRY],
    [2, NEEDS_64],
    [2, wide.length === 0 ? NEEDS_PLAIN : NEEDS_64],
    [2, flags],
    [2, 0],
    [4, NO_TIME],
    [4, crc],
    [4, Math.min(bytes, FOUR_GIB)],
    [4, Math.min(bytes, FOUR_GIB)],
    [2, name.length],
    [2, extra.length],
    [2, 0],
    [4, 0],
    [4, 0],
    [4, Math.min(offset, FOUR_GIB)],
  ]);
  return Buffer.concat([head, name, extra]);
}

/** Figures of 2, 4 or 8 bytes, the lowest byte first. */
function fields(list: readonly (readonly [width: number, value: number])[]): Buffer {
  const bytes = Buffer.alloc(list.reduce((sum, [width]) => sum + width, 0));
  let at = 0;
  for (const [width, value] of list) {
    if (width === 8) bytes.writeBigUInt64LE(BigInt(value), at);
    else bytes.writeUIntLE(value, at, width);
    at += width;
  }
  return bytes;
}
