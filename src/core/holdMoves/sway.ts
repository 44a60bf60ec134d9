import { numberParam } from '../moves/move';
import { defineHoldMove, swing } from './holdMove';

export const sway = defineHoldMove({
  id: 'sway',
  label: 'Sway',
  params: [
    numberParam('swayDegrees', 'Sways', ['°', 0, 60, 3]),
    numberParam('periodSeconds', 'Seconds a turn', ['', 0.2, 60, 5]),
  ],
  suits: {},
  pose: (seconds, _unit, params) => ({
    turnZ: params.number('swayDegrees') * swing(seconds, params.number('periodSeconds')),
  }),
});
