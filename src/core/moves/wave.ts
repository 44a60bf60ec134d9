import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const wave = defineMove({
  id: 'wave',
  label: 'Wave',
  params: [numberParam('heightU', 'Height', ['u', 0, 600, 46])],
  suits: { unit: 'letter', overlap: 0.9, ease: 'glide' },
  plan(_unit, params) {
    const height = params.number('heightU');
    return {
      parts: [
        through('yU', [
          [0, height],
          [0.3, -height * 0.62],
          [0.55, height * 0.3],
          [0.78, -height * 0.1],
          [1, 0],
        ]),
        from('opacity', 0, { until: 0.25, ease: 'even' }),
      ],
    };
  },
});
