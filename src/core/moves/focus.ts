import { defineMove, numberParam } from './move';
import { from } from './part';

export const focus = defineMove({
  id: 'focus',
  label: 'Focus pull',
  params: [numberParam('blurU', 'Blur', ['u', 0, 200, 64])],
  suits: { ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [
      from('blurXU', params.number('blurU')),
      from('blurYU', params.number('blurU')),
      from('scaleX', 1.05),
      from('scaleY', 1.05),
      from('opacity', 0, { until: 0.55, ease: 'even' }),
    ],
  }),
});
