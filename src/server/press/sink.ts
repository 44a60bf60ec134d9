import type { FrameFormat } from '@/core/frame/formats';
import type { FrameRate } from '@/core/time/rates';

/** Where the frames of one title go. */
export interface FrameSink {
  /** A picture and how many frames in a row show it; the bytes may be overwritten once this resolves. */
  write(bytes: Buffer, repeats: number): Promise<void>;
  finish(): Promise<void>;
  /** Stops and leaves nothing running. */
  abort(): Promise<void>;
}

export interface SinkOptions {
  /** Where the file is to be written. */
  readonly path: string;
  readonly format: FrameFormat;
  readonly rate: FrameRate;
}

/** The rate as ffmpeg takes it. */
export function rateArgument(rate: FrameRate): string {
  return `${rate.numerator}/${rate.denominator}`;
}

/** How raw frames are announced on ffmpeg's standard input. */
export function rawInput({ format, rate }: SinkOptions): string[] {
  return [
    '-f',
    'rawvideo',
    '-pix_fmt',
    'rgba',
    '-s',
    `${format.widthPx}x${format.heightPx}`,
    '-r',
    rateArgument(rate),
    '-i',
    '-',
  ];
}

/**
 * RGB to limited-range BT.709, and the tags that say so: without them ffmpeg converts by BT.601, which
 * shifts reds and greens visibly.
 */
export const BT709 = [
  '-vf',
  'scale=in_range=full:out_range=tv:out_color_matrix=bt709:flags=accurate_rnd+full_chroma_int',
  '-colorspace',
  'bt709',
  '-color_primaries',
  'bt709',
  '-color_trc',
  'bt709',
  '-color_range',
  'tv',
] as const;
