import type { Point, Rect } from './rect';

/** A 2D affine map as [a, b, c, d, e, f]: x' = a x + c y + e, y' = b x + d y + f (the canvas order). */
export type Matrix = readonly [number, number, number, number, number, number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The map that applies `inner` first, then `outer`. */
export function multiply(outer: Matrix, inner: Matrix): Matrix {
  return [
    outer[0] * inner[0] + outer[2] * inner[1],
    outer[1] * inner[0] + outer[3] * inner[1],
    outer[0] * inner[2] + outer[2] * inner[3],
    outer[1] * inner[2] + outer[3] * inner[3],
    outer[0] * inner[4] + outer[2] * inner[5] + outer[4],
    outer[1] * inner[4] + outer[3] * inner[5] + outer[5],
  ];
}

/** The map moved by (dx, dy) before it is applied. */
export function translated(matrix: Matrix, dx: number, dy: number): Matrix {
  return [
    matrix[0],
    matrix[1],
    matrix[2],
    matrix[3],
    matrix[0] * dx + matrix[2] * dy + matrix[4],
    matrix[1] * dx + matrix[3] * dy + matrix[5],
  ];
}

/** A point after a map. */
export function mapPoint(matrix: Matrix, { x, y }: Point): Point {
  return {
    x: matrix[0] * x + matrix[2] * y + matrix[4],
    y: matrix[1] * x + matrix[3] * y + matrix[5],
  };
}

/** The bounding rectangle of a rectangle after a map. */
export function mapRect([a, b, c, d, e, f]: Matrix, { x, y, width, height }: Rect): Rect {
  // Each side reaches as far as the products of its own sign take it.
  const [ax, cy] = [a * width, c * height];
  const [bx, dy] = [b * width, d * height];
  return {
    x: a * x + c * y + e + Math.min(0, ax) + Math.min(0, cy),
    y: b * x + d * y + f + Math.min(0, bx) + Math.min(0, dy),
    width: Math.abs(ax) + Math.abs(cy),
    height: Math.abs(bx) + Math.abs(dy),
  };
}

/** Whether a map keeps rectangles upright: no turn, no skew. */
export function isUpright(matrix: Matrix): boolean {
  return matrix[1] === 0 && matrix[2] === 0;
}

/** How much larger a map makes things, the two axes taken together (the root of the change of area). */
export function scaleOf(matrix: Matrix): number {
  return Math.sqrt(Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]));
}

/** The matrix that turns clockwise about a point, as y goes down. */
export function turnedAbout({ x, y }: Point, radians: number): Matrix {
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return [cos, sin, -sin, cos, x - x * cos + y * sin, y - x * sin - y * cos];
}
