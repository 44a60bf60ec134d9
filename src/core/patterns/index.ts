import { createRegistry } from '../kit/registry';
import { bokeh } from './bokeh';
import { drift } from './drift';
import { grain } from './grain';
import { plain } from './plain';
import { rays } from './rays';
import { waves } from './waves';

/** Every background pattern, in the order in which menus show them. */
export const PATTERNS = createRegistry('pattern', [plain, drift, grain, bokeh, waves, rays]);
