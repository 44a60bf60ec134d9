import type { CompiledTitle } from '../timeline/compile';
import type { TitleTiming } from '../titleTime/stretch';
import type { FrameRate } from '../time/rates';
import { frameToSeconds } from '../time/rates';

/** A frame of a title that is looked at, and how long it stays as it is. */
export interface Sample {
  readonly frame: number;
  /** Its time from the title's start. */
  readonly seconds: number;
  /** For so many frames nothing changes, itself counted. */
  readonly frames: number;
}

/**
 * The frames of a title that every check looks at: each one that may differ from the one before, once, with its true
 * time and how long it lasts. A hold in which nothing moves is one sample. `isStill` says whether something else, such
 * as a fade, leaves the frames of a stretch (half-open) as they are.
 */
export function samplesOf(
  title: Pick<CompiledTitle, 'holdsStill'>,
  timing: TitleTiming,
  rate: FrameRate,
  isStill: (from: number, to: number) => boolean = () => true,
): Sample[] {
  const { inFrames, totalFrames, outFrames } = timing;
  const outStart = totalFrames - outFrames;
  const collapses = title.holdsStill && outStart - inFrames > 1 && isStill(inFrames, outStart);
  const samples: Sample[] = [];
  for (let frame = 0; frame < totalFrames;) {
    const frames = collapses && frame === inFrames ? outStart - inFrames : 1;
    samples.push({ frame, seconds: frameToSeconds(frame, rate), frames });
    frame += frames;
  }
  return samples;
}
