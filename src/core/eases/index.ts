import { createRegistry } from '../kit/registry';
import { even } from './even';
import { gather } from './gather';
import { glide } from './glide';
import { overshoot } from './overshoot';
import { settle } from './settle';

/** Every ease, in the order in which menus show them. */
export const EASES = createRegistry('ease', [settle, glide, overshoot, gather, even]);
