import { defineMove } from './move';
import { from, through } from './part';

export const unroll = defineMove({
  id: 'unroll',
  label: 'Ribbon unroll',
  params: [{ id: 'colour', label: 'Edge', control: 'colour', preset: '#ffffff' }],
  suits: { ease: 'glide' },
  plan: (_unit, params) => ({
    parts: [
      from('shown', 0),
      from('turnY', 28),
      through('light', [
        [0, 0],
        [1, 1],
      ]),
    ],
    mask: { kind: 'wipe', angleDegrees: 0, softU: 3 },
    light: { angleDegrees: 0, widthU: 70, colour: params.choice('colour') },
    pivot: 'left',
  }),
});
