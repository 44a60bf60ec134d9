import { createRegistry } from '../kit/registry';
import { oneLine } from './oneLine';
import { twoLines } from './twoLines';

/** All that a new template can begin with, the plainest first. */
export const STARTS = createRegistry('start', [oneLine, twoLines]);
