import { defineMove, numberParam } from './move';
import { from } from './part';

export const flight = defineMove({
  id: 'flight',
  label: 'Fly in one by one',
  params: [
    numberParam('distanceU', 'Distance', ['u', 0, 2000, 240]),
    numberParam('turnDegrees', 'Turns up to', ['°', 0, 720, 70]),
  ],
  suits: { unit: 'letter', overlap: 0.82 },
  plan(unit, params) {
    const angle = (unit.chance(0) - 0.5) * Math.PI;
    const distance = params.number('distanceU') * (0.6 + 0.4 * unit.chance(1));
    return {
      parts: [
        from('xU', Math.cos(angle) * distance),
        from('yU', Math.sin(angle) * distance),
        from('turnZ', (unit.chance(2) - 0.5) * 2 * params.number('turnDegrees')),
        from('opacity', 0, { until: 0.4, ease: 'even' }),
      ],
    };
  },
});
