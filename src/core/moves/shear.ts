import { defineMove, numberParam } from './move';
import { from } from './part';

export const shear = defineMove({
  id: 'shear',
  label: 'Shear in',
  params: [
    numberParam('leanDegrees', 'Leans', ['°', -80, 80, 58]),
    numberParam('distanceU', 'Distance', ['u', -2000, 2000, -120]),
  ],
  suits: { unit: 'line', overlap: 0.7 },
  plan: (_unit, params) => ({
    parts: [
      from('skewX', params.number('leanDegrees')),
      from('xU', params.number('distanceU')),
      from('opacity', 0, { until: 0.5, ease: 'even' }),
    ],
    pivot: 'baseline',
  }),
});
