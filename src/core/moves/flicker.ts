import { defineMove } from './move';
import { through } from './part';

const STEPS = 7;

export const flicker = defineMove({
  id: 'flicker',
  label: 'Flicker on',
  params: [],
  suits: { unit: 'letter', order: 'random', overlap: 0.6, ease: 'even' },
  // A tube that strikes: dark and half-lit by turns, each time lit for longer.
  plan: (unit) => ({
    parts: [
      through('opacity', [
        [0, 0],
        ...Array.from({ length: STEPS }, (_, i): [number, number, string] => [
          0.1 + (0.85 * (i + unit.chance(i) * 0.6)) / STEPS,
          i % 2 === 0 ? 0.35 + 0.45 * unit.chance(STEPS + i) : 0.06,
          'stepped',
        ]),
        [1, 1, 'stepped'],
      ]),
    ],
  }),
});
