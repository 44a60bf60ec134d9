import { numberParam } from '../moves/move';
import { defineHoldMove, swing } from './holdMove';

export const breathe = defineHoldMove({
  id: 'breathe',
  label: 'Breathe',
  params: [
    numberParam('swell', 'Swells by', ['%', 0, 60, 3]),
    numberParam('periodSeconds', 'Seconds a turn', ['', 0.2, 60, 4]),
  ],
  suits: {},
  pose(seconds, _unit, params) {
    const size = 1 + (params.number('swell') / 100) * swing(seconds, params.number('periodSeconds'));
    return { scaleX: size, scaleY: size };
  },
});
