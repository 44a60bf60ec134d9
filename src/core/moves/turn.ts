import { defineMove, numberParam } from './move';
import { from } from './part';

export const turn = defineMove({
  id: 'turn',
  label: 'Turn about the upright',
  params: [numberParam('turnDegrees', 'Turns', ['°', -720, 720, -105])],
  suits: { unit: 'letter', overlap: 0.75 },
  plan: (_unit, params) => ({
    parts: [from('turnY', params.number('turnDegrees')), from('opacity', 0, { until: 0.35, ease: 'even' })],
  }),
});
