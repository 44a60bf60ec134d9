import { defineMove, numberParam } from './move';
import { from } from './part';

export const tip = defineMove({
  id: 'tip',
  label: 'Tip up',
  params: [numberParam('turnDegrees', 'Turns', ['°', -180, 180, -95])],
  suits: { unit: 'word', overlap: 0.7, ease: 'overshoot' },
  plan: (_unit, params) => ({
    parts: [from('turnX', params.number('turnDegrees')), from('opacity', 0, { until: 0.25, ease: 'even' })],
    pivot: 'bottom',
  }),
});
