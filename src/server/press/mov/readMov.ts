import type { FileHandle } from 'node:fs/promises';
import { open } from 'node:fs/promises';

/** A picture track as its boxes describe it. */
export interface MovTrack {
  readonly codec: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly depth: number;
  /** How its pictures are laid over others, such as 256 for straight alpha. */
  readonly graphicsMode: number;
  /** Code points of ITU-T H.273; null where the file says none. */
  readonly colour: readonly number[] | null;
  readonly pixelAspect: readonly number[] | null;
  readonly fields: readonly number[] | null;
  readonly timescale: number;
  /** How long frames last, in ticks: each different length and how many frames in a row have it. */
  readonly lasts: readonly { readonly frames: number; readonly ticks: number }[];
  /** Where each frame's bytes are. */
  readonly samples: readonly { readonly offset: number; readonly bytes: number }[];
}

interface Box {
  readonly type: string;
  readonly from: number;
  readonly to: number;
}

const HEAD = 8;
// More than any table of a programme needs; a length beyond it is a damaged file.
const MOST_BYTES = 256 * 1024 * 1024;

/** Reads the picture track of a MOV from its own boxes. Throws for a file that has none, or none that is whole. */
export async function readMov(path: string): Promise<MovTrack> {
  const file = await open(path);
  try {
    const { size } = await file.stat();
    const movie = await findMovie(file, size);
    const tracks = inside(movie, { type: 'moov', from: 0, to: movie.length }).filter(
      ({ type }) => type === 'trak',
    );
    for (const one of tracks) {
      const media = need(movie, one, 'mdia');
      const handler = need(movie, media, 'hdlr');
      if (movie.toString('latin1', handler.from + 8, handler.from + 12) === 'vide')
        return readTrack(movie, media);
    }
    throw new Error('The file has no picture in it');
  } finally {
    await file.close();
  }
}

async function findMovie(file: FileHandle, size: number): Promise<Buffer> {
  for (let at = 0; at + HEAD <= size;) {
    const head = Buffer.alloc(16);
    await file.read(head, 0, 16, at);
    const short = head.readUInt32BE(0);
    const length = short === 1 ? Number(head.readBigUInt64BE(8)) : short === 0 ? size - at : short;
    if (length < HEAD || at + length > size) throw new Error('The file is not whole');
    if (head.toString('latin1', 4, 8) === 'moov') {
      if (length > MOST_BYTES) throw new Error('The file’s tables are too large');
      const body = Buffer.alloc(length - HEAD);
      await file.read(body, 0, body.length, at + HEAD);
      return body;
    }
    at += length;
  }
  throw new Error('The file is not whole');
}

function inside(bytes: Buffer, { from, to }: Box): Box[] {
  const boxes: Box[] = [];
  for (let at = from; at + HEAD <= to;) {
    const length = bytes.readUInt32BE(at);
    // Some writers end a list of boxes with four bytes of nothing.
    if (length < HEAD || at + length > to) break;
    boxes.push({ type: bytes.toString('latin1', at + 4, at + 8), from: at + HEAD, to: at + length });
    at += length;
  }
  return boxes;
}

function need(bytes: Buffer, within: Box, type: string): Box {
  const found = inside(bytes, within).find((one) => one.type === type);
  if (found === undefined) throw new Error(`The file lacks its “${type}” box`);
  return found;
}

const PICTURE_HEAD = 78;

function readTrack(bytes: Buffer, media: Box): MovTrack {
  const about = need(bytes, media, 'minf');
  const table = need(bytes, about, 'stbl');
  const [entry] = inside(bytes, { ...need(bytes, table, 'stsd'), from: need(bytes, table, 'stsd').from + 8 });
  const more = inside(bytes, { ...entry, from: entry.from + PICTURE_HEAD });
  const content = (type: string): Buffer | null => {
    const found = more.find((one) => one.type === type);
    return found === undefined ? null : bytes.subarray(found.from, found.to);
  };
  const colour = content('colr');
  const aspect = content('pasp');
  const fields = content('fiel');
  const times = need(bytes, table, 'stts').from;
  return {
    codec: entry.type,
    widthPx: bytes.readUInt16BE(entry.from + 24),
    heightPx: bytes.readUInt16BE(entry.from + 26),
    depth: bytes.readUInt16BE(entry.from + 74),
    graphicsMode: bytes.readUInt16BE(need(bytes, about, 'vmhd').from + 4),
    colour: colour && [colour.readUInt16BE(4), colour.readUInt16BE(6), colour.readUInt16BE(8)],
    pixelAspect: aspect && [aspect.readUInt32BE(0), aspect.readUInt32BE(4)],
    fields: fields && [...fields],
    timescale: bytes.readUInt32BE(need(bytes, media, 'mdhd').from + 12),
    lasts: Array.from({ length: bytes.readUInt32BE(times + 4) }, (_, i) => ({
      frames: bytes.readUInt32BE(times + 8 + i * 8),
      ticks: bytes.readUInt32BE(times + 12 + i * 8),
    })),
    samples: readSamples(bytes, table),
  };
}

function readSamples(bytes: Buffer, table: Box): MovTrack['samples'] {
  const sizes = need(bytes, table, 'stsz').from;
  const alike = bytes.readUInt32BE(sizes + 4);
  const count = bytes.readUInt32BE(sizes + 8);
  const offsets = chunkOffsets(bytes, table);
  const runs = need(bytes, table, 'stsc').from;
  const runCount = bytes.readUInt32BE(runs + 4);
  const samples: { offset: number; bytes: number }[] = [];
  for (let run = 0; run < runCount; run++) {
    const first = bytes.readUInt32BE(runs + 8 + run * 12);
    const perChunk = bytes.readUInt32BE(runs + 12 + run * 12);
    const next = run + 1 < runCount ? bytes.readUInt32BE(runs + 8 + (run + 1) * 12) : offsets.length + 1;
    for (let chunk = first; chunk < next; chunk++) {
      let offset = offsets[chunk - 1];
      for (let k = 0; k < perChunk && samples.length < count; k++) {
        const length = alike > 0 ? alike : bytes.readUInt32BE(sizes + 12 + samples.length * 4);
        samples.push({ offset, bytes: length });
        offset += length;
      }
    }
  }
  return samples;
}

function chunkOffsets(bytes: Buffer, table: Box): number[] {
  const boxes = inside(bytes, table);
  const short = boxes.find(({ type }) => type === 'stco');
  const long = short ?? need(bytes, table, 'co64');
  const count = bytes.readUInt32BE(long.from + 4);
  return Array.from({ length: count }, (_, i) =>
    short === undefined
      ? Number(bytes.readBigUInt64BE(long.from + 8 + i * 8))
      : bytes.readUInt32BE(long.from + 8 + i * 4),
  );
}
