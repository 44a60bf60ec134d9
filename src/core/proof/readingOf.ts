import { FORMATS } from '../layout/formats';
import { resolve } from '../resolve/resolve';
import type { FieldValues, Template } from '../document/template';
import { layerWords } from '../document/template';
import { stretchTiming } from '../timeline/stretch';
import type { FrameRate } from '../time/rates';
import { lengthToRead, readableSeconds } from './readableTime';
import { readingSeconds } from './readingTime';
import type { ReadingRules } from './rules';

/** How long a viewer needs to read a title and how long its words stand still, in seconds, and how long it should last. */
export function readingOf(
  template: Template,
  values: FieldValues,
  lengthFrames: number,
  rate: FrameRate,
  rules?: ReadingRules,
): { readonly reads: number; readonly readable: number; readonly neededFrames: number } {
  // Words and times are read in the format that it was designed in.
  const applied = resolve(template, { format: FORMATS.get(template.formats[0]), values }).template;
  const reads = readingSeconds(applied.layers.map(layerWords).join(' '), rules);
  return {
    reads,
    readable: readableSeconds(applied, stretchTiming(template.timing, lengthFrames, rate)),
    neededFrames: lengthToRead(applied, lengthFrames, reads, rate),
  };
}
