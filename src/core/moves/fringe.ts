import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const fringe = defineMove({
  id: 'fringe',
  label: 'Colour fringes for a few frames',
  params: [
    { id: 'one', label: 'On one side', control: 'colour', preset: '#ff3a5e' },
    { id: 'other', label: 'On the other', control: 'colour', preset: '#27d3d9' },
    numberParam('distanceU', 'Apart', ['u', 1, 200, 18]),
  ],
  suits: { ease: 'even' },
  // It jumps from side to side, closer each time, and is clean from the last jump on.
  plan: (_unit, params) => {
    const u = params.number('distanceU');
    return {
      parts: [
        through('fringeU', [
          [0, u],
          [0.2, -u * 0.7, 'stepped'],
          [0.4, u * 0.45, 'stepped'],
          [0.6, -u * 0.3, 'stepped'],
          [0.8, u * 0.15, 'stepped'],
          [1, 0, 'stepped'],
        ]),
        from('opacity', 0, { until: 0.08, ease: 'even' }),
      ],
      fringes: [params.choice('one'), params.choice('other')],
    };
  },
});
