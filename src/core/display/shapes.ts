import svgpath from 'svgpath';
import type { Rect } from '../kit/rect';
import type { Outline } from './outline';
import { OutlineBuilder, outlineBounds, polygonOutline } from './outline';

// The handle length, in radii, at which a cubic follows a quarter circle within 0.03 % of the radius.
const QUARTER_HANDLE = 0.5522847498;

/** A rectangle with square corners. */
export function rectOutline({ x, y, width, height }: Rect): Outline {
  return polygonOutline([x, y, x + width, y, x + width, y + height, x, y + height]);
}

/** A rectangle with equal corner radii; the radius is limited to half the shorter side. */
export function roundedRectOutline(rect: Rect, radius: number): Outline {
  return radius <= 0 ? rectOutline(rect) : corneredRectOutline(rect, [radius, radius, radius, radius], false);
}

/**
 * A rectangle with four corner radii (top left, then clockwise), each rounded or cut straight. Radii that do not
 * fit side by side are all reduced in proportion, as CSS Backgrounds does.
 */
export function corneredRectOutline(rect: Rect, radii: readonly number[], chamfer: boolean): Outline {
  const { x, y, width, height } = rect;
  const [tl, tr, br, bl] = fitRadii(radii, width, height);
  const right = x + width;
  const bottom = y + height;
  const b = new OutlineBuilder();
  const corner = (cx: number, cy: number, toX: number, toY: number, fromX: number, fromY: number): void => {
    if (fromX === toX && fromY === toY) return;
    if (chamfer) return void b.lineTo(toX, toY);
    const k = QUARTER_HANDLE;
    b.curveTo(
      fromX + (cx - fromX) * k,
      fromY + (cy - fromY) * k,
      toX + (cx - toX) * k,
      toY + (cy - toY) * k,
      toX,
      toY,
    );
  };
  b.moveTo(x + tl, y).lineTo(right - tr, y);
  corner(right, y, right, y + tr, right - tr, y);
  b.lineTo(right, bottom - br);
  corner(right, bottom, right - br, bottom, right, bottom - br);
  b.lineTo(x + bl, bottom);
  corner(x, bottom, x, bottom - bl, x + bl, bottom);
  b.lineTo(x, y + tl);
  corner(x, y, x + tl, y, x, y + tl);
  return b.close().build();
}

function fitRadii(radii: readonly number[], width: number, height: number): number[] {
  const [tl, tr, br, bl] = [0, 1, 2, 3].map((i) => Math.max(0, radii[i] ?? 0));
  const fit = (room: number, a: number, b: number): number => (a + b > room ? room / (a + b) : 1);
  const scale = Math.min(fit(width, tl, tr), fit(width, bl, br), fit(height, tl, bl), fit(height, tr, br));
  return [tl, tr, br, bl].map((radius) => radius * scale);
}

/** An ellipse that touches the rectangle's sides. */
export function ellipseOutline({ x, y, width, height }: Rect): Outline {
  const cx = x + width / 2;
  const cy = y + height / 2;
  const kx = (width / 2) * QUARTER_HANDLE;
  const ky = (height / 2) * QUARTER_HANDLE;
  const right = x + width;
  const bottom = y + height;
  return new OutlineBuilder()
    .moveTo(cx, y)
    .curveTo(cx + kx, y, right, cy - ky, right, cy)
    .curveTo(right, cy + ky, cx + kx, bottom, cx, bottom)
    .curveTo(cx - kx, bottom, x, cy + ky, x, cy)
    .curveTo(x, cy - ky, cx - kx, y, cx, y)
    .close()
    .build();
}

/** A regular polygon, its first corner at the top, stretched to the rectangle's sides. */
export function regularPolygonOutline(rect: Rect, sides: number): Outline {
  return stretchOutline(polygonOutline(ring(Math.max(3, Math.round(sides)), () => 1)), rect);
}

/** A star, its first point at the top; `innerShare` is the inner corners' distance from the middle. */
export function starOutline(rect: Rect, points: number, innerShare: number): Outline {
  const count = Math.max(3, Math.round(points)) * 2;
  return stretchOutline(polygonOutline(ring(count, (i) => (i % 2 === 0 ? 1 : innerShare))), rect);
}

function ring(count: number, radius: (i: number) => number): number[] {
  return Array.from({ length: count }, (_, i) => {
    const angle = (i / count) * 2 * Math.PI - Math.PI / 2;
    return [Math.cos(angle) * radius(i), Math.sin(angle) * radius(i)];
  }).flat();
}

/** A bar of a thickness from one corner of the rectangle to the opposite one; level or upright where it has no size. */
export function lineOutline({ x, y, width, height }: Rect, thickness: number, rises: boolean): Outline {
  const fromY = rises ? y + height : y;
  const toY = rises ? y : y + height;
  const length = Math.hypot(width, height) || 1;
  const nx = ((toY - fromY) / length) * (thickness / 2);
  const ny = (width / length) * (thickness / 2);
  return polygonOutline([
    x + nx,
    fromY - ny,
    x + width + nx,
    toY - ny,
    x + width - nx,
    toY + ny,
    x - nx,
    fromY + ny,
  ]);
}

/** An outline stretched so that its bounds are the rectangle; one without width or height keeps that as it is. */
export function stretchOutline(outline: Outline, rect: Rect): Outline {
  const bounds = outlineBounds(outline);
  if (bounds === null) return outline;
  const sx = bounds.width > 0 ? rect.width / bounds.width : 1;
  const sy = bounds.height > 0 ? rect.height / bounds.height : 1;
  return new OutlineBuilder().add(outline, sx, sy, rect.x - bounds.x * sx, rect.y - bounds.y * sy).build();
}

/** The longest path data that is read; more is no drawing but an attack on memory. */
const LONGEST_PATH_DATA = 200_000;

/** SVG path data as an outline in its own coordinates; null when it is not path data or draws nothing. */
export function pathDataOutline(data: string): Outline | null {
  if (data.length > LONGEST_PATH_DATA) return null;
  const path = svgpath(data);
  // The parser keeps its complaint here and does not put it into its types.
  if (Reflect.get(path, 'err')) return null;
  const b = new OutlineBuilder();
  let broken = false;
  path
    .unshort()
    .unarc()
    .abs()
    .iterate(([verb, ...numbers], _index, x, y) => {
      const c = numbers.map(Number);
      if (verb === 'M') b.moveTo(c[0], c[1]);
      else if (verb === 'L') b.lineTo(c[0], c[1]);
      else if (verb === 'H') b.lineTo(c[0], y);
      else if (verb === 'V') b.lineTo(x, c[0]);
      else if (verb === 'C') b.curveTo(c[0], c[1], c[2], c[3], c[4], c[5]);
      else if (verb === 'Q') b.quadTo(c[0], c[1], c[2], c[3]);
      else if (verb === 'Z' || verb === 'z') b.close();
      else broken = true;
    });
  const outline = b.build();
  return broken || outline.verbs.length < 2 ? null : outline;
}
