import { defineMove, numberParam } from './move';
import { from } from './part';

export const lightStrip = defineMove({
  id: 'light-strip',
  label: 'Uncovered by a strip of light',
  params: [
    { id: 'colour', label: 'Light', control: 'colour', preset: '#fff4d2' },
    numberParam('widthU', 'Width', ['u', 2, 400, 36]),
  ],
  suits: { unit: 'line', overlap: 0.7, ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [from('block', 0)],
    block: { kind: 'strip', colour: params.choice('colour'), widthU: params.number('widthU') },
  }),
});
