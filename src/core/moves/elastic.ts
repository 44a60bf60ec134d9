import { defineMove, numberParam } from './move';
import { from } from './part';

export const elastic = defineMove({
  id: 'elastic',
  label: 'Elastic',
  params: [numberParam('stretch', 'Stretched', ['×', 1, 6, 2.2])],
  suits: { unit: 'letter', overlap: 0.85, ease: 'spring' },
  // As high as it is wide at first, as rubber keeps what it has.
  plan: (_unit, params) => ({
    parts: [
      from('scaleY', params.number('stretch')),
      from('scaleX', 1 / params.number('stretch')),
      from('opacity', 0, { until: 0.12, ease: 'even' }),
    ],
    pivot: 'baseline',
  }),
});
