import { defineMove, numberParam } from './move';
import type { MovePart } from './part';
import { from, through } from './part';

const STEPS = 9;

export const jitter = defineMove({
  id: 'jitter',
  label: 'Nervous jitter',
  params: [numberParam('reachU', 'Reach', ['u', 0, 400, 26])],
  suits: { unit: 'letter', order: 'random', overlap: 0.85, ease: 'even' },
  plan(unit, params) {
    const shaken = (property: 'xU' | 'yU' | 'turnZ', reach: number, first: number): MovePart =>
      through(property, [
        ...Array.from({ length: STEPS }, (_, i): [number, number, string] => {
          const calmer = 1 - i / STEPS;
          return [i / STEPS, (unit.chance(first + i) - 0.5) * 2 * reach * calmer, 'stepped'];
        }),
        [1, 0, 'stepped'],
      ]);
    const reach = params.number('reachU');
    return {
      parts: [
        shaken('xU', reach, 0),
        shaken('yU', reach, STEPS),
        shaken('turnZ', reach * 0.5, 2 * STEPS),
        from('opacity', 0, { until: 0.3, ease: 'even' }),
      ],
    };
  },
});
