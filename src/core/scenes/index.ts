import { createRegistry } from '../kit/registry';
import { harbourDusk } from './harbourDusk';
import { lockGates } from './lockGates';
import { nightDeck } from './nightDeck';
import { reedBeds } from './reedBeds';
import { weir } from './weir';

/** Every stand-in picture, in the order in which menus show them. */
export const SCENES = createRegistry('scene', [harbourDusk, weir, lockGates, reedBeds, nightDeck]);
