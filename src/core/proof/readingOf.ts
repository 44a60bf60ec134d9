import type { FieldValues, Layer, Template, Timing } from '../model/template';
import { FORMATS } from '../frame/formats';
import { resolve } from '../resolve/resolve';
import type { FontLibrary } from '../text/fontLibrary';
import type { CompiledTitle } from '../timeline/compile';
import { compile } from '../timeline/compile';
import type { TitleTiming } from '../titleTime/stretch';
import { stretchTiming } from '../titleTime/stretch';
import type { FrameRate } from '../time/rates';
import type { FadeAt } from './readableTime';
import { lengthToRead, readableSeconds } from './readableTime';
import { isInTurn, worstLink } from './chainReading';
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
  const forAll = readableFor(template, values, rate, fonts, fadeAt);
  const { reads, readableAt } = readingNeed(
    { layers, timing: template.timing, marks: template.marks, rules, rate },
    lengthFrames,
    forAll,
  );
  return {
    reads,
    readable: readableAt(lengthFrames),
    neededFrames: () => lengthToRead(readableAt, lengthFrames, reads, rate),
  };
}

interface NeedOf {
  readonly layers: readonly Layer[];
  readonly timing: Timing;
  readonly marks: Template['marks'];
  readonly rules: ReadingRules | undefined;
  readonly rate: FrameRate;
}

/**
 * What of a title has the least time to be read, and how long it has at any length in frames: all that stands together,
 * or one line or page of those that replace one another. `forAll` is how long everything else can be read.
 */
export function readingNeed(
  { layers, timing, marks, rules, rate }: NeedOf,
  lengthFrames: number,
  forAll: (lengthFrames: number) => number,
): {
  readonly reads: number;
  readonly readableAt: (lengthFrames: number) => number;
  readonly line: string | null;
} {
  const of = { timing, marks };
  const titleOf = (length: number): TitleTiming => stretchTiming(timing, length, rate);
  const { reads, aheadSeconds } = hardestReading(layers, rules, titleOf(lengthFrames).outStartSeconds);
  const together = { reads, line: null, readableAt: (length: number) => forAll(length) + aheadSeconds };
  const link = worstLink(layers, of, titleOf(lengthFrames), rules);
  if (link === null) return together;
  const margin = reads === 0 ? Infinity : together.readableAt(lengthFrames) - reads;
  if (margin <= link.stands - link.reads) return together;
  return {
    reads: link.reads,
    line: link.told,
    readableAt(length) {
      const then = worstLink(layers, of, titleOf(length), rules) ?? link;
      return link.reads + (then.stands - then.reads);
    },
  };
}

/** How long the words of a title can be read, in seconds, at any length in frames; lines that replace one another do not count. */
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
    title: compile(asRead(template), moving, FORMATS.get(template.formats[0]), fonts),
    lengths: new Map<string, number>(),
  };
  byWords.set(key, made);
  return made;
}

/** A template as its words are read: lines of chains by themselves, rows that are dimmed later while they were lit. */
function asRead(template: Template): Template {
  const layers = template.layers.map((layer) => {
    if (isInTurn(layer)) return { ...layer, visible: false };
    return layer.kind === 'rows' && (layer.earlierOpacity ?? 1) < 1 ? { ...layer, earlierOpacity: 1 } : layer;
  });
  return layers.some((layer, i) => layer !== template.layers[i]) ? { ...template, layers } : template;
}
