import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const snap = defineMove({
  id: 'snap',
  label: 'Wide stretch that snaps back',
  params: [numberParam('stretch', 'Stretched', ['×', 1, 12, 3.4])],
  suits: { ease: 'even' },
  plan: (_unit, params) => ({
    parts: [
      through('scaleX', [
        [0, params.number('stretch')],
        [0.5, 0.93, 'settle'],
        [0.75, 1.015, 'glide'],
        [1, 1, 'glide'],
      ]),
      from('blurXU', 26, { until: 0.5, ease: 'settle' }),
      from('opacity', 0, { until: 0.22, ease: 'even' }),
    ],
  }),
});
