import type { Outline } from './outline';
import { replayOutline } from './outline';

/** A point of a flattened outline, as x and y. */
export type Corner = readonly [number, number];

// A curve is drawn as so many straight pieces; at the size of a title that is finer than a pixel.
const PIECES = 10;

/** The contours of an outline as runs of points, its curves as lines; a closed one ends where it began. */
export function flattenOutline(outline: Outline): Corner[][] {
  const all: Corner[][] = [];
  let current: Corner[] = [];
  const to = (x: number, y: number): void => void current.push([x, y]);
  const curve = (at: (t: number) => Corner): void => {
    for (let i = 1; i <= PIECES; i++) to(...at(i / PIECES));
  };
  const last = (): Corner => current[current.length - 1] ?? [0, 0];
  replayOutline(outline, {
    moveTo(x, y) {
      current = [[x, y]];
      all.push(current);
    },
    lineTo: to,
    quadraticCurveTo(cx, cy, x, y) {
      const [x0, y0] = last();
      const mix = (a: number, c: number, e: number, t: number): number =>
        a * (1 - t) ** 2 + 2 * c * t * (1 - t) + e * t * t;
      curve((t) => [mix(x0, cx, x, t), mix(y0, cy, y, t)]);
    },
    bezierCurveTo(x1, y1, x2, y2, x, y) {
      const [x0, y0] = last();
      const mix = (a: number, c: number, d: number, e: number, t: number): number =>
        a * (1 - t) ** 3 + 3 * c * t * (1 - t) ** 2 + 3 * d * t * t * (1 - t) + e * t ** 3;
      curve((t) => [mix(x0, x1, x2, x, t), mix(y0, y1, y2, y, t)]);
    },
    closePath: () => to(...(current[0] ?? [0, 0])),
  });
  return all;
}
