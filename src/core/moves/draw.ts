import { defineMove, numberParam } from './move';
import { from } from './part';

export const draw = defineMove({
  id: 'draw',
  label: 'Draw the outline',
  params: [numberParam('lineU', 'Line', ['u', 0.5, 40, 4])],
  suits: { unit: 'letter', overlap: 0.8, ease: 'glide' },
  needs: 'outlines',
  plan: (_unit, params) => ({ parts: [from('drawn', 0)], lineU: params.number('lineU') }),
});
