import type { Outline } from './outline';
import type { Corner } from './flatten';
import { flattenOutline } from './flatten';
import { OutlineBuilder } from './outline';
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

// Nearer to the eye than this share of its distance nothing is seen: it would be larger than any picture.
const NEAREST = 0.02;

/** How far before the eye a point is, 1 in the picture's plane; what is at 0 or below lies behind the eye. */
const depthAt = (map: Homography, x: number, y: number): number => map[6] * x + map[7] * y + map[8];

/** A point after a projective map. */
function projectPoint(map: Homography, x: number, y: number): Point {
  const w = depthAt(map, x, y);
  return { x: (map[0] * x + map[1] * y + map[2]) / w, y: (map[3] * x + map[4] * y + map[5]) / w };
}

/**
 * An outline after a projective map of its points and handles; lines stay exact, curves within a few hundredths of a
 * unit. What reaches behind the eye is cut off before it.
 */
export function projectOutline(map: Homography, outline: Outline): Outline {
  const { verbs, coords } = isBefore(map, outline.coords) ? outline : cutBefore(map, outline);
  // Written out: this runs for every point of every letter of every frame.
  const [a, b, c, d, e, f, g, h, k] = map;
  const projected = new Array<number>(coords.length);
  for (let i = 0; i < coords.length; i += 2) {
    const [x, y] = [coords[i], coords[i + 1]];
    const w = g * x + h * y + k;
    projected[i] = (a * x + b * y + c) / w;
    projected[i + 1] = (d * x + e * y + f) / w;
  }
  return { verbs, coords: projected };
}

/** Whether all points (x, y pairs) lie before the eye. */
function isBefore(map: Homography, coords: readonly number[]): boolean {
  if (map[6] === 0 && map[7] === 0) return true;
  for (let i = 0; i < coords.length; i += 2)
    if (depthAt(map, coords[i], coords[i + 1]) < NEAREST) return false;
  return true;
}

/** The part of an outline that lies before the eye, its curves as lines. */
function cutBefore(map: Homography, outline: Outline): Outline {
  const b = new OutlineBuilder();
  for (const contour of flattenOutline(outline)) {
    const kept = cutPolygon(map, contour);
    kept.forEach(([x, y], i) => void (i === 0 ? b.moveTo(x, y) : b.lineTo(x, y)));
    if (kept.length > 0) b.close();
  }
  return b.build();
}

/** A polygon cut along the line on which points come too near to the eye (Sutherland and Hodgman, 1974). */
function cutPolygon(map: Homography, polygon: readonly Corner[]): Corner[] {
  return polygon.flatMap((to, i): Corner[] => {
    const from = polygon[(i + polygon.length - 1) % polygon.length];
    const before = depthAt(map, ...from) - NEAREST;
    const after = depthAt(map, ...to) - NEAREST;
    const inside: Corner[] = after >= 0 ? [to] : [];
    if (before >= 0 === after >= 0) return inside;
    const share = before / (before - after);
    return [[from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share], ...inside];
  });
}

/** The rectangle around what of a rectangle lies before the eye, after a projective map; null for nothing. */
export function projectRect(map: Homography, rect: Rect): Rect | null {
  const points = projectCorners(map, rect);
  if (points.length === 0) return null;
  const left = Math.min(...points.map((point) => point.x));
  const top = Math.min(...points.map((point) => point.y));
  const right = Math.max(...points.map((point) => point.x));
  const bottom = Math.max(...points.map((point) => point.y));
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** Where the corners of a rectangle (top left, then clockwise) go; fewer or more where a part lies behind the eye. */
export function projectCorners(map: Homography, { x, y, width, height }: Rect): Point[] {
  const corners: Corner[] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  return cutPolygon(map, corners).map((corner) => projectPoint(map, ...corner));
}
