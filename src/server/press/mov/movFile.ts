import type { FileHandle } from 'node:fs/promises';
import { open } from 'node:fs/promises';
import type { Plane } from '@/core/outputs/output';
import type { FrameFormat } from '@/core/frame/formats';
import type { FrameRate } from '@/core/time/rates';
import { AS_IT_IS, box, fixed, fullBox, letters, nothing, u16, u32, u32List, u64List } from './boxes';

/** The colour of a movie as code points of ITU-T H.273: primaries, transfer, matrix. */
export type ColourCode = readonly [primaries: number, transfer: number, matrix: number];

/** Which line of a frame is seen first, and how its fields lie in the file. */
export type FieldOrder = 'progressive' | 'topFirst' | 'bottomFirstWoven' | 'bottomFirst';

// QuickTime File Format, "Field handling": how many fields, and which is displayed and which stored first.
const FIELDS: Readonly<Record<FieldOrder, readonly [number, number]>> = {
  progressive: [1, 0],
  topFirst: [2, 1],
  bottomFirst: [2, 6],
  bottomFirstWoven: [2, 9],
};

/** Where the first frame stands in its programme. */
export interface StartTimecode {
  readonly frame: number;
  readonly drop: boolean;
}

export interface MovOptions {
  readonly path: string;
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  /** The four letters of the coding. */
  readonly codec: string;
  readonly codecName: string;
  readonly colour: ColourCode;
  readonly fields: FieldOrder;
  readonly timecode: StartTimecode | null;
  readonly plane: Plane;
}

/** A MOV that is written picture by picture. A picture that stands for many frames is in it once. */
export interface MovWriter {
  write(picture: Uint8Array, frames: number): Promise<void>;
  finish(): Promise<void>;
  abort(): Promise<void>;
}

interface Sample {
  readonly offset: number;
  readonly bytes: number;
}

// The media data has a length of 64 bits, whose place is kept until it is known.
const FILE_TYPE = box('ftyp', letters('qt  '), u32(0x200), letters('qt  '));
const MEDIA_HEAD = 16;
const TIMECODE_BYTES = 4;

/**
 * Opens a MOV for pictures that each stand alone (QuickTime File Format). Every frame lasts exactly as long as the rate
 * says; what repeats is named again by the sample table and needs no room.
 */
export async function createMov(options: MovOptions): Promise<MovWriter> {
  const file = await open(options.path, 'w');
  await file.write(Buffer.concat([FILE_TYPE, nothing(MEDIA_HEAD)]));
  let at = FILE_TYPE.length + MEDIA_HEAD;
  const samples: Sample[] = [];
  return {
    async write(picture, frames) {
      await writeAll(file, picture, at);
      for (let i = 0; i < frames; i++) samples.push({ offset: at, bytes: picture.length });
      at += picture.length;
    },
    async finish() {
      const timecodeAt = at;
      if (options.timecode !== null) {
        await writeAll(file, u32(options.timecode.frame), at);
        at += TIMECODE_BYTES;
      }
      const mediaBytes = at - FILE_TYPE.length;
      await writeAll(file, Buffer.concat([u32(1), letters('mdat'), u64List([mediaBytes])]), FILE_TYPE.length);
      await writeAll(file, movieBox(options, samples, timecodeAt), at);
      await file.close();
    },
    abort: () => file.close(),
  };
}

async function writeAll(file: FileHandle, bytes: Uint8Array, at: number): Promise<void> {
  let done = 0;
  while (done < bytes.length)
    done += (await file.write(bytes, done, bytes.length - done, at + done)).bytesWritten;
}

const VIDEO_TRACK = 1;
const TIMECODE_TRACK = 2;

function movieBox(options: MovOptions, samples: readonly Sample[], timecodeAt: number): Buffer {
  const { rate, timecode } = options;
  const lasts = samples.length * rate.denominator;
  const header = fullBox(
    'mvhd',
    0,
    u32(0, 0, rate.numerator, lasts, fixed(1)),
    u16(0x100),
    nothing(10),
    AS_IT_IS,
    nothing(24),
    u32(timecode === null ? 2 : 3),
  );
  const tracks = [videoTrack(options, samples, lasts)];
  if (timecode !== null) tracks.push(timecodeTrack(options, timecode, lasts, timecodeAt));
  return box('moov', header, ...tracks);
}

