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
  /** The first frame that is shown of its source, by the source's own timecode. */
  readonly sourceStartFrame: number;
  /** The reel that it was recorded on, and the file that it is in, where the list says so. */
  readonly reel?: string;
  readonly file?: string;
  /** The timecode of the first frame that the source has, where the list says so. */
  readonly sourceFirstFrame?: number;
}

/** Clips in order of time, where a later one of the list takes the place of what lies under it. */
export function assembleClips<T extends CutClip>(clips: readonly T[]): T[] {
  let placed: T[] = [];
  let latest = 0;
  for (const clip of clips) {
    const [start, end] = [clip.startFrame, clip.startFrame + clip.lengthFrames];
    // Lists are nearly always in order; only where they are not is anything under the new clip.
    if (start < latest)
      placed = placed.flatMap((one) =>
        one.startFrame < end && one.startFrame + one.lengthFrames > start ? cutOut(one, start, end) : [one],
      );
    placed.push(clip);
    latest = Math.max(latest, end);
  }
  return placed.toSorted((a, b) => a.startFrame - b.startFrame);
}

/** What is left of a clip before and after a stretch. */
function cutOut<T extends CutClip>(clip: T, start: number, end: number): T[] {
  const last = clip.startFrame + clip.lengthFrames;
  const parts: T[] = [];
  if (clip.startFrame < start) parts.push({ ...clip, lengthFrames: start - clip.startFrame });
  if (last > end)
    parts.push({
      ...clip,
      startFrame: end,
      lengthFrames: last - end,
      sourceStartFrame: clip.sourceStartFrame + end - clip.startFrame,
    });
  return parts;
}

const MOST_NOTES = 12;

/** The first of many notes, and how many more there are. */
export function fewNotes(notes: readonly string[]): string[] {
  if (notes.length <= MOST_NOTES) return [...notes];
  return [...notes.slice(0, MOST_NOTES), `and ${notes.length - MOST_NOTES} more of the kind.`];
}
