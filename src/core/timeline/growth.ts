import { EASES } from '../eases';
import type { Layer, PropertySetting, RowsLayer } from '../model/template';
import { shownRows } from '../model/template';
import type { TitleTiming } from '../titleTime/stretch';
import { shareOf } from './rowPages';
import type { RowTime, RowTimesOf } from './rowTimes';
import { rowTimes } from './rowTimes';

/** What says how many rows of a list are there; it is set by the timeline only. */
export const PRESENT_PATH = 'presentRows';

/** Whether a list is as high as the rows that are there. */
export function isGrowing(layer: Layer): layer is RowsLayer {
  return layer.kind === 'rows' && layer.grows === true && layer.chain == null && shownRows(layer).length > 1;
}

/** How high growing lists are at a time, as settings of how many of their rows are there; null where none grows. */
export function compileGrowth(
  layers: readonly Layer[],
  of: RowTimesOf,
): ((seconds: number, title: TitleTiming) => PropertySetting[]) | null {
  const growing = layers.filter(isGrowing).map((layer) => {
    const ease = layer.motion.in.find(({ unit }) => unit === 'row')?.ease ?? 'settle';
    return { layer, times: rowTimes(layer, of), ease: EASES.get(ease) };
  });
  if (growing.length === 0) return null;
  return (seconds, title) =>
    growing.map(({ layer, times, ease }) => {
      const eased = (share: number): number => Math.max(0, Math.min(1, ease.at(share)));
      const value = rowsThere(times(title), seconds, layer.maxRows, eased);
      return { layerId: layer.id, path: PRESENT_PATH, value };
    });
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