function track(
  id: number,
  { rate }: MovOptions,
  lasts: number,
  [width, height]: readonly [number, number],
  more: readonly Buffer[],
  { handler, media, table }: { handler: string; media: Buffer; table: Buffer },
): Buffer {
  const head = fullBox(
    'tkhd',
    0xf,
    u32(0, 0, id, 0, lasts),
    nothing(8),
    u16(0, 0, 0, 0),
    AS_IT_IS,
    u32(fixed(width), fixed(height)),
  );
  const edit = box('edts', fullBox('elst', 0, u32(1, lasts, 0, fixed(1))));
  const mediaHead = fullBox('mdhd', 0, u32(0, 0, rate.numerator, lasts), u16(0, 0));
  const handles = fullBox('hdlr', 0, letters(`mhlr${handler}`), nothing(12), Buffer.from([0]));
  const here = box('dinf', fullBox('dref', 0, u32(1), fullBox('url ', 1)));
  const finds = fullBox('hdlr', 0, letters('dhlrurl '), nothing(12), Buffer.from([0]));
  return box(
    'trak',
    head,
    edit,
    ...more,
    box('mdia', mediaHead, handles, box('minf', media, finds, here, table)),
  );
}

function videoTrack(options: MovOptions, samples: readonly Sample[], lasts: number): Buffer {
  const { format, rate, timecode } = options;
  const { across, down } = format.pixelAspect;
  const size = [(format.widthPx * across) / down, format.heightPx] as const;
  const refers = timecode === null ? [] : [box('tref', box('tmcd', u32(TIMECODE_TRACK)))];
  const table = box(
    'stbl',
    fullBox('stsd', 0, u32(1), pictureDescription(options)),
    fullBox('stts', 0, u32(1, samples.length, rate.denominator)),
    fullBox('stsc', 0, u32(1, 1, 1, 1)),
    fullBox('stsz', 0, u32(0, samples.length), u32List(samples.map(({ bytes }) => bytes))),
    fullBox('co64', 0, u32(samples.length), u64List(samples.map(({ offset }) => offset))),
  );
  const media = fullBox('vmhd', 1, u16(movKind(options.plane).graphicsMode, 0x8000, 0x8000, 0x8000));
  return track(VIDEO_TRACK, options, lasts, size, refers, { handler: 'vide', media, table });
}

// QuickTime File Format, "Graphics modes": how pictures are laid over others.
const DITHER_COPY = 0x40;
const GRAPHICS_MODES: Readonly<Partial<Record<Plane, number>>> = { straight: 0x100, premultiplied: 0x102 };

const DOTS_AN_INCH = 72;
const BEST_QUALITY = 0x3ff;
/** Colour of 8 bits and more, with alpha and without. */
const DEPTHS = { alpha: 32, colour: 24 } as const;

/** What a movie's depth and graphics mode are for pixels of a kind. */
export function movKind(plane: Plane): { readonly depth: number; readonly graphicsMode: number } {
  const graphicsMode = GRAPHICS_MODES[plane];
  return {
    depth: graphicsMode === undefined ? DEPTHS.colour : DEPTHS.alpha,
    graphicsMode: graphicsMode ?? DITHER_COPY,
  };
}

function pictureDescription({ format, codec, codecName, colour, fields, plane }: MovOptions): Buffer {
  const name = Buffer.alloc(32);
  name.writeUInt8(codecName.length, 0);
  name.write(codecName, 1, 'latin1');
  const { across, down } = format.pixelAspect;
  return box(
    codec,
    nothing(6),
    u16(1),
    u32(0, 0, 0, BEST_QUALITY),
    u16(format.widthPx, format.heightPx),
    u32(fixed(DOTS_AN_INCH), fixed(DOTS_AN_INCH), 0),
    u16(1),
    name,
    u16(movKind(plane).depth, 0xffff),
    box('fiel', Buffer.from(FIELDS[fields])),
    box('colr', letters('nclc'), u16(...colour)),
    box('pasp', u32(across, down)),
  );
}

function timecodeTrack(options: MovOptions, timecode: StartTimecode, lasts: number, at: number): Buffer {
  const { rate } = options;
  const flags = timecode.drop ? 1 : 0;
  const description = box(
    'tmcd',
    nothing(6),
    u16(1),
    u32(0, flags, rate.numerator, rate.denominator),
    Buffer.from([rate.nominal, 0]),
  );
  const table = box(
    'stbl',
    fullBox('stsd', 0, u32(1), description),
    fullBox('stts', 0, u32(1, 1, lasts)),
    fullBox('stsc', 0, u32(1, 1, 1, 1)),
    fullBox('stsz', 0, u32(TIMECODE_BYTES, 1)),
    fullBox('co64', 0, u32(1), u64List([at])),
  );
  const look = fullBox('tcmi', 0, u16(0, 0, 12, 0), nothing(12), Buffer.from([0]));
  const media = box('gmhd', fullBox('gmin', 0, u16(0x40, 0x8000, 0x8000, 0x8000, 0, 0)), box('tmcd', look));
  return track(TIMECODE_TRACK, options, lasts, [0, 0], [], { handler: 'tmcd', media, table });
}
