import { createRegistry } from '../kit/registry';
import { drop } from './drop';
import { even } from './even';
import { gather } from './gather';
import { glide } from './glide';
import { lift } from './lift';
import { overshoot } from './overshoot';
import { settle } from './settle';
import { spring } from './spring';

/** Every ease, in the order in which menus show them. */
export const EASES = createRegistry('ease', [settle, lift, glide, overshoot, spring, gather, drop, even]);
