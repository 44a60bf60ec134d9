import { defineMove, fromLineCentre, numberParam } from './move';
import { from } from './part';

export const trackingClose = defineMove({
  id: 'tracking-close',
  label: 'Tracking closes',
  params: [numberParam('wide', 'Starts wider by', ['%', 0, 400, 55])],
  suits: { unit: 'letter', overlap: 1 },
  needs: 'letters',
  plan: (unit, params) => ({
    parts: [
      from('xU', (fromLineCentre(unit) * params.number('wide')) / 100),
      from('opacity', 0, { until: 0.7, ease: 'even' }),
    ],
  }),
});
