import { defineEase } from './ease';

export const glide = defineEase({
  id: 'glide',
  label: 'Glide',
  at: (p) => (p < 0.5 ? 4 * p ** 3 : 1 - 4 * (1 - p) ** 3),
});
