import type { Template, UnitKind } from '../model/template';
import { setTiming } from './editTemplate';

// Marks nearer than this are one.
const APART_SECONDS = 0.02;
// After the last mark the in goes on for as long as what waited for it needs.
const AFTER_LAST_SECONDS = 0.5;

/** A mark with what it is called; nothing for one without a name. */
export interface NamedMark {
  readonly seconds: number;
  readonly name: string;
}

/** The marks of a template with their names, in order. */
export function namedMarks({ marks, markNames = [] }: Template): readonly NamedMark[] {
  return marks.map((seconds, i) => ({ seconds, name: markNames[i] ?? '' }));
}

function withMarks(template: Template, marks: readonly NamedMark[]): Template {
  const sorted = marks.toSorted((a, b) => a.seconds - b.seconds);
  const { markNames: _, ...rest } = template;
  const named = sorted.some(({ name }) => name !== '');
  return fitWaiting({
    ...rest,
    marks: sorted.map(({ seconds }) => seconds),
    ...(named && { markNames: sorted.map(({ name }) => name) }),
  });
}

/** The template with a mark more, at a time of the design in seconds; one that is there already is not set twice. */
export function addMark(template: Template, seconds: number): Template {
  if (template.marks.some((mark) => Math.abs(mark - seconds) < APART_SECONDS)) return template;
  return withMarks(template, [...namedMarks(template), { seconds, name: '' }]);
}

/** The template with a mark at another time; its name goes with it. */
export function moveMark(template: Template, index: number, seconds: number): Template {
  const marks = namedMarks(template);
  return withMarks(template, marks.with(index, { ...marks[index], seconds: Math.max(0, seconds) }));
}

/** The template with another name for a mark. */
export function nameMark(template: Template, index: number, name: string): Template {
  const marks = namedMarks(template);
  return withMarks(template, marks.with(index, { ...marks[index], name }));
}

/** The template without a mark. */
export function removeMark(template: Template, index: number): Template {
  return withMarks(template, namedMarks(template).toSpliced(index, 1));
}

/** A layer that waits for a mark: the whole of it, or a part of it of its own for each mark. */
export interface Waiting {
  readonly layerName: string;
  readonly unit: UnitKind;
}

/** What waits for a mark. */
export function waitingFor({ layers }: Template, index: number): readonly Waiting[] {
  return layers.flatMap(({ name, motion }) =>
    motion.in
      .filter(({ waits, unit, ranks }) => waits && (unit !== 'layer' || (ranks[0] ?? 0) === index))
      .map(({ unit }) => ({ layerName: name, unit })),
  );
}

/**
 * The template with an in that is long enough for all that waits for marks: moves that wait run from the start to
 * after the last mark, and the hold gives what the in takes.
 */
export function fitWaiting(template: Template): Template {
  const last = template.marks[template.marks.length - 1];
  const waits = template.layers.some(({ motion }) => motion.in.some((use) => use.waits));
  if (last === undefined || !waits) return template;
  const lengthSeconds = last + AFTER_LAST_SECONDS;
  const { inSeconds, holdSeconds } = template.timing;
  const longer = Math.max(0, lengthSeconds - inSeconds);
  const timing = {
    ...template.timing,
    inSeconds: inSeconds + longer,
    holdSeconds: Math.max(0.5, holdSeconds - longer),
  };
  const layers = template.layers.map((layer) => ({
    ...layer,
    motion: {
      ...layer.motion,
      in: layer.motion.in.map((use) => (use.waits ? { ...use, startSeconds: 0, lengthSeconds } : use)),
    },
  }));
  return setTiming({ ...template, layers }, timing);
}
