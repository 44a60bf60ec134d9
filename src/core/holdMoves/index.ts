import { createRegistry } from '../kit/registry';
import { breathe } from './breathe';
import { drift } from './drift';
import { float } from './float';
import { ripple } from './ripple';
import { shimmer } from './shimmer';
import { sway } from './sway';
import { tremble } from './tremble';

/** Every movement for the hold, in the order in which menus show them. */
export const HOLD_MOVES = createRegistry('hold move', [
  float,
  sway,
  breathe,
  ripple,
  drift,
  tremble,
  shimmer,
]);
