import type { Title } from '../model/project';
import { MOST_LANES } from '../model/project';

/** A stretch of a project's time, in frames, half-open. */
export interface Span {
  readonly startFrame: number;
  readonly lengthFrames: number;
}

/** The frame after the last of a span. */
export function endOf(span: Span): number {
  return span.startFrame + span.lengthFrames;
}

/** Whether two spans share a frame. */
export function meet(a: Span, b: Span): boolean {
  return a.startFrame < endOf(b) && b.startFrame < endOf(a);
}

/** The lowest lane from `from` up in which nothing but `except` is on screen in a span; the highest lane when all are taken. */
export function freeLane(
  titles: readonly Title[],
  span: Span,
  except: ReadonlySet<string> = new Set(),
  from = 0,
): number {
  const taken = new Set(
    titles.filter((title) => !except.has(title.id) && meet(title, span)).map((title) => title.lane),
  );
  let lane = from;
  while (taken.has(lane) && lane < MOST_LANES - 1) lane++;
  return lane;
}

/** What lies at a frame; of several the one that starts last. */
export function spanAt<T extends Span>(spans: readonly T[], frame: number): T | undefined {
  return spans.findLast((span) => span.startFrame <= frame && frame < endOf(span));
}
