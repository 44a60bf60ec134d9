import { defineMove, numberParam } from './move';
import { from } from './part';

export const slide = defineMove({
  id: 'slide',
  label: 'Slide',
  params: [
    numberParam('angleDegrees', 'Comes from', ['°', -360, 360, 180]),
    numberParam('distanceU', 'Distance', ['u', 0, 4000, 60]),
    { id: 'fades', label: 'Fades as well', control: 'switch', preset: true },
  ],
  suits: {},
  plan(_unit, params) {
    const angle = (params.number('angleDegrees') * Math.PI) / 180;
    const distance = params.number('distanceU');
    const parts = [from('xU', Math.cos(angle) * distance), from('yU', Math.sin(angle) * distance)];
    return { parts: params.flag('fades') ? [...parts, from('opacity', 0)] : parts };
  },
});
