import { defineMove, fromLineCentre, numberParam } from './move';
import { from } from './part';

export const trackingOpen = defineMove({
  id: 'tracking-open',
  label: 'Tracking opens',
  params: [numberParam('tight', 'Starts tighter by', ['%', 0, 95, 34])],
  suits: { unit: 'letter', overlap: 1 },
  needs: 'letters',
  plan: (unit, params) => ({
    parts: [
      from('xU', (-fromLineCentre(unit) * params.number('tight')) / 100),
      from('opacity', 0, { until: 0.6, ease: 'even' }),
    ],
  }),
});
