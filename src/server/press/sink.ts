import type { Plane } from '@/core/outputs/output';
import type { FrameFormat } from '@/core/frame/formats';
import { labelOf } from '@/core/time/timecode';
import type { FrameRate } from '@/core/time/rates';
import type { StartTimecode } from './mov/movFile';

/** Reads a picture as it is coded; it may be called until the sink has finished. */
export type ReadsCoded = () => Promise<Buffer>;

/** Where the frames of one title go. */
export interface FrameSink {
  /** A picture and how many frames in a row show it; the bytes may be overwritten once this resolves. */
  write(bytes: Buffer, repeats: number): Promise<void>;
  /** A picture as another file of this kind has it coded; left out where pictures do not stand alone. */
  writeCoded?(read: ReadsCoded, repeats: number): Promise<void>;
  finish(): Promise<void>;
  /** Stops and leaves nothing running. */
  abort(): Promise<void>;
}

export interface SinkOptions {
  /** Where the file is to be written. */
  readonly path: string;
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  /** Where the first frame stands in its programme; null where nothing says so. */
  readonly timecode: StartTimecode | null;
  /** A file of raw samples to go with the pictures; null for none. */
  readonly sound: string | null;
  readonly plane: Plane;
  /** Whether pixels have 16 bits a channel; 8 otherwise. */
  readonly deep: boolean;
  /** How single pictures are named. */
  readonly pictureExtension: string;
}

/** The rate as ffmpeg takes it. */
export function rateArgument(rate: FrameRate): string {
  return `${rate.numerator}/${rate.denominator}`;
}

/** Where the first frame stands, as ffmpeg takes it; nothing where that is not known. */
export function timecodeArguments({ timecode, rate }: SinkOptions): string[] {
  if (timecode === null) return [];
  return ['-timecode', labelOf(timecode.frame, { rate, mode: timecode.drop ? 'drop' : 'non-drop' })];
}

/** How raw frames are announced on ffmpeg's standard input. */
export function rawInput({ format, rate, deep }: SinkOptions): string[] {
  return [
    '-f',
    'rawvideo',
    '-pix_fmt',
    deep ? 'rgba64le' : 'rgba',
    '-s',
    `${format.widthPx}x${format.heightPx}`,
    '-r',
    rateArgument(rate),
    '-i',
    '-',
  ];
}
