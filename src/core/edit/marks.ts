import type { Template } from '../model/template';
import { setTiming } from './editTemplate';

// Marks nearer than this are one.
const APART_SECONDS = 0.02;
// After the last mark the in goes on for as long as what waited for it needs.
const AFTER_LAST_SECONDS = 0.5;

/** The template with a mark more, at a time of the design in seconds; one that is there already is not set twice. */
export function addMark(template: Template, seconds: number): Template {
  if (template.marks.some((mark) => Math.abs(mark - seconds) < APART_SECONDS)) return template;
  return fitWaiting({ ...template, marks: [...template.marks, seconds].toSorted((a, b) => a - b) });
}

/** The template with a mark at another time. */
export function moveMark(template: Template, index: number, seconds: number): Template {
  const marks = template.marks.with(index, Math.max(0, seconds)).toSorted((a, b) => a - b);
  return fitWaiting({ ...template, marks });
}

/** The template without a mark. */
export function removeMark(template: Template, index: number): Template {
  return fitWaiting({ ...template, marks: template.marks.toSpliced(index, 1) });
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
