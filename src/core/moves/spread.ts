import { defineMove } from './move';
import { from, through } from './part';

export const spread = defineMove({
  id: 'spread',
  label: 'Spread apart under a light',
  params: [{ id: 'colour', label: 'Light', control: 'colour', preset: '#fff4d2' }],
  suits: { unit: 'letter', overlap: 1 },
  plan: ({ box, line }, params) => ({
    parts: [
      from('xU', -(box.x + box.width / 2 - (line.x + line.width / 2)) * 0.96, { until: 0.75 }),
      from('opacity', 0, { until: 0.35, ease: 'even' }),
      through('light', [
        [0.1, 0],
        [1, 1, 'glide'],
      ]),
    ],
    light: { angleDegrees: 20, widthU: 150, colour: params.choice('colour') },
  }),
});
