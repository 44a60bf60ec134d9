import type { MoveUse, RowsLayer, Template } from '../model/template';
import { hasPages, shownRows } from '../model/template';
import { ORDERS } from '../orders';
import type { TitleTiming } from '../titleTime/stretch';
import { chainMoves } from './chainTimes';
import { mirrorMove, mirrorWindows } from './motion';
import type { Window } from './stagger';
import { markWindows, windowsOfUse } from './stagger';

/** When a row of a list comes and goes, in seconds from the title's start. */
export interface RowTime {
  readonly from: number;
  readonly comesFor: number;
  /** For each move of rows in the in. */
  readonly comesBy: readonly StepPart[];
  /** When it starts to go; Infinity for one that goes with the whole list. */
  readonly to: number;
  readonly goesFor: number;
  /** For each move of rows in the out. */
  readonly goesBy: readonly StepPart[];
}

/** When one of several moves starts after the first of them, and how long it takes, in seconds. */
interface StepPart {
  readonly delay: number;
  readonly lasts: number;
}

/** What the times of a list's rows follow from, beside the list. */
export type RowTimesOf = Pick<Template, 'timing' | 'marks'>;

/** When something happens to a row after its moment, and how long it takes. */
interface Step {
  readonly after: number;
  readonly lasts: number;
  readonly by: readonly StepPart[];
}

/**
 * When each row of a list whose rows stand together comes and goes, in a title of some length: at its own moment where
 * the title gives it one, else in the design's rhythm. Rows beyond the most, where the list has pages, take the place
 * of those of the page before: at their moment, or after an even share of the title's time. However short the title is,
 * all of the last page have come before it goes, if one row has the time to at all.
 */
export function rowTimes(
  layer: RowsLayer,
  { timing, marks }: RowTimesOf,
): (title: TitleTiming) => readonly RowTime[] {
  const pages = pagesOf(layer);
  const { comes, goes, lastGoes } = chainMoves(layer.motion, 1);
  const arriving = pages.map((count) =>
    stepsOf(layer.moments === undefined ? comes : unwaiting(comes), count, marks),
  );
  const mirrored = layer.motion.out === 'mirror';
  const leaving = pages.map((count) =>
    stepsOf(unwaiting(mirrored ? goes.map((use) => mirrorMove(use, timing)) : goes), count, marks, mirrored),
  );
  const firstGo = Math.min(...goes.map(({ startSeconds }) => startSeconds));
  const timesIn = (title: TitleTiming): RowTime[] => {
    const bases = pageStarts(pages, title);
    // Rows that come as the in has them take part in it where a short title makes it shorter.
    const inScale = comesByItself(layer) || timing.inSeconds === 0 ? 1 : title.inSeconds / timing.inSeconds;
    const starts = pages.map((_, page) => rowStarts(layer, page, { arriving, bases, inScale, title }));
    return pages.flatMap((_, page): RowTime[] => {
      const next = starts[page + 1];
      const outScale = timing.outSeconds > 0 ? title.outSeconds / timing.outSeconds : 1;
      const steps = leaving[page];
      const cleared = Math.max(...steps.map(({ after, lasts }) => after - firstGo + lasts));
      return starts[page].map((from, i): RowTime => {
        const { after, lasts, by: goesBy } = steps[i];
        const comesFor = arriving[page][i].lasts * inScale;
        const comesBy = scaled(arriving[page][i].by, inScale);
        if (next !== undefined) {
          // The page before is gone when the first row of the next one comes.
          const begins = Math.min(...next) - cleared;
          const to = Math.max(from, begins + after - firstGo);
          return { from, comesFor, comesBy, to, goesFor: lasts, goesBy };
        }
        const to = lastGoes ? title.outStartSeconds + after * outScale : Infinity;
        return { from, comesFor, comesBy, to, goesFor: lasts * outScale, goesBy: scaled(goesBy, outScale) };
      });
    });
  };
  // Frame after frame of one title asks for the same length.
  let known: { readonly title: TitleTiming; readonly times: readonly RowTime[] } | null = null;
  return (title) => {
    if (known?.title !== title) known = { title, times: timesIn(title) };
    return known.times;
  };
}

