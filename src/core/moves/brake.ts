import { defineMove, numberParam } from './move';
import { from, through } from './part';

export const brake = defineMove({
  id: 'brake',
  label: 'Arrive fast, brake and lean',
  params: [
    { id: 'right', label: 'From the right', control: 'switch', preset: false },
    numberParam('leanDegrees', 'Leans', ['°', 0, 60, 24]),
  ],
  // The last word goes first, so that none has to pass another.
  suits: { unit: 'word', order: 'backward', overlap: 0.75, ease: 'even' },
  plan({ box, frame }, params) {
    const side = params.flag('right') ? -1 : 1;
    const lean = params.number('leanDegrees') * side;
    const far = side > 0 ? box.x + box.width - frame.x : frame.x + frame.width - box.x;
    return {
      parts: [
        through('xU', [
          [0, -far * side],
          [0.45, 14 * side, 'settle'],
          [0.75, -4 * side, 'glide'],
          [1, 0, 'glide'],
        ]),
        through('skewX', [
          [0, lean],
          [0.3, lean, 'even'],
          [0.55, -lean * 0.6, 'glide'],
          [0.8, lean * 0.18, 'glide'],
          [1, 0, 'glide'],
        ]),
        from('blurXU', 18, { until: 0.35, ease: 'even' }),
        from('opacity', 0, { until: 0.05, ease: 'even' }),
      ],
      pivot: 'baseline',
    };
  },
});
