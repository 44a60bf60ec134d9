import { defineMove } from './move';
import { through } from './part';

export const sweep = defineMove({
  id: 'sweep',
  label: 'Block that leaves the words',
  params: [{ id: 'colour', label: 'Block', control: 'colour', preset: '#e3b94f' }],
  suits: { unit: 'line', overlap: 0.7, ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [
      through('block', [
        [0, 0],
        [0.48, 0.5],
        [0.52, 0.5, 'even'],
        [1, 1],
      ]),
    ],
    block: { kind: 'sweep', colour: params.choice('colour'), widthU: 0 },
  }),
});
