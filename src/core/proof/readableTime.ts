import { SHORT_SIDE_U } from '../frame/formats';
import type { CompiledTitle } from '../timeline/compile';
import type { TitleTiming } from '../titleTime/stretch';
import type { WordState } from '../timeline/wordStates';
import type { FrameRate } from '../time/rates';
import { frameToSeconds } from '../time/rates';
import type { Sample } from './sampler';
import { samplesOf } from './sampler';

// What every word must be to be read: so opaque, not blurred, and slower than 5 % of the picture's short side a second.
// A rounding error below it is still it.
const LEAST_OPACITY = 0.9 - 1e-9;
const MOST_BLUR_U = 1;
const MOST_SPEED_U = 0.05 * SHORT_SIDE_U;

/** What besides its template decides how long a title is readable: its fades, by frame. */
export type FadeAt = (frame: number) => number;

/**
 * Seconds in one piece during which every word of a title can be read, measured on its frames: keyframes, moves,
 * moves of the hold, groups and fades all count. 0 for a title whose words never can; words that are never seen do
 * not count. `fadeAt` is how opaque the title's own fades leave a frame.
 */
export function readableSeconds(
  title: CompiledTitle,
  timing: TitleTiming,
  rate: FrameRate,
  fadeAt: FadeAt = () => 1,
): number {
  const full = (from: number, to: number): boolean => fadeAt(from) >= 1 && fadeAt(to - 1) >= 1;
  const samples = samplesOf(title, timing, rate, full);
  const states = samples.map(({ seconds }) => title.wordsAt(seconds, timing));
  const seen = new Set(
    states.flatMap((words) => words.filter(({ opacity }) => opacity > 0).map(({ layerId }) => layerId)),
  );
  if (seen.size === 0) return 0;
  let longest = 0;
  let run = 0;
  samples.forEach((sample, i) => {
    const words = states[i].filter(({ layerId }) => seen.has(layerId));
    const present = new Set(words.map(({ layerId }) => layerId));
    const steady = isSteady(words, states[i + 1] ?? states[i - 1] ?? [], samples, i, rate);
    const opaque = fadeAt(sample.frame) >= LEAST_OPACITY;
    const whole = present.size === seen.size && words.every(isLegible);
    run = opaque && whole && steady ? run + sample.frames : 0;
    longest = Math.max(longest, run);
  });
  return frameToSeconds(longest, rate);
}

function isLegible({ opacity, blurU, covered, corners }: WordState): boolean {
  return opacity >= LEAST_OPACITY && blurU <= MOST_BLUR_U && !covered && corners.length > 0;
}

/** Whether no part moves too fast to be read, to the next frame or, at the end, from the one before. */
function isSteady(
  words: readonly WordState[],
  others: readonly WordState[],
  samples: readonly Sample[],
  index: number,
  rate: FrameRate,
): boolean {
  // The last frame of what stays as it is moves on to the next sample, or everything would be steady until it jumps.
  const { frames } = samples[index];
  const seconds = frameToSeconds(1, rate);
  const byId = new Map(others.map((word) => [word.part, word]));
  return words.every(({ part, corners }) => {
    const other = byId.get(part);
    // What is made of other parts at the next moment, as a move begins, has not moved yet.
    if (other === undefined || frames > 1) return true;
    return corners.every(({ x, y }, i) => {
      const to = other.corners[i];
      return to === undefined || Math.hypot(to.x - x, to.y - y) / seconds < MOST_SPEED_U;
    });
  });
}

// In and out of a title that is shorter than both grow back as it is lengthened; each round gives what they take.
const MOST_ROUNDS = 24;

/** The shortest length from `lengthFrames` up, in frames, at which a title's words can be read for so many seconds. */
export function lengthToRead(
  readableAt: (lengthFrames: number) => number,
  lengthFrames: number,
  neededSeconds: number,
  rate: FrameRate,
): number {
  let length = lengthFrames;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const short = neededSeconds - readableAt(length);
    if (short <= 1e-9) break;
    length += Math.max(1, Math.ceil((short * rate.numerator) / rate.denominator));
  }
  return length;
}