/** Moves that start by their own time, not at marks. */
const unwaiting = (uses: readonly MoveUse[]): MoveUse[] => uses.map((use) => ({ ...use, waits: false }));

/** How many rows each page of a list has; one page for a list without. */
function pagesOf(layer: RowsLayer): number[] {
  const count = shownRows(layer).length;
  const pages = Math.ceil(count / layer.maxRows);
  return Array.from({ length: pages }, (_, page) => Math.min(layer.maxRows, count - page * layer.maxRows));
}

/** What each of so many rows does by the moves of rows: when the first of them starts, and the last one ends. */
function stepsOf(
  uses: readonly MoveUse[],
  count: number,
  marks: readonly number[],
  mirrored = false,
): Step[] {
  const windows = uses.map((use) => windowsFor(use, count, marks, mirrored));
  return Array.from({ length: count }, (_, i): Step => {
    const spans = uses.map(({ startSeconds, lengthSeconds }, k) => {
      const { start, length } = windows[k][i];
      const from = startSeconds + start * lengthSeconds;
      return { from, to: from + Math.max(1e-3, length * lengthSeconds) };
    });
    const after = Math.min(...spans.map(({ from }) => from));
    return {
      after,
      lasts: Math.max(...spans.map(({ to }) => to)) - after,
      by: spans.map(({ from, to }) => ({ delay: from - after, lasts: to - from })),
    };
  });
}

function windowsFor(
  use: MoveUse,
  count: number,
  marks: readonly number[],
  mirrored: boolean,
): readonly Window[] {
  const { order, seed, startSeconds, lengthSeconds } = use;
  // All rows of a list are equally large.
  const sizes = new Array<number>(count).fill(1);
  const lines = sizes.map((_, i) => i);
  const ranks = ORDERS.get(order).ranks({ count, seed, sizes, ranks: use.ranks, lines });
  if (use.waits) return markWindows(ranks, marks, startSeconds, Math.max(1e-9, lengthSeconds));
  const windows = windowsOfUse(use, ranks);
  return mirrored ? mirrorWindows(windows) : windows;
}

/** When each page begins, where its rows have no moments of their own. */
function pageStarts(pages: readonly number[], { outStartSeconds }: TitleTiming): number[] {
  return pages.map((_, page) => (page * outStartSeconds) / pages.length);
}

interface Within {
  readonly arriving: readonly (readonly Step[])[];
  readonly bases: readonly number[];
  readonly inScale: number;
  readonly title: TitleTiming;
}

function rowStarts(layer: RowsLayer, page: number, { arriving, bases, inScale, title }: Within): number[] {
  const steps = arriving[page];
  const longest = Math.max(...steps.map(({ lasts }) => lasts));
  const latest = Math.max(0, title.outStartSeconds - longest);
  const { moments = null } = layer;
  if (moments !== null) {
    const last = moments[moments.length - 1] ?? 0;
    const { sinceSeconds = 0 } = title;
    return steps.map((_, i) => {
      const own = (moments[page * layer.maxRows + i] ?? last) - sinceSeconds;
      return Math.max(0, Math.min(latest, own));
    });
  }
  if (!comesByItself(layer)) return steps.map(({ after }) => after * inScale);
  const first = page === 0 ? 0 : Math.min(...steps.map(({ after }) => after));
  return steps.map(({ after }) => Math.min(latest, bases[page] + after - first));
}

/** Whether rows come at times of their own, not as the in of the title. */
function comesByItself(layer: RowsLayer): boolean {
  return layer.moments !== undefined || (layer.earlierOpacity ?? 1) < 1 || hasPages(layer);
}

const scaled = (parts: readonly StepPart[], by: number): StepPart[] =>
  parts.map(({ delay, lasts }) => ({ delay: delay * by, lasts: lasts * by }));
