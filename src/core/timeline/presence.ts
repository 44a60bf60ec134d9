import { EASES } from '../eases';
import type { Layer, PropertySetting, Timing } from '../model/template';
import { spanTime } from '../titleTime/span';
import type { TitleTiming } from '../titleTime/stretch';
import { shareOf } from './stagger';

/** What says how far (0 to 1) the layout has made room for a layer with a span; it is set by the timeline only. */
export const PRESENCE_PATH = 'presence';

/** What the timeline itself sets of layers, beside keyframes. */
export interface OwnSettings {
  readonly path: string;
  readonly layerIds: readonly string[];
  /** What is set at a time (seconds from the title's start). */
  at(seconds: number, title: TitleTiming): readonly PropertySetting[];
  /** The times at which what is set begins and ends to change. */
  times(title: TitleTiming): readonly number[];
}

// Room is made faster than the layer comes: what it holds needs it first.
const ROOM = EASES.get('settle');

// A layer without moves is there from its first frame on, even while there is no room for it yet.
const LEAST = 1e-6;

/** How far there is room for each layer with a span: it opens as the layer comes and closes as it goes. */
export function compilePresence(layers: readonly Layer[], design: Timing): OwnSettings | null {
  const spanned = layers.flatMap(({ id, motion: { span = null } }) => (span === null ? [] : [{ id, span }]));
  if (spanned.length === 0) return null;
  return {
    path: PRESENCE_PATH,
    layerIds: spanned.map(({ id }) => id),
    at: (seconds, title) =>
      spanned.map(({ id, span }) => {
        const { fromSeconds, timing } = spanTime(span, design, title);
        const own = seconds - fromSeconds;
        const { inSeconds, outStartSeconds, outSeconds, totalSeconds } = timing;
        const isThere = own >= 0 && own < totalSeconds;
        // With the title itself nothing is there yet to make room in.
        const came = fromSeconds === 0 || inSeconds === 0 ? 1 : shareOf(own, inSeconds);
        const goesOn = fromSeconds + totalSeconds >= title.totalSeconds - title.frameSeconds / 2;
        const left = goesOn || outSeconds === 0 ? 0 : shareOf(own - outStartSeconds, outSeconds);
        const value = isThere ? Math.max(LEAST, ROOM.at(came) * ROOM.at(1 - left)) : 0;
        return { layerId: id, path: PRESENCE_PATH, value };
      }),
    times: (title) =>
      spanned.flatMap(({ span }) => {
        const { fromSeconds, timing } = spanTime(span, design, title);
        return [0, timing.inSeconds, timing.outStartSeconds, timing.totalSeconds].map(
          (time) => fromSeconds + time,
        );
      }),
  };
}
