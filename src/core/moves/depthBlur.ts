import { defineMove, numberParam } from './move';
import { from } from './part';

export const depthBlur = defineMove({
  id: 'depth-blur',
  label: 'Blur from depth',
  params: [
    numberParam('blurU', 'Blur', ['u', 0, 120, 34]),
    numberParam('size', 'Starts at', ['%', 10, 400, 165]),
  ],
  suits: { unit: 'letter', order: 'random', overlap: 0.72 },
  plan: (_unit, params) => ({
    parts: [
      from('blurXU', params.number('blurU')),
      from('blurYU', params.number('blurU')),
      from('scaleX', params.number('size') / 100),
      from('scaleY', params.number('size') / 100),
      from('opacity', 0, { until: 0.7, ease: 'even' }),
    ],
  }),
});
