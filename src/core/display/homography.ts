import type { Outline } from './outline';
import { OutlineBuilder, replayOutline } from './outline';
import type { Matrix } from '../kit/matrix';
import type { Point, Rect } from '../kit/rect';

/** A projective map as the nine numbers of a 3 × 3 matrix, row by row. */
export type Homography = readonly number[];

/**
 * The projective map that takes a rectangle's corners (top left, then clockwise) to four points. Null when three of
 * the points lie on a line or the rectangle has no area. (Heckbert, Fundamentals of Texture Mapping, 1989, § 2.2.3.)
 */
export function rectToQuad(rect: Rect, quad: readonly Point[]): Homography | null {
  const [p0, p1, p2, p3] = quad;
  if (rect.width <= 0 || rect.height <= 0) return null;
  const dx1 = p1.x - p2.x;
  const dx2 = p3.x - p2.x;
  const dy1 = p1.y - p2.y;
  const dy2 = p3.y - p2.y;
  const sx = p0.x - p1.x + p2.x - p3.x;
  const sy = p0.y - p1.y + p2.y - p3.y;
  const area = dx1 * dy2 - dx2 * dy1;
  if (Math.abs(area) < 1e-9) return null;
  const g = (sx * dy2 - dx2 * sy) / area;
  const h = (dx1 * sy - sx * dy1) / area;
  const unit = [
    p1.x - p0.x + g * p1.x,
    p3.x - p0.x + h * p3.x,
    p0.x,
    p1.y - p0.y + g * p1.y,
    p3.y - p0.y + h * p3.y,
    p0.y,
    g,
    h,
    1,
  ];
  // The unit square's map after the rectangle's own: (x − left) ÷ width, (y − top) ÷ height.
  return [0, 1, 2].flatMap((row) => {
    const [a, b, c] = unit.slice(row * 3, row * 3 + 3);
    const across = a / rect.width;
    const down = b / rect.height;
    return [across, down, c - across * rect.x - down * rect.y];
  });
}

/** The map that applies `n` first, then `m`. */
export function multiplyMaps(m: Homography, n: Homography): Homography {
  // Written out: this runs for every letter of every frame.
  return [
    m[0] * n[0] + m[1] * n[3] + m[2] * n[6],
    m[0] * n[1] + m[1] * n[4] + m[2] * n[7],
    m[0] * n[2] + m[1] * n[5] + m[2] * n[8],
    m[3] * n[0] + m[4] * n[3] + m[5] * n[6],
    m[3] * n[1] + m[4] * n[4] + m[5] * n[7],
    m[3] * n[2] + m[4] * n[5] + m[5] * n[8],
    m[6] * n[0] + m[7] * n[3] + m[8] * n[6],
    m[6] * n[1] + m[7] * n[4] + m[8] * n[7],
    m[6] * n[2] + m[7] * n[5] + m[8] * n[8],
  ];
}

/** The map that takes points back; null when there is none. */
export function invertMap(m: Homography): Homography | null {
  const [a, b, c, d, e, f, g, h, i] = m;
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  if (Math.abs(det) < 1e-12) return null;
  return [
    (e * i - f * h) / det,
    (c * h - b * i) / det,
    (b * f - c * e) / det,
    (f * g - d * i) / det,
    (a * i - c * g) / det,
    (c * d - a * f) / det,
    (d * h - e * g) / det,
    (b * g - a * h) / det,
    (a * e - b * d) / det,
  ];
}

/** The map as an affine one; null when it has perspective. */
export function affineOf(m: Homography): Matrix | null {
  if (Math.abs(m[6]) > 1e-9 || Math.abs(m[7]) > 1e-9) return null;
  const w = m[8];
  return [m[0] / w, m[3] / w, m[1] / w, m[4] / w, m[2] / w, m[5] / w];
}

/** An affine map as a projective one. */
export function mapOf([a, b, c, d, e, f]: Matrix): Homography {
  return [a, c, e, b, d, f, 0, 0, 1];
}

/** A point after a projective map. */
function projectPoint(map: Homography, x: number, y: number): Point {
  const w = map[6] * x + map[7] * y + map[8];
  return { x: (map[0] * x + map[1] * y + map[2]) / w, y: (map[3] * x + map[4] * y + map[5]) / w };
}

/** An outline after a projective map of its points and handles; lines stay exact, curves within a few hundredths of a unit. */
export function projectOutline(map: Homography, outline: Outline): Outline {
  const b = new OutlineBuilder();
  const at = (x: number, y: number): [number, number] => {
    const point = projectPoint(map, x, y);
    return [point.x, point.y];
  };
  replayOutline(outline, {
    moveTo: (x, y) => void b.moveTo(...at(x, y)),
    lineTo: (x, y) => void b.lineTo(...at(x, y)),
    quadraticCurveTo: (cx, cy, x, y) => void b.quadTo(...at(cx, cy), ...at(x, y)),
    bezierCurveTo: (x1, y1, x2, y2, x, y) => void b.curveTo(...at(x1, y1), ...at(x2, y2), ...at(x, y)),
    closePath: () => void b.close(),
  });
  return b.build();
}

/** The rectangle around a rectangle's corners after a projective map. */
export function projectRect(map: Homography, rect: Rect): Rect {
  const { x, y, width, height } = rect;
  const corners = [
    projectPoint(map, x, y),
    projectPoint(map, x + width, y),
    projectPoint(map, x + width, y + height),
    projectPoint(map, x, y + height),
  ];
  const left = Math.min(...corners.map((point) => point.x));
  const top = Math.min(...corners.map((point) => point.y));
  const right = Math.max(...corners.map((point) => point.x));
  const bottom = Math.max(...corners.map((point) => point.y));
  return { x: left, y: top, width: right - left, height: bottom - top };
}
