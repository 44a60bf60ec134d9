import { EASES } from '../eases';
import type { Layer, RowsLayer } from '../model/template';
import { shownRows } from '../model/template';
import type { SpanTime } from '../titleTime/span';
import { spanTime } from '../titleTime/span';
import type { TitleTiming } from '../titleTime/stretch';
import type { OwnSettings } from './presence';
import type { RowTime, RowTimesOf } from './rowTimes';
import { rowTimes } from './rowTimes';
import { shareOf } from './stagger';

/** What says how many rows of a list are there; it is set by the timeline only. */
export const PRESENT_PATH = 'presentRows';

/** Whether a list is as high as the rows that are there. */
function isGrowing(layer: Layer): layer is RowsLayer {
  return layer.kind === 'rows' && layer.grows === true && layer.chain == null && shownRows(layer).length > 1;
}

/** How high growing lists are, as settings of how many of their rows are there; null where none grows. */
export function compileGrowth(layers: readonly Layer[], of: RowTimesOf): OwnSettings | null {
  const growing = layers.filter(isGrowing).map((layer) => {
    const ease = layer.motion.in.find(({ unit }) => unit === 'row')?.ease ?? 'settle';
    const timesIn = rowTimes(layer, of);
    const { span = null } = layer.motion;
    /** The list's own time, and when that starts. */
    const ownTime = (title: TitleTiming): SpanTime =>
      span === null ? { fromSeconds: 0, timing: title } : spanTime(span, of.timing, title);
    return { layer, timesIn, ease: EASES.get(ease), ownTime };
  });
  if (growing.length === 0) return null;
  return {
    path: PRESENT_PATH,
    layerIds: growing.map(({ layer }) => layer.id),
    at: (seconds, title) =>
      growing.map(({ layer, timesIn, ease, ownTime }) => {
        const eased = (share: number): number => Math.max(0, Math.min(1, ease.at(share)));
        const { fromSeconds, timing } = ownTime(title);
        const value = rowsThere(timesIn(timing), seconds - fromSeconds, layer.maxRows, eased);
        return { layerId: layer.id, path: PRESENT_PATH, value };
      }),
    times: (title) =>
      growing.flatMap(({ timesIn, ownTime }) => {
        const { fromSeconds, timing } = ownTime(title);
        return timesIn(timing)
          .flatMap(({ from, comesFor, to, goesFor }) => [from, from + comesFor, to, to + goesFor])
          .filter((time) => Number.isFinite(time))
          .map((time) => fromSeconds + time);
      }),
  };
}

/**
 * How many rows high a list is: up to the furthest one that is there. One that is on its way makes it higher as far as
 * it has come. Never less than one row, so that what encloses it has something to stand on.
 */
function rowsThere(
  times: readonly RowTime[],
  seconds: number,
  most: number,
  eased: (share: number) => number,
): number {
  const rows = times.map(({ from, comesFor, to, goesFor }, i) => ({
    place: (i % most) + 1,
    from,
    to,
    there:
      eased(shareOf(seconds - from, comesFor)) *
      // The way out is the way in backwards.
      (seconds <= to ? 1 : eased(1 - shareOf(seconds - to, goesFor))),
  }));
  // What is there longest counts first: the others make it higher from where that leaves it.
  rows.sort((a, b) => b.to - a.to || a.from - b.from);
  const high = rows.reduce((sum, { place, there }) => Math.max(sum, sum + (place - sum) * there), 0);
  return Math.max(1, high);
}
