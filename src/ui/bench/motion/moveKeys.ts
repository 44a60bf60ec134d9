import type { Keyframe, Timing, Track } from '@/core/document/template';
import { momentToSeconds, secondsToMoment, snapMoment } from '@/core/timeline/moments';
import type { FrameRate } from '@/core/units/rates';
import type { TitleTiming } from '@/core/timeline/stretch';

/** The design's own length as a title's; frames are not asked for. */
export function designTiming({ inSeconds, holdSeconds, outSeconds }: Timing): TitleTiming {
  return {
    inFrames: 0,
    holdFrames: 0,
    outFrames: 0,
    totalFrames: 1,
    inSeconds,
    outStartSeconds: inSeconds + holdSeconds,
    outSeconds,
    totalSeconds: inSeconds + holdSeconds + outSeconds,
  };
}

/** When a key is in the design, in seconds. */
export const keySeconds = (key: Keyframe, design: Timing): number =>
  momentToSeconds(key.moment, design, designTiming(design));

function retime(track: Track, design: Timing, at: (seconds: number, first: number) => number): Track {
  const times = track.keys.map((key) => keySeconds(key, design));
  const first = Math.min(...times);
  const { totalSeconds } = designTiming(design);
  const keys = track.keys.map((key, i) => ({
    ...key,
    moment: secondsToMoment(Math.max(0, Math.min(totalSeconds, at(times[i], first))), design),
  }));
  return { ...track, keys };
}

/** A track with its keys `factor` times as far from the first, as far as the title goes. */
export function stretchKeys(track: Track, design: Timing, factor: number): Track {
  return retime(track, design, (seconds, first) => first + (seconds - first) * factor);
}

/** A track with every key at the nearest frame of a rate. */
export function snapKeys(track: Track, design: Timing, rate: FrameRate): Track {
  const keys = track.keys.map((key) => ({ ...key, moment: snapMoment(key.moment, design, rate) }));
  return { ...track, keys };
}

/** A track moved so that its first key is at a time of the design. */
export function shiftKeys(track: Track, design: Timing, to: number): Track {
  return retime(track, design, (seconds, first) => seconds + to - first);
}
