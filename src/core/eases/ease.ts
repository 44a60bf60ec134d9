/** A way of going from 0 to 1: `at(0)` is 0 and `at(1)` is 1; between them it may leave that range. */
export interface Ease {
  readonly id: string;
  readonly label: string;
  at(progress: number): number;
}

/** Declares an ease. */
export function defineEase(ease: Ease): Ease {
  return ease;
}
