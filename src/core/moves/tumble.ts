import { defineMove, numberParam } from './move';
import { from } from './part';

export const tumble = defineMove({
  id: 'tumble',
  label: 'Fall with whole turns',
  params: [
    numberParam('heightU', 'Falls', ['u', 0, 2000, 320]),
    numberParam('turns', 'Turns', ['', -6, 6, 1]),
  ],
  suits: { unit: 'letter', overlap: 0.8 },
  plan: (_unit, params) => ({
    parts: [
      from('yU', -params.number('heightU')),
      from('turnZ', -360 * params.number('turns')),
      from('opacity', 0, { until: 0.3, ease: 'even' }),
    ],
  }),
});
