import type { FileCue } from '../formats/captions/captionFile';
import type { Cue } from '../model/captions';
import { newCue } from '../model/captions';
import { endOf } from '../project/lanes';
import type { Clock } from '../time/clock';
import type { FrameRate } from '../time/rates';
import { frameToSeconds, secondsToNearestFrames } from '../time/rates';

/** How the times of a file are taken. */
export interface FileTimes {
  /** What of the file's time is the start of the project, in seconds. */
  readonly originSeconds: number;
  /** The rate that it was timed for, where that is another and frames were kept; null for its times as they are. */
  readonly madeFor: FrameRate | null;
}

/**
 * What of a file's time is proposed as the project's start: the project's own first timecode where the file's cues all
 * come after it, else nothing.
 */
export function proposedOrigin(cues: readonly FileCue[], { rate, startFrame }: Clock): number {
  const start = frameToSeconds(startFrame, rate);
  return cues.length > 0 && cues.every((cue) => cue.startSeconds >= start) ? start : 0;
}

/** The cues of a file in frames of a project, in the order of their starts; those before its start begin there. */
export function fileToCues(
  cues: readonly FileCue[],
  {
    trackId,
    rate,
    newId,
  }: { readonly trackId: string; readonly rate: FrameRate; readonly newId: () => string },
  { originSeconds, madeFor }: FileTimes,
): Cue[] {
  const stretch =
    madeFor === null ? 1 : (madeFor.numerator * rate.denominator) / (madeFor.denominator * rate.numerator);
  const frame = (seconds: number): number =>
    Math.max(0, secondsToNearestFrames((seconds - originSeconds) * stretch, rate));
  return cues
    .map(({ startSeconds, endSeconds, ...rest }) => {
      const startFrame = frame(startSeconds);
      const lengthFrames = Math.max(1, frame(endSeconds) - startFrame);
      return newCue({ id: newId(), trackId, startFrame, lengthFrames, ...rest });
    })
    .toSorted((a, b) => a.startFrame - b.startFrame);
}

/** Cues as a file has them, in seconds from the project's start. */
export function cuesToFile(cues: readonly Cue[], rate: FrameRate): FileCue[] {
  return cues.map((cue) => ({
    startSeconds: frameToSeconds(cue.startFrame, rate),
    endSeconds: frameToSeconds(endOf(cue), rate),
    words: cue.words,
    speaker: cue.speaker,
    place: cue.place,
    align: cue.align,
    forced: cue.forced,
  }));
}
