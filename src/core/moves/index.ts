import { createRegistry } from '../kit/registry';
import { fade } from './fade';
import { rise } from './rise';
import { slide } from './slide';

/** Every ready move, in the order in which menus show them. */
export const MOVES = createRegistry('move', [fade, slide, rise]);
