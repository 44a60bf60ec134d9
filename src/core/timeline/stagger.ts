import type { UnitOrder } from './orders';

/** When a unit moves, as shares of the whole move's time. */
export interface Window {
  readonly start: number;
  readonly length: number;
}

/**
 * The windows of `count` units that follow one another and together fill the whole time. With overlap 0
 * each waits for the one before, with 1 all move together for the whole time.
 */
export function unitWindows(count: number, order: UnitOrder, overlap: number): Window[] {
  const ranks = Array.from({ length: count }, (_, i) => order.rank(i, count));
  const last = Math.max(0, ...ranks);
  const gap = 1 - Math.max(0, Math.min(1, overlap));
  const length = 1 / (1 + last * gap);
  return ranks.map((rank) => ({ start: rank * gap * length, length }));
}

// Rounding must neither show a sliver of what has gone nor keep something from coming fully to rest.
const DUST = 1e-9;

/** How far a unit is through its window, 0 to 1, for the whole move's progress. */
export function windowProgress(window: Window, progress: number): number {
  const through = (progress - window.start) / window.length;
  if (through < DUST) return 0;
  return through > 1 - DUST ? 1 : through;
}
