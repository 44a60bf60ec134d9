import { defineMove, REST } from './move';

const DIRECTIONS: Readonly<Record<string, readonly [number, number]>> = {
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
  pose(progress, box, params) {
    const [across, down] = DIRECTIONS[String(params.from)] ?? DIRECTIONS.below;
    return {
      ...REST,
      dxU: across * box.width * (1 - progress),
      dyU: down * box.height * (1 - progress),
      masked: progress < 1,
    };
  },
});
