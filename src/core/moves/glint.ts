import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const glint = defineMove({
  id: 'glint',
  label: 'Glint',
  params: [
    { id: 'colour', label: 'Light', control: 'colour', preset: '#ffffff' },
    numberParam('widthU', 'Width', ['u', 4, 1000, 110]),
    numberParam('angleDegrees', 'Leans', ['°', -80, 80, 24]),
  ],
  suits: { ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [
      from('opacity', 0, { until: 0.3, ease: 'even' }),
      through('light', [
        [0.2, 0],
        [1, 1],
      ]),
    ],
    light: {
      angleDegrees: params.number('angleDegrees'),
      widthU: params.number('widthU'),
      colour: params.choice('colour'),
    },
  }),
});
