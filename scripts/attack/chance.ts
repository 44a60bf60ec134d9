/** Numbers that look random and are the same in every run (mulberry32). */
export interface Chance {
  /** From 0 up to, but not including, 1. */
  next(): number;
  /** A whole number from 0 up to, but not including, a limit. */
  below(limit: number): number;
  pick<T>(list: readonly T[]): T;
}

/** Chance from a seed. */
export function chanceFrom(seed: number): Chance {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  const below = (limit: number): number => Math.floor(next() * limit);
  return { next, below, pick: (list) => list[below(list.length)] };
}
