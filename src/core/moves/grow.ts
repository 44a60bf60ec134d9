import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const grow = defineMove({
  id: 'grow',
  label: 'Grow with overshoot',
  params: [numberParam('beyond', 'Overshoots by', ['%', 0, 80, 14])],
  suits: { unit: 'letter', overlap: 0.78, ease: 'even' },
  plan(_unit, params) {
    const beyond = 1 + params.number('beyond') / 100;
    const stations = [
      [0, 0],
      [0.55, beyond, 'settle'],
      [0.8, 1 - (beyond - 1) * 0.25, 'glide'],
      [1, 1, 'glide'],
    ] as const;
    return {
      parts: [
        through('scaleX', stations),
        through('scaleY', stations),
        from('opacity', 0, { until: 0.12, ease: 'even' }),
      ],
      pivot: 'baseline',
    };
  },
});
