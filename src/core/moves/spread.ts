import { defineMove, fromLineCentre } from './move';
import { from, through } from './part';

export const spread = defineMove({
  id: 'spread',
  label: 'Spread apart under a light',
  params: [
    {
      id: 'from',
      label: 'Letters are',
      control: 'choice',
      choices: [
        { value: 'middle', label: 'Together first' },
        { value: 'apart', label: 'Apart first' },
      ],
      preset: 'middle',
    },
    { id: 'colour', label: 'Light', control: 'colour', preset: '#fff4d2' },
  ],
  suits: { unit: 'letter', overlap: 1 },
  // Backwards, what was apart first spreads.
  leaves: { from: 'apart' },
  needs: 'letters',
  plan: (unit, params) => ({
    parts: [
      // A share of how far from the middle of its line a letter is at rest.
      from('xU', fromLineCentre(unit) * (params.choice('from') === 'apart' ? 0.7 : -0.96), { until: 0.75 }),
      from('opacity', 0, { until: 0.35, ease: 'even' }),
      through('light', [
        [0.1, 0],
        [1, 1, 'glide'],
      ]),
    ],
    light: { angleDegrees: 20, widthU: 150, colour: params.choice('colour') },
  }),
});
