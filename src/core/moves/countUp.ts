import { defineMove } from './move';
import { from } from './part';

export const countUp = defineMove({
  id: 'count-up',
  label: 'Count up',
  params: [],
  suits: {},
  needs: 'figures',
  plan: () => ({ parts: [from('counted', 0), from('opacity', 0, { until: 0.12, ease: 'even' })] }),
});
