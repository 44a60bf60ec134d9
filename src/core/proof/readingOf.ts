import type { FieldValues, Template } from '../model/template';
import { FORMATS } from '../frame/formats';
import { resolve } from '../resolve/resolve';
import type { FontLibrary } from '../text/fontLibrary';
import type { CompiledTitle } from '../timeline/compile';
import { compile } from '../timeline/compile';
import { stretchTiming } from '../titleTime/stretch';
import type { FrameRate } from '../time/rates';
import type { FadeAt } from './readableTime';
import { lengthToRead, readableSeconds } from './readableTime';
import { hardestReading } from './listReading';
import type { ReadingRules } from '../model/rules';

/** How long a viewer needs to read a title, how long its words can be read, in seconds, and how long it should last. */
export interface Reading {
  readonly reads: number;
  readonly readable: number;
  neededFrames(): number;
}

/** What of a title its reading follows from. */
export interface ReadingFor {
  readonly values: FieldValues;
  readonly lengthFrames: number;
  readonly rate: FrameRate;
  readonly rules?: ReadingRules;
  readonly fadeAt?: FadeAt;
}

/** The reading of a title in the format that its template was designed in. */
export function readingOf(
  template: Template,
  { values, lengthFrames, rate, rules, fadeAt }: ReadingFor,
  fonts: FontLibrary,
): Reading {
  const format = FORMATS.get(template.formats[0]);
  const { layers } = resolve(template, { format, values }).template;
  const { outStartSeconds } = stretchTiming(template.timing, lengthFrames, rate);
  const { reads, aheadSeconds } = hardestReading(layers, rules, outStartSeconds);
  const readableForAll = readableFor(template, values, rate, fonts, fadeAt);
  const readableAt = (length: number): number => readableForAll(length) + aheadSeconds;
  return {
    reads,
    readable: readableAt(lengthFrames),
    neededFrames: () => lengthToRead(readableAt, lengthFrames, reads, rate),
  };
}

/** How long the words of a title can be read, in seconds, at any length in frames. */
export function readableFor(
  template: Template,
  values: FieldValues,
  rate: FrameRate,
  fonts: FontLibrary,
  fadeAt?: FadeAt,
): (lengthFrames: number) => number {
  const kept = movingTitle(template, values, fonts);
  return (lengthFrames) => {
    const timing = stretchTiming(template.timing, lengthFrames, rate);
    if (fadeAt !== undefined) return readableSeconds(kept.title, timing, rate, fadeAt);
    const key = `${rate.id} ${lengthFrames}`;
    const known = kept.lengths.get(key) ?? readableSeconds(kept.title, timing, rate);
    if (kept.lengths.size > MOST_LENGTHS) kept.lengths.clear();
    kept.lengths.set(key, known);
    return known;
  };
}

interface WordedTitle {
  readonly title: CompiledTitle;
  readonly lengths: Map<string, number>;
}

const MOST_LENGTHS = 2000;
const kept = new WeakMap<
  Template,
  { readonly fonts: FontLibrary; readonly byWords: Map<string, WordedTitle> }
>();

/**
 * A template laid out for its motion alone: which words stand in it does not change how they move, only whether some
 * do. So forty titles of a template are laid out once, and once more for those that leave a line empty.
 */
function movingTitle(template: Template, values: FieldValues, fonts: FontLibrary): WordedTitle {
  const before = kept.get(template);
  const { byWords } = before?.fonts === fonts ? before : { byWords: new Map<string, WordedTitle>() };
  if (before?.fonts !== fonts) kept.set(template, { fonts, byWords });
  const moving = Object.fromEntries(
    template.fields.flatMap(({ id, kind }): [string, FieldValues[string]][] => {
      const value = values[id];
      if (value === undefined) return [];
      const isWords = kind === 'text' || kind === 'date';
      if (!isWords) return [[id, value]];
      return String(value).trim() === '' ? [[id, '']] : [];
    }),
  );
  const key = JSON.stringify(moving);
  const known = byWords.get(key);
  if (known !== undefined) return known;
  const made = {
    title: compile(template, moving, FORMATS.get(template.formats[0]), fonts),
    lengths: new Map<string, number>(),
  };
  byWords.set(key, made);
  return made;
}
