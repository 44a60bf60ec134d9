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
    {
      start: box.x,
      length: box.width,
      safeStart: safe.x,
      safeLength: safe.width,
      middle: middleOf(frame.x, frame.width),
    },
    { by: by.dxU, home: -before.dxU, reach: reachU },
  );
  const down = caught(
    {
      start: box.y,
      length: box.height,
      safeStart: safe.y,
      safeLength: safe.height,
      middle: middleOf(frame.y, frame.height),
    },
    { by: by.dyU, home: -before.dyU, reach: reachU },
  );
  return {
    shift: { dxU: Math.round(before.dxU + across.by), dyU: Math.round(before.dyU + down.by) },
    lines: [
      ...(across.at === null ? [] : [{ axis: 'x' as const, at: across.at }]),
      ...(down.at === null ? [] : [{ axis: 'y' as const, at: down.at }]),
    ],
  };
}

const middleOf = (start: number, length: number): number => start + length / 2;

/** What a title and the picture have along one axis. */
interface Along {
  readonly start: number;
  readonly length: number;
  readonly safeStart: number;
  readonly safeLength: number;
  readonly middle: number;
}

/** A way along one axis, drawn to the nearest line within reach; `home` is the way back to the title's own place. */
function caught(
  { start, length, safeStart, safeLength, middle }: Along,
  { by, home, reach }: { readonly by: number; readonly home: number; readonly reach: number },
): { readonly by: number; readonly at: number | null } {
  const ways = [
    { by: middle - middleOf(start, length), at: middle },
    { by: safeStart - start, at: safeStart },
    { by: safeStart + safeLength - start - length, at: safeStart + safeLength },
    { by: home, at: middleOf(start + home, length) },
  ];
  const near = ways
    .filter((way) => Math.abs(way.by - by) < reach)
    .toSorted((a, b) => Math.abs(a.by - by) - Math.abs(b.by - by));
  return near[0] ?? { by, at: null };
}
