import type { Template } from '../document/template';
import { layerWords } from '../document/template';
import type { TitleTiming } from '../timeline/stretch';
import { stretchTiming } from '../timeline/stretch';
import type { FrameRate } from '../time/rates';
import { mirrorMove } from '../timeline/motion';

/**
 * Seconds during which every text of a title is at rest: from the end of the last move in to the start of
 * the first move out. 0 when they overlap. Texts that are empty or hidden do not count.
 */
export function readableSeconds(template: Template, timing: TitleTiming): number {
  let from = 0;
  let to = timing.totalSeconds;
  for (const layer of template.layers) {
    if (layerWords(layer).trim() === '') continue;
    const { in: arrive, out: leave } = layer.motion;
    for (const { startSeconds, lengthSeconds } of arrive) {
      const share = columnShare(startSeconds + lengthSeconds, template.timing.inSeconds);
      from = Math.max(from, share * timing.inSeconds);
    }
    const out = leave === 'mirror' ? arrive.map((use) => mirrorMove(use, template.timing)) : leave;
    for (const { startSeconds } of out) {
      const share = columnShare(startSeconds, template.timing.outSeconds);
      to = Math.min(to, timing.outStartSeconds + share * timing.outSeconds);
    }
  }
  return Math.max(0, to - from);
}

// In and out of a title that is shorter than both grow back as it is lengthened; each round gives what they take.
const MOST_ROUNDS = 12;

/** The shortest length from `lengthFrames` up, in frames, at which a title's words stand still for so many seconds. */
export function lengthToRead(
  template: Template,
  lengthFrames: number,
  neededSeconds: number,
  rate: FrameRate,
): number {
  let length = lengthFrames;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const short = neededSeconds - readableSeconds(template, stretchTiming(template.timing, length, rate));
    if (short <= 0) break;
    length += Math.max(1, Math.ceil((short * rate.numerator) / rate.denominator));
  }
  return length;
}

function columnShare(seconds: number, columnSeconds: number): number {
  return columnSeconds > 0 ? Math.min(1, seconds / columnSeconds) : 0;
}
