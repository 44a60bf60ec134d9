import type { Title } from '../model/project';
import { SHORTEST_FRAMES } from '../time/rates';
import { endOf, freeLane } from './lanes';

/**
 * The titles with the starts or the ends of some of them at one frame: where the first of them starts, or the last
 * of them ends. Starts are moved; ends are stretched to, as a list whose rows leave together needs it.
 */
export function alignTitles(
  titles: readonly Title[],
  ids: ReadonlySet<string>,
  edge: 'start' | 'end',
): readonly Title[] {
  const chosen = titles.filter((title) => ids.has(title.id));
  if (chosen.length < 2) return titles;
  const start = Math.min(...chosen.map((title) => title.startFrame));
  const end = Math.max(...chosen.map(endOf));
  const aligned = titles.map((title) => {
    if (!ids.has(title.id)) return title;
    return edge === 'start'
      ? { ...title, startFrame: start }
      : { ...title, lengthFrames: Math.max(SHORTEST_FRAMES, end - title.startFrame) };
  });
  return withoutOverlap(aligned, ids);
}

/** The titles with some of them, in order, each starting when the one before in its lane ends. */
export function closeGaps(titles: readonly Title[], ids: ReadonlySet<string>): readonly Title[] {
  const ends = new Map<number, number>();
  return titles.map((title) => {
    if (!ids.has(title.id)) return title;
    const startFrame = ends.get(title.lane) ?? title.startFrame;
    ends.set(title.lane, startFrame + title.lengthFrames);
    return startFrame === title.startFrame ? title : { ...title, startFrame };
  });
}

/** The titles with some of them moved in time and between lanes, all by as much as each of them can be. */
export function nudgeTitles(
  titles: readonly Title[],
  ids: ReadonlySet<string>,
  byFrames: number,
): readonly Title[] {
  const chosen = titles.filter((title) => ids.has(title.id));
  const by = Math.max(byFrames, -Math.min(...chosen.map((title) => title.startFrame)));
  return titles.map((title) => (ids.has(title.id) ? { ...title, startFrame: title.startFrame + by } : title));
}

/** Copies of titles, each set behind the last of them by the way from the first start to the last end. */
export function duplicateTitles(
  titles: readonly Title[],
  ids: ReadonlySet<string>,
  newId: () => string,
): { readonly titles: readonly Title[]; readonly copies: readonly Title[] } {
  const chosen = titles.filter((title) => ids.has(title.id));
  if (chosen.length === 0) return { titles, copies: [] };
  const by = Math.max(...chosen.map(endOf)) - Math.min(...chosen.map((title) => title.startFrame));
  const copies: Title[] = [];
  for (const title of chosen) {
    const moved = { ...title, id: newId(), startFrame: title.startFrame + by };
    copies.push({ ...moved, lane: freeLane([...titles, ...copies], moved, new Set(), title.lane) });
  }
  return { titles: [...titles, ...copies], copies };
}

/** Titles that were changed, each in the lowest lane from its own up where it covers no other. */
function withoutOverlap(titles: readonly Title[], ids: ReadonlySet<string>): readonly Title[] {
  const settled: Title[] = titles.filter((title) => !ids.has(title.id));
  const lanes = new Map<string, number>();
  for (const title of titles.filter((one) => ids.has(one.id))) {
    const lane = freeLane(settled, title, new Set(), title.lane);
    lanes.set(title.id, lane);
    settled.push({ ...title, lane });
  }
  return titles.map((title) => ({ ...title, lane: lanes.get(title.id) ?? title.lane }));
}
