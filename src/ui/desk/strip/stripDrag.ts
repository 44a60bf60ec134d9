import type { Title } from '@/core/model/project';
import { MOST_LANES } from '@/core/model/project';
import { endOf } from '@/core/project/lanes';
import type { Span } from '@/core/project/lanes';
import { SHORTEST_FRAMES } from '@/core/time/rates';

export type Grip = 'whole' | 'start' | 'end';

/** A title moved or trimmed by a number of frames; never before frame 0 and never shorter than the shortest. */
export function dragTitle(title: Title, grip: Grip, by: number): Title {
  const end = endOf(title);
  if (grip === 'whole') return { ...title, startFrame: Math.max(0, title.startFrame + by) };
  if (grip === 'end') return { ...title, lengthFrames: Math.max(SHORTEST_FRAMES, title.lengthFrames + by) };
  const startFrame = Math.max(0, Math.min(end - SHORTEST_FRAMES, title.startFrame + by));
  return { ...title, startFrame, lengthFrames: end - startFrame };
}

/** Titles dragged together: moved as one block, which stops where its first would start before frame 0 or leave the lanes. */
export function dragTitles(
  titles: readonly Title[],
  grip: Grip,
  by: number,
  lanesUp: number,
): readonly Title[] {
  if (grip !== 'whole') return titles.map((title) => dragTitle(title, grip, by));
  const frames = Math.max(by, -Math.min(...titles.map((title) => title.startFrame)));
  const lanes = titles.map((title) => title.lane);
  const up = Math.max(-Math.min(...lanes), Math.min(MOST_LANES - 1 - Math.max(...lanes), lanesUp));
  return titles.map((title) => ({ ...title, startFrame: title.startFrame + frames, lane: title.lane + up }));
}

/** Which part of a bar a pointer takes hold of; the ends of a short one are narrower. */
export function gripAt(x: number, bounds: { readonly left: number; readonly right: number }): Grip {
  const reach = Math.min(8, (bounds.right - bounds.left) / 4);
  if (x - bounds.left < reach) return 'start';
  return bounds.right - x < reach ? 'end' : 'whole';
}

/** A wanted shift, changed so that the dragged edge lands on a stop within reach; the line it landed on, if any. */
export function snapFrames(
  span: Span,
  grip: Grip,
  by: number,
  stops: readonly number[],
  reachFrames: number,
): { by: number; line: number | null } {
  const end = endOf(span);
  const edges = grip === 'whole' ? [span.startFrame, end] : [grip === 'start' ? span.startFrame : end];
  let best: { by: number; line: number | null } = { by, line: null };
  let distance = reachFrames;
  for (const edge of edges) {
    for (const stop of stops) {
      const off = Math.abs(stop - (edge + by));
      if (off < distance) {
        distance = off;
        best = { by: stop - edge, line: stop };
      }
    }
  }
  return best;
}
