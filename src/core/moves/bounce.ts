import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const bounce = defineMove({
  id: 'bounce',
  label: 'Drop and bounce',
  params: [numberParam('heightU', 'Falls', ['u', 0, 2000, 260])],
  suits: { unit: 'letter', overlap: 0.82, ease: 'even' },
  plan(_unit, params) {
    const height = params.number('heightU');
    return {
      parts: [
        through('yU', [
          [0, -height],
          [0.38, 0, 'drop'],
          [0.56, -height * 0.16, 'lift'],
          [0.74, 0, 'drop'],
          [0.84, -height * 0.04, 'lift'],
          [0.94, 0, 'drop'],
          [1, 0],
        ]),
        through('scaleY', [
          [0.34, 1],
          [0.4, 0.84, 'even'],
          [0.5, 1, 'even'],
          [1, 1],
        ]),
        from('opacity', 0, { until: 0.14, ease: 'even' }),
      ],
      pivot: 'baseline',
    };
  },
});
