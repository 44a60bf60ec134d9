import { numberParam } from '../moves/move';
import { defineHoldMove, swing } from './holdMove';

export const float = defineHoldMove({
  id: 'float',
  label: 'Float',
  params: [
    numberParam('heightU', 'Height', ['u', 0, 200, 6]),
    numberParam('periodSeconds', 'Seconds a turn', ['', 0.2, 60, 4]),
  ],
  suits: {},
  pose: (seconds, _unit, params) => ({
    yU: -params.number('heightU') * swing(seconds, params.number('periodSeconds')),
  }),
});
