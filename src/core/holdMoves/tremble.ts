import { numberParam } from '../moves/move';
import { defineHoldMove } from './holdMove';

// So many times a second a new place is taken.
const STEPS_PER_SECOND = 12;

export const tremble = defineHoldMove({
  id: 'tremble',
  label: 'Tremble',
  params: [numberParam('reachU', 'Reach', ['u', 0, 60, 1.6])],
  suits: { unit: 'letter' },
  pose(seconds, unit, params) {
    const step = Math.floor(seconds * STEPS_PER_SECOND);
    const reach = params.number('reachU') * 2;
    return { xU: (unit.chance(step * 2) - 0.5) * reach, yU: (unit.chance(step * 2 + 1) - 0.5) * reach };
  },
});
