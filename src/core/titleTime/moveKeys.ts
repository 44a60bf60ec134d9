import type { Keyframe, Timing, Track } from '../model/template';
import type { FrameRate } from '../time/rates';
import { designTiming, momentToSeconds, secondsToMoment, snapMoment } from './moments';

/** When a key is in the design, in seconds. */
export const keySeconds = (key: Keyframe, design: Timing): number =>
  momentToSeconds(key.moment, design, designTiming(design));

/** Which of a track's keys one is by its time, from 1; they are kept in the order in which they were set. */
export function keyNumber({ keys }: Track, index: number, design: Timing): number {
  const at = keySeconds(keys[index], design);
  return (
    1 +
    keys.filter((key, i) => keySeconds(key, design) < at || (keySeconds(key, design) === at && i < index))
      .length
  );
}

/** A track with each key at another time of the design, as far as the title goes. */
function retimeKeys(track: Track, design: Timing, at: (seconds: number, first: number) => number): Track {
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
  return retimeKeys(track, design, (seconds, first) => first + (seconds - first) * factor);
}

/** A track moved so that its first key is at a time of the design. */
export function shiftKeys(track: Track, design: Timing, to: number): Track {
  return retimeKeys(track, design, (seconds, first) => seconds + to - first);
}

/** A track with every key at the nearest frame of a rate. */
export function snapKeys(track: Track, design: Timing, rate: FrameRate): Track {
  const keys = track.keys.map((key) => ({ ...key, moment: snapMoment(key.moment, design, rate) }));
  return { ...track, keys };
}

/** A track played backwards between its first and its last key: values, distances and ways are all turned round. */
export function reverseKeys(track: Track, design: Timing): Track {
  const timed = track.keys.map((key) => ({ key, seconds: keySeconds(key, design) }));
  timed.sort((a, b) => a.seconds - b.seconds);
  const ends = timed[0].seconds + timed[timed.length - 1].seconds;
  const keys = timed.toReversed().map(({ key, seconds }, i): Keyframe => {
    // A way belongs to the key that it leaves, so it goes over to the key that it came to.
    const before = timed[timed.length - 2 - i]?.key ?? key;
    const [x1, y1, x2, y2] = before.curve;
    return {
      moment: secondsToMoment(ends - seconds, design),
      value: key.value,
      way: before.way,
      curve: [1 - x2, 1 - y2, 1 - x1, 1 - y1],
    };
  });
  return { ...track, keys };
}
