import type { Rect } from '../kit/rect';
import type { Shift } from '../model/project';

/** A line that a title was caught by while it was moved, in design units. */
export interface SnapLine {
  readonly axis: 'x' | 'y';
  readonly at: number;
}

/** Where a title is moved to, and what it was caught by. */
export interface Moved {
  readonly shift: Shift;
  readonly lines: readonly SnapLine[];
}

interface Space {
  /** What the title covers before it is moved. */
  readonly box: Rect;
  readonly frame: Rect;
  readonly safe: Rect;
  /** How near a line catches, in design units; 0 for not at all. */
  readonly reachU: number;
}

/**
 * A title that is moved by hand: its middle is caught by the picture's middle, its edges by those of the title-safe area,
 * and by its own place, each axis by itself. The shift is in whole units.
 */
export function moveInPicture(before: Shift, by: Shift, { box, frame, safe, reachU }: Space): Moved {
  const across = caught(
    [box.x, box.x + box.width / 2, box.x + box.width],
    [
      [1, frame.x + frame.width / 2],
      [0, safe.x],
      [2, safe.x + safe.width],
    ],
    by.dxU,
    reachU,
  );
  const down = caught(
    [box.y, box.y + box.height / 2, box.y + box.height],
    [
      [1, frame.y + frame.height / 2],
      [0, safe.y],
      [2, safe.y + safe.height],
    ],
    by.dyU,
    reachU,
  );
  return {
    shift: { dxU: Math.round(before.dxU + across.by), dyU: Math.round(before.dyU + down.by) },
    lines: [
      ...(across.at === null ? [] : [{ axis: 'x' as const, at: across.at }]),
      ...(down.at === null ? [] : [{ axis: 'y' as const, at: down.at }]),
    ],
  };
}

/** A way along one axis, drawn to the nearest line that one of three points (start, middle, end) comes within reach of. */
function caught(
  points: readonly [number, number, number],
  lines: readonly (readonly [point: 0 | 1 | 2, at: number])[],
  by: number,
  reach: number,
): { readonly by: number; readonly at: number | null } {
  let best: { by: number; at: number | null; off: number } = { by, at: null, off: reach };
  for (const [point, at] of lines) {
    const off = Math.abs(at - (points[point] + by));
    if (off < best.off) best = { by: at - points[point], at, off };
  }
  return best;
}
