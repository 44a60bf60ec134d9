import { defineMove, evenCuts, numberParam } from './move';
import { from } from './part';

export const split = defineMove({
  id: 'split',
  label: 'Split from the middle',
  params: [numberParam('distanceU', 'Distance', ['u', 0, 2000, 180])],
  suits: { unit: 'line', overlap: 0.7 },
  cuts: evenCuts(2),
  plan({ slice }, params) {
    const side = slice === 0 ? -1 : 1;
    return {
      parts: [
        from('xU', side * params.number('distanceU')),
        from('opacity', 0, { until: 0.5, ease: 'even' }),
      ],
    };
  },
});
