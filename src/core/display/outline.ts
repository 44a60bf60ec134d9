import type { Rect } from '../kit/rect';

/**
 * A filled shape: one verb a segment (M move 2 numbers, L line 2, Q quadratic 4, C cubic 6, Z close 0)
 * and their coordinates in order. Treated as immutable, so painters may cache by identity.
 */
export interface Outline {
  readonly verbs: string;
  readonly coords: readonly number[];
}

const COORDS_PER_VERB: Readonly<Record<string, number>> = { M: 2, L: 2, Q: 4, C: 6, Z: 0 };

/** Collects segments into an outline. */
export class OutlineBuilder {
  private verbs = '';
  private readonly coords: number[] = [];

  moveTo(x: number, y: number): this {
    return this.push('M', x, y);
  }

  lineTo(x: number, y: number): this {
    return this.push('L', x, y);
  }

  curveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): this {
    return this.push('C', x1, y1, x2, y2, x, y);
  }

  quadTo(cx: number, cy: number, x: number, y: number): this {
    return this.push('Q', cx, cy, x, y);
  }

  close(): this {
    return this.push('Z');
  }

  /** Adds an outline scaled by (sx, sy), then moved by (dx, dy). */
  add(outline: Outline, sx: number, sy: number, dx: number, dy: number): this {
    this.verbs += outline.verbs;
    const { coords } = outline;
    for (let i = 0; i < coords.length; i += 2) this.coords.push(coords[i] * sx + dx, coords[i + 1] * sy + dy);
    return this;
  }

  build(): Outline {
    return { verbs: this.verbs, coords: this.coords };
  }

  private push(verb: string, ...coords: number[]): this {
    this.verbs += verb;
    this.coords.push(...coords);
    return this;
  }
}

/** An outline moved by an offset. */
export function moveOutline({ verbs, coords }: Outline, dx: number, dy: number): Outline {
  return { verbs, coords: coords.map((value, i) => value + (i % 2 === 0 ? dx : dy)) };
}

/** An outline mirrored in the upright middle of a rectangle; its direction turns round with it. */
export function mirrorOutline({ verbs, coords }: Outline, { x, width }: Rect): Outline {
  return { verbs, coords: coords.map((value, i) => (i % 2 === 0 ? 2 * x + width - value : value)) };
}

/** Receives the segments of an outline in order. */
export interface OutlineSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
}

/** Replays an outline into a path. */
export function replayOutline(outline: Outline, sink: OutlineSink): void {
  const c = outline.coords;
  let i = 0;
  for (const verb of outline.verbs) {
    if (verb === 'M') sink.moveTo(c[i], c[i + 1]);
    else if (verb === 'L') sink.lineTo(c[i], c[i + 1]);
    else if (verb === 'Q') sink.quadraticCurveTo(c[i], c[i + 1], c[i + 2], c[i + 3]);
    else if (verb === 'C') sink.bezierCurveTo(c[i], c[i + 1], c[i + 2], c[i + 3], c[i + 4], c[i + 5]);
    else sink.closePath();
    i += COORDS_PER_VERB[verb];
  }
}

/** The rectangle around all points and handles of an outline, at least as large as its ink; null when empty. */
export function outlineBounds(outline: Outline): Rect | null {
  const { coords } = outline;
  if (coords.length === 0) return null;
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (let i = 0; i < coords.length; i += 2) {
    left = Math.min(left, coords[i]);
    right = Math.max(right, coords[i]);
    top = Math.min(top, coords[i + 1]);
    bottom = Math.max(bottom, coords[i + 1]);
  }
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** A closed or open run of straight lines through points given as x, y pairs. */
export function polygonOutline(points: readonly number[], closed = true): Outline {
  const b = new OutlineBuilder();
  for (let i = 0; i < points.length; i += 2) {
    if (i === 0) b.moveTo(points[0], points[1]);
    else b.lineTo(points[i], points[i + 1]);
  }
  return closed ? b.close().build() : b.build();
}
