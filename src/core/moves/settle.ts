import { defineMove, numberParam } from './move';
import { from } from './part';

export const settle = defineMove({
  id: 'settle',
  label: 'Letters change until they settle',
  params: [numberParam('changes', 'Changes', ['', 1, 60, 9])],
  suits: { unit: 'letter', overlap: 0.9, ease: 'even', unitSeconds: 0.7 },
  needs: 'letters',
  // Each place shows other letters of the same words, by chance but the same every time, and then its own.
  plan: (unit, params) => ({
    parts: [from('settled', 0, { ease: 'even' }), from('opacity', 0, { until: 0.08, ease: 'even' })],
    swap: { changes: params.number('changes'), chance: unit.chance },
  }),
});
