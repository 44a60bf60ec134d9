import type { Point } from './rect';

/** Whether a point lies in a polygon, by how often a line from it to the right crosses the edges (even-odd). */
export function polygonContains(corners: readonly Point[], { x, y }: Point): boolean {
  let inside = false;
  corners.forEach((to, i) => {
    const from = corners[(i + corners.length - 1) % corners.length];
    if (from.y > y === to.y > y) return;
    if (x < from.x + ((y - from.y) / (to.y - from.y)) * (to.x - from.x)) inside = !inside;
  });
  return inside;
}
