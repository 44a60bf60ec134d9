import { defineMove, numberParam } from './move';
import { from } from './part';

export const wipe = defineMove({
  id: 'wipe',
  label: 'Wipe with a soft edge',
  params: [
    numberParam('angleDegrees', 'Towards', ['°', -360, 360, 0]),
    numberParam('softU', 'Soft edge', ['u', 0, 1000, 60]),
  ],
  suits: { ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [from('shown', 0)],
    mask: { kind: 'wipe', angleDegrees: params.number('angleDegrees'), softU: params.number('softU') },
  }),
});
