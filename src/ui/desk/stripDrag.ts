import type { Title } from '@/core/document/project';
import { SHORTEST_FRAMES } from '@/core/timeline/stretch';

export type Grip = 'whole' | 'start' | 'end';

/** A title moved or trimmed by a number of frames; never before frame 0 and never shorter than the shortest. */
export function dragTitle(title: Title, grip: Grip, by: number): Title {
  const end = title.startFrame + title.lengthFrames;
  if (grip === 'whole') return { ...title, startFrame: Math.max(0, title.startFrame + by) };
  if (grip === 'end') return { ...title, lengthFrames: Math.max(SHORTEST_FRAMES, title.lengthFrames + by) };
  const startFrame = Math.max(0, Math.min(end - SHORTEST_FRAMES, title.startFrame + by));
  return { ...title, startFrame, lengthFrames: end - startFrame };
}

/** A wanted shift, changed so that the dragged edge lands on a stop within reach; the line it landed on, if any. */
export function snapFrames(
  title: Title,
  grip: Grip,
  by: number,
  stops: readonly number[],
  reachFrames: number,
): { by: number; line: number | null } {
  const end = title.startFrame + title.lengthFrames;
  const edges = grip === 'whole' ? [title.startFrame, end] : [grip === 'start' ? title.startFrame : end];
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
