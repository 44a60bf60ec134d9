import { numberParam } from '../moves/move';
import { defineHoldMove, swing } from './holdMove';

export const ripple = defineHoldMove({
  id: 'ripple',
  label: 'Ripple',
  params: [
    numberParam('heightU', 'Height', ['u', 0, 200, 8]),
    numberParam('periodSeconds', 'Seconds a turn', ['', 0.2, 60, 2.5]),
    numberParam('lengthU', 'Wave length', ['u', 10, 4000, 320]),
  ],
  suits: { unit: 'letter' },
  pose: (seconds, { box, layer }, params) => ({
    yU:
      params.number('heightU') *
      swing(seconds, params.number('periodSeconds'), (box.x - layer.x) / params.number('lengthU')),
  }),
});
