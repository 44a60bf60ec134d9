import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const swing = defineMove({
  id: 'swing',
  label: 'Swing to rest',
  params: [numberParam('swingDegrees', 'Swings', ['°', -180, 180, 38])],
  suits: { unit: 'word', overlap: 0.75, ease: 'glide' },
  plan(_unit, params) {
    const degrees = params.number('swingDegrees');
    return {
      parts: [
        through('turnZ', [
          [0, degrees],
          [0.35, -degrees * 0.42],
          [0.62, degrees * 0.18],
          [0.83, -degrees * 0.06],
          [1, 0],
        ]),
        from('opacity', 0, { until: 0.2, ease: 'even' }),
      ],
      pivot: 'topLeft',
    };
  },
});
