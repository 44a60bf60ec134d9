import { defineMove, numberParam } from './move';
import { from } from './part';

export const iris = defineMove({
  id: 'iris',
  label: 'Iris',
  params: [numberParam('softU', 'Soft edge', ['u', 0, 600, 24])],
  suits: { ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [from('shown', 0)],
    mask: { kind: 'iris', softU: params.number('softU') },
  }),
});
