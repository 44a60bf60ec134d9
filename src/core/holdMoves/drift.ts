import { numberParam } from '../moves/move';
import { defineHoldMove } from './holdMove';

export const drift = defineHoldMove({
  id: 'drift',
  label: 'Slow push',
  params: [numberParam('growth', 'Grows a second', ['%', -10, 10, 0.6])],
  suits: {},
  pose(seconds, _unit, params) {
    const size = 1 + (params.number('growth') / 100) * seconds;
    return { scaleX: size, scaleY: size };
  },
});
