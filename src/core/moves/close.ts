import { defineMove, numberParam } from './move';
import { from } from './part';

export const close = defineMove({
  id: 'close',
  label: 'From close by',
  params: [numberParam('size', 'Starts at', ['%', 100, 2000, 320])],
  suits: { unit: 'word', overlap: 0.6 },
  plan: (_unit, params) => ({
    parts: [
      from('scaleX', params.number('size') / 100),
      from('scaleY', params.number('size') / 100),
      from('blurXU', 6, { until: 0.6 }),
      from('blurYU', 6, { until: 0.6 }),
      from('opacity', 0, { until: 0.5, ease: 'even' }),
    ],
  }),
});
