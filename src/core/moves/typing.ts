import { defineMove } from './move';
import { through } from './part';

export const typing = defineMove({
  id: 'typing',
  label: 'Type on',
  params: [],
  suits: { unit: 'letter', overlap: 0, ease: 'even', unitSeconds: 0.07 },
  needs: 'letters',
  // Each unit is there from the middle of its own share of the time.
  plan: () => ({
    parts: [
      through('opacity', [
        [0, 0],
        [0.5, 0, 'even'],
        [0.5, 1, 'even'],
        [1, 1, 'even'],
      ]),
    ],
  }),
});
