import { defineMove } from './move';
import { from } from './part';

const SIDES: Readonly<Record<string, readonly [number, number]>> = {
  below: [0, 1],
  above: [0, -1],
  left: [-1, 0],
  right: [1, 0],
};

export const rise = defineMove({
  id: 'rise',
  label: 'Rise behind a mask',
  params: [
    {
      id: 'from',
      label: 'Comes from',
      control: 'choice',
      choices: [
        { value: 'below', label: 'Below' },
        { value: 'above', label: 'Above' },
        { value: 'left', label: 'The left' },
        { value: 'right', label: 'The right' },
      ],
      preset: 'below',
    },
  ],
  suits: { unit: 'word', overlap: 0.6 },
  plan({ box }, params) {
    const [across, down] = SIDES[params.choice('from')] ?? SIDES.below;
    return {
      parts: [from('xU', across * box.width), from('yU', down * box.height)],
      mask: { kind: 'box' },
    };
  },
});
