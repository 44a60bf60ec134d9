import type { Outline } from './outline';
import { OutlineBuilder, replayOutline } from './outline';

type Segment = readonly [x0: number, y0: number, x1: number, y1: number, starts: boolean];

// A curve is drawn as so many straight pieces; at the size of a title that is finer than a pixel.
const PIECES = 10;

/** The beginning of each contour of an outline, as open lines: `share` (0 to 1) of its length. */
export function trimOutline(outline: Outline, share: number): Outline {
  const b = new OutlineBuilder();
  for (const contour of contours(outline)) {
    const length = contour.reduce((sum, [x0, y0, x1, y1]) => sum + Math.hypot(x1 - x0, y1 - y0), 0);
    let left = length * Math.max(0, Math.min(1, share));
    for (const [x0, y0, x1, y1, starts] of contour) {
      if (left <= 0) break;
      const piece = Math.hypot(x1 - x0, y1 - y0);
      const part = piece <= left ? 1 : left / piece;
      if (starts) b.moveTo(x0, y0);
      b.lineTo(x0 + (x1 - x0) * part, y0 + (y1 - y0) * part);
      left -= piece;
    }
  }
  return b.build();
}

function contours(outline: Outline): Segment[][] {
  const all: Segment[][] = [];
  let current: Segment[] = [];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  const to = (nx: number, ny: number): void => {
    current.push([x, y, nx, ny, current.length === 0]);
    [x, y] = [nx, ny];
  };
  const curve = (at: (t: number) => readonly [number, number]): void => {
    for (let i = 1; i <= PIECES; i++) to(...at(i / PIECES));
  };
  replayOutline(outline, {
    moveTo(nx, ny) {
      current = [];
      all.push(current);
      [x, y, startX, startY] = [nx, ny, nx, ny];
    },
    lineTo: to,
    quadraticCurveTo(cx, cy, nx, ny) {
      const [x0, y0] = [x, y];
      const mix = (a: number, c: number, e: number, t: number): number =>
        a * (1 - t) ** 2 + 2 * c * t * (1 - t) + e * t * t;
      curve((t) => [mix(x0, cx, nx, t), mix(y0, cy, ny, t)]);
    },
    bezierCurveTo(x1, y1, x2, y2, nx, ny) {
      const [x0, y0] = [x, y];
      const mix = (a: number, c: number, d: number, e: number, t: number): number =>
        a * (1 - t) ** 3 + 3 * c * t * (1 - t) ** 2 + 3 * d * t * t * (1 - t) + e * t ** 3;
      curve((t) => [mix(x0, x1, x2, nx, t), mix(y0, y1, y2, ny, t)]);
    },
    closePath: () => to(startX, startY),
  });
  return all;
}
