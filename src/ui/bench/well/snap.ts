import type { Rect } from '@/core/kit/rect';

/** Lines that a dragged box can stop at, in design units. */
export interface SnapLines {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

export interface Snapped {
  readonly dx: number;
  readonly dy: number;
  /** The lines it stopped at, to be shown; null where it moves freely. */
  readonly lineX: number | null;
  readonly lineY: number | null;
}

/** The edges and centre lines of areas and boxes. */
export function snapLines(rects: readonly Rect[]): SnapLines {
  return {
    x: rects.flatMap((r) => [r.x, r.x + r.width / 2, r.x + r.width]),
    y: rects.flatMap((r) => [r.y, r.y + r.height / 2, r.y + r.height]),
  };
}

/** A box's wanted shift, changed so that an edge or a centre line of it lands on a line within reach. */
export function snapShift(box: Rect, dx: number, dy: number, lines: SnapLines, reach: number): Snapped {
  const across = nearest(
    [0, box.width / 2, box.width].map((o) => box.x + dx + o),
    lines.x,
    reach,
  );
  const down = nearest(
    [0, box.height / 2, box.height].map((o) => box.y + dy + o),
    lines.y,
    reach,
  );
  return { dx: dx + across.by, dy: dy + down.by, lineX: across.line, lineY: down.line };
}

function nearest(
  edges: readonly number[],
  lines: readonly number[],
  reach: number,
): { by: number; line: number | null } {
  let best: { by: number; line: number | null } = { by: 0, line: null };
  let distance = reach;
  for (const edge of edges) {
    for (const line of lines) {
      if (Math.abs(line - edge) < distance) {
        distance = Math.abs(line - edge);
        best = { by: line - edge, line };
      }
    }
  }
  return best;
}
