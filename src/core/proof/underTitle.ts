import type { Clip } from '../model/project';
import { endOf } from '../project/lanes';
import type { FrameRate } from '../time/rates';
import { frameToSeconds, secondsToFrame } from '../time/rates';
import type { BackdropFrame, Eyes } from './eyes';

/** A moment of a clip, and the frame of the project at which it is on screen. */
export interface UnderMoment {
  readonly picture: string;
  readonly seconds: number;
  readonly frame: number;
}

// Five times a second, on a grid of the clip's own time: titles over the same moment look at the same picture.
const STEP_SECONDS = 0.2;
const MOST_MOMENTS = 300;

/** The moments of the clips under a stretch of the project (frames, half-open): the first of each clip, then five a second. */
export function momentsUnder(
  clips: readonly Clip[],
  fromFrame: number,
  toFrame: number,
  rate: FrameRate,
): UnderMoment[] {
  const moments = clips
    .filter((clip) => clip.startFrame < toFrame && endOf(clip) > fromFrame)
    .flatMap((clip) =>
      momentsOf(clip, Math.max(fromFrame, clip.startFrame), Math.min(toFrame, endOf(clip)), rate),
    );
  const step = Math.max(1, moments.length / MOST_MOMENTS);
  return moments.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step));
}

function momentsOf(clip: Clip, from: number, to: number, rate: FrameRate): UnderMoment[] {
  const source = (frame: number): number =>
    frameToSeconds(frame - clip.startFrame + clip.sourceStartFrame, rate);
  const first = Math.floor(source(from) / STEP_SECONDS);
  const last = Math.floor(source(Math.max(from, to - 1)) / STEP_SECONDS);
  return Array.from({ length: last - first + 1 }, (_, i) => {
    const seconds = (first + i) * STEP_SECONDS;
    const frame = clip.startFrame - clip.sourceStartFrame + secondsToFrame(seconds, rate);
    return { picture: clip.picture, seconds, frame: Math.max(from, frame) };
  });
}

/** The pictures of moments, those that are not here left out. */
export async function picturesUnder(
  moments: readonly UnderMoment[],
  eyes: Eyes,
): Promise<{ readonly moment: UnderMoment; readonly picture: BackdropFrame }[]> {
  const seen: { moment: UnderMoment; picture: BackdropFrame }[] = [];
  for (const moment of moments) {
    const picture = await eyes.backdrop(moment.picture, moment.seconds);
    if (picture !== null) seen.push({ moment, picture });
  }
  return seen;
}
