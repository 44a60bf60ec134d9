import { createRegistry } from '../../kit/registry';
import type { Check } from '../check';
import { barsCheck } from './bars';
import { captionCutsCheck } from './captionCuts';
import { captionGapsCheck } from './captionGaps';
import { captionLinesCheck } from './captionLines';
import { captionPaceCheck } from './captionPace';
import { captionPairsCheck } from './captionPairs';
import { collisionsCheck } from './collisions';
import { contrastCheck } from './contrast';
import { creditLayoutCheck } from './creditLayout';
import { creditMotionCheck } from './creditMotion';
import { creditPaceCheck } from './creditPace';
import { creditRowsCheck } from './creditRows';
import { cutsCheck } from './cuts';
import { doubledWordsCheck } from './doubledWords';
import { editionCheck } from './edition';
import { emptyFieldCheck } from './emptyField';
import { fitCheck } from './fit';
import { flashingCheck } from './flashing';
import { limitsCheck } from './limits';
import { missingGlyphsCheck } from './missingGlyphs';
import { pastEndCheck } from './pastEnd';
import { picturesCheck } from './pictures';
import { placeholderCheck } from './placeholder';
import { readingCheck } from './reading';
import { rowsInTimeCheck } from './rowsInTime';
import { safeAreasCheck } from './safeAreas';
import { sameNameCheck } from './sameName';
import { smallTextCheck } from './smallText';
import { spellingCheck } from './spelling';
import { thinLinesCheck } from './thinLines';

/** Every check, in the order in which the house lists them. */
export const CHECKS = createRegistry<Check>('check', [
  readingCheck,
  rowsInTimeCheck,
  barsCheck,
  emptyFieldCheck,
  placeholderCheck,
  limitsCheck,
  safeAreasCheck,
  fitCheck,
  contrastCheck,
  smallTextCheck,
  thinLinesCheck,
  flashingCheck,
  collisionsCheck,
  cutsCheck,
  pastEndCheck,
  picturesCheck,
  spellingCheck,
  sameNameCheck,
  doubledWordsCheck,
  missingGlyphsCheck,
  editionCheck,
  captionPaceCheck,
  captionGapsCheck,
  captionLinesCheck,
  captionCutsCheck,
  captionPairsCheck,
  creditPaceCheck,
  creditMotionCheck,
  creditRowsCheck,
  creditLayoutCheck,
]);
