import { defineMove, numberParam } from './move';
import { from } from './part';

export const colourPass = defineMove({
  id: 'colour-pass',
  label: 'Colour pass, blurred sideways',
  params: [
    { id: 'colour', label: 'Colour', control: 'colour', preset: '#d9b45a' },
    numberParam('blurU', 'Blur', ['u', 0, 200, 44]),
  ],
  suits: { unit: 'letter', overlap: 0.86 },
  plan: (_unit, params) => ({
    parts: [
      from('tint', 1, { since: 0.45, ease: 'even' }),
      from('blurXU', params.number('blurU'), { until: 0.75 }),
      from('xU', -params.number('blurU') * 0.8, { until: 0.75 }),
      from('opacity', 0, { until: 0.45, ease: 'even' }),
    ],
    colour: params.choice('colour'),
  }),
});
