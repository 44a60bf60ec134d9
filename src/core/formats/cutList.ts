import type { ClockSetting } from '../time/clock';

/** What a timeline file says of a project: its clips one after another, and its named frames. */
export interface CutList {
  readonly name: string;
  readonly clips: readonly CutClip[];
  readonly markers: readonly { readonly frame: number; readonly name: string }[];
  /** The label that frame 0 has in the file, and how it counts; null where the file says none. */
  readonly clock: ClockSetting | null;
  /** What was left out or could not be read, in words. */
  readonly notes: readonly string[];
}

/** A clip of a cut list; all numbers are frames of the rate it was read at. */
export interface CutClip {
  readonly name: string;
  readonly startFrame: number;
  readonly lengthFrames: number;
  readonly sourceStartFrame: number;
}
