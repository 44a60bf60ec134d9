import { numberParam } from '../moves/move';
import { defineHoldMove } from './holdMove';

export const shimmer = defineHoldMove({
  id: 'shimmer',
  label: 'Shimmer',
  params: [
    { id: 'colour', label: 'Light', control: 'colour', preset: '#ffffff' },
    numberParam('everySeconds', 'Every so many seconds', ['', 0.5, 120, 4]),
    numberParam('passSeconds', 'Seconds a pass', ['', 0.1, 20, 1.2]),
    numberParam('widthU', 'Width', ['u', 4, 1000, 120]),
  ],
  suits: {},
  light: (params) => ({
    angleDegrees: 24,
    widthU: params.number('widthU'),
    colour: params.choice('colour'),
  }),
  pose(seconds, _unit, params) {
    const every = params.number('everySeconds');
    const pass = Math.min(every, params.number('passSeconds'));
    return { light: Math.min(1, (seconds % every) / pass) };
  },
});
