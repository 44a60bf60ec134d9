import type { FrameRate } from '../time/rates';
import { SHORTEST_FRAMES } from '../time/rates';
import { clockOf } from '../time/clock';
import { frameLabel, labelFrame } from '../time/timecode';
import type { Span } from './lanes';
import type { Work } from './work';

/** A project's work at another frame rate, and what that does to it. */
export interface RateChange {
  readonly work: Work;
  /** How many starts and ends of titles, clips and cues fall between two frames of the new rate, and are moved to the nearer. */
  readonly rounded: number;
  /** How many titles would be too short to be, and last the shortest time there is. */
  readonly lengthened: number;
}

/**
 * The same work at another rate: everything keeps its time. Starts and ends are converted and rounded, lengths follow
 * from them, so that what met still meets. The timecode that the project starts with keeps its hours, minutes and seconds.
 */
export function changeRate(work: Work, from: FrameRate, to: FrameRate): RateChange {
  const up = to.numerator * from.denominator;
  const down = to.denominator * from.numerator;
  let [rounded, lengthened] = [0, 0];
  const near = (frame: number): number => Math.round((frame * up) / down);
  const edge = (frame: number): number => {
    if ((frame * up) % down !== 0) rounded++;
    return near(frame);
  };
  const spanOf = ({ startFrame, lengthFrames }: Span, least: number) => {
    const start = edge(startFrame);
    const length = edge(startFrame + lengthFrames) - start;
    if (length < least) lengthened++;
    return { startFrame: start, lengthFrames: Math.max(least, length) };
  };
  const { plan } = work;
  const changed: Work = {
    titles: work.titles.map((title) => ({
      ...title,
      ...spanOf(title, SHORTEST_FRAMES),
      fadeInFrames: near(title.fadeInFrames),
      fadeOutFrames: near(title.fadeOutFrames),
    })),
    clips: work.clips.map((clip) => ({
      ...clip,
      ...spanOf(clip, 1),
      sourceStartFrame: near(clip.sourceStartFrame),
      sourceLengthFrames:
        clip.sourceLengthFrames === null ? null : Math.max(1, near(clip.sourceLengthFrames)),
      ...(clip.source === undefined
        ? {}
        : { source: { ...clip.source, firstFrame: near(clip.source.firstFrame) } }),
    })),
    cues: work.cues.map((cue) => ({ ...cue, ...spanOf(cue, 1) })),
    plan: {
      ...plan,
      markers: plan.markers.map((marker) => ({ ...marker, frame: near(marker.frame) })),
      ...(plan.clock === undefined ? {} : { clock: clockAt(plan.clock, from, to) }),
    },
  };
  return { work: changed, rounded, lengthened };
}

function clockAt(setting: NonNullable<Work['plan']['clock']>, from: FrameRate, to: FrameRate) {
  const before = clockOf(from, setting);
  const { mode } = clockOf(to, setting);
  const { hours, minutes, seconds } = frameLabel(before.startFrame, before);
  // A minute whose first labels drop frame skips begins two labels later.
  const frames = mode === 'drop' && seconds === 0 && minutes % 10 !== 0 ? to.dropPerMinute : 0;
  return { mode, startFrame: labelFrame({ hours, minutes, seconds, frames }, { rate: to, mode }) };
}
