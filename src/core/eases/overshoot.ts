import { defineEase } from './ease';

// How far past the end it swings: 1.7 gives a tenth of the way.
const SWING = 1.7;

export const overshoot = defineEase({
  id: 'overshoot',
  label: 'Overshoot',
  at: (p) => 1 + (SWING + 1) * (p - 1) ** 3 + SWING * (p - 1) ** 2,
});
