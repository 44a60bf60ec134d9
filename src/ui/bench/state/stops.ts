import type { Template } from '@/core/model/template';
import { isFollowed } from '@/core/model/track';
import type { FrameRate } from '@/core/time/rates';
import { secondsToNearestFrames } from '@/core/time/rates';
import { fromDesignSeconds, momentToSeconds } from '@/core/titleTime/moments';
import type { TitleTiming } from '@/core/titleTime/stretch';

/**
 * The frames that the keys for the next and the last of them go to, in order: the ends of in, hold and out, the marks,
 * and the keyframes and the ends of the moves of some layers.
 */
export function stopsOf(
  { layers, timing: design, marks }: Template,
  layerIds: readonly string[],
  timing: TitleTiming,
  rate: FrameRate,
): readonly number[] {
  const { totalFrames: total, inFrames, outFrames } = timing;
  const outStart = design.inSeconds + design.holdSeconds;
  const chosen = layers.filter(({ id }) => layerIds.includes(id)).map(({ motion }) => motion);
  const uses = chosen.flatMap(({ in: comes, out }) => [
    ...comes.map((use) => ({ use, from: 0 })),
    ...(out === 'mirror' ? [] : out.map((use) => ({ use, from: outStart }))),
  ]);
  const designed = [
    ...marks,
    ...uses.flatMap(({ use: { startSeconds, lengthSeconds }, from }) => [
      from + startSeconds,
      from + startSeconds + lengthSeconds,
    ]),
  ].map((seconds) => fromDesignSeconds(seconds, design, timing));
  const keyed = chosen.flatMap(({ tracks }) =>
    tracks
      .filter(isFollowed)
      .flatMap(({ keys }) => keys.map(({ moment }) => momentToSeconds(moment, design, timing))),
  );
  const frames = [...designed, ...keyed].map((seconds) => secondsToNearestFrames(seconds, rate));
  const all = [0, inFrames, total - outFrames, total - 1, total, ...frames];
  return [...new Set(all.filter((frame) => frame >= 0 && frame <= total))].sort((a, b) => a - b);
}
