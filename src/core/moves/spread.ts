import { defineMove, fromLineCentre } from './move';
import { from, through } from './part';

export const spread = defineMove({
  id: 'spread',
  label: 'Spread apart under a light',
  params: [{ id: 'colour', label: 'Light', control: 'colour', preset: '#fff4d2' }],
  suits: { unit: 'letter', overlap: 1 },
  needs: 'letters',
  plan: (unit, params) => ({
    parts: [
      from('xU', -fromLineCentre(unit) * 0.96, { until: 0.75 }),
      from('opacity', 0, { until: 0.35, ease: 'even' }),
      through('light', [
        [0.1, 0],
        [1, 1, 'glide'],
      ]),
    ],
    light: { angleDegrees: 20, widthU: 150, colour: params.choice('colour') },
  }),
});
