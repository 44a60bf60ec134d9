import { defineMove, numberParam } from './move';
import { from } from './part';

export const trackingOpen = defineMove({
  id: 'tracking-open',
  label: 'Tracking opens',
  params: [numberParam('tight', 'Starts tighter by', ['%', 0, 95, 34])],
  suits: { unit: 'letter', overlap: 1 },
  plan({ box, line }, params) {
    const fromCentre = box.x + box.width / 2 - (line.x + line.width / 2);
    return {
      parts: [
        from('xU', (-fromCentre * params.number('tight')) / 100),
        from('opacity', 0, { until: 0.6, ease: 'even' }),
      ],
    };
  },
});
