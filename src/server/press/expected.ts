import type { FrameFormat } from '@/core/frame/formats';
import type { Output, Plane } from '@/core/outputs/output';
import type { FrameRate } from '@/core/time/rates';
import type { FrameDifference } from './compareFrame';
import type { Pixels } from './pictures/picture';

/** A frame as it was painted: RGBA as the file has it. */
export interface Reference {
  readonly frame: number;
  readonly pixels: Pixels;
}

/** What a file is to be. */
export interface Expected {
  readonly output: Output;
  readonly format: FrameFormat;
  readonly rate: FrameRate;
  readonly frames: number;
  readonly references: readonly Reference[];
  /** What its pixels, and those of the references, are. */
  readonly plane: Plane;
  /** Whether it is to have sound. */
  readonly hasSound: boolean;
}

/** What was read back from a file. */
export interface Found {
  readonly frames: number;
  readonly codec: string;
  readonly differences: readonly FrameDifference[];
}
