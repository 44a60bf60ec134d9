import type { Outline } from './outline';
import { OutlineBuilder, replayOutline } from './outline';
import type { Point } from '../kit/rect';

// So many pieces at most stand for one segment, however long it is.
const MOST_PIECES = 400;

/**
 * An outline as short straight pieces, each of its points moved by `map`. `pieceU` is the length that a piece has at
 * most, in the outline's own units. A closed contour stays closed.
 */
export function sampleOutline(outline: Outline, pieceU: number, map: (point: Point) => Point): Outline {
  const built = new OutlineBuilder();
  let start: Point = { x: 0, y: 0 };
  let last = start;
  const along = (lengthU: number, at: (t: number) => Point, end: Point): void => {
    const pieces = Math.max(1, Math.min(MOST_PIECES, Math.ceil(lengthU / pieceU)));
    for (let i = 1; i <= pieces; i++) {
      const { x, y } = map(i === pieces ? end : at(i / pieces));
      built.lineTo(x, y);
    }
    last = end;
  };
  const straight = (end: Point): void => {
    const from = last;
    along(distance(from, end), (t) => between(from, end, t), end);
  };
  replayOutline(outline, {
    moveTo(x, y) {
      start = last = { x, y };
      const there = map(start);
      built.moveTo(there.x, there.y);
    },
    lineTo: (x, y) => straight({ x, y }),
    quadraticCurveTo(cx, cy, x, y) {
      const [from, c, end] = [last, { x: cx, y: cy }, { x, y }];
      const at = (t: number): Point => between(between(from, c, t), between(c, end, t), t);
      along(distance(from, c) + distance(c, end), at, end);
    },
    bezierCurveTo(x1, y1, x2, y2, x, y) {
      const [from, a, b, end] = [last, { x: x1, y: y1 }, { x: x2, y: y2 }, { x, y }];
      // De Casteljau.
      const at = (t: number): Point => {
        const middle = between(a, b, t);
        return between(between(between(from, a, t), middle, t), between(middle, between(b, end, t), t), t);
      };
      along(distance(from, a) + distance(a, b) + distance(b, end), at, end);
    },
    closePath() {
      if (distance(last, start) > 0) straight(start);
      built.close();
    },
  });
  return built.build();
}

const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

const between = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});
