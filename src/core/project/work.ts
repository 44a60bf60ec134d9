import type { Cue } from '../model/captions';
import type { Plan } from '../model/plan';
import type { Clip, Title } from '../model/project';

/** Everything of a project that is changed on the desk. Clips, titles and cues are in the order of their starts. */
export interface Work {
  readonly titles: readonly Title[];
  readonly clips: readonly Clip[];
  /** The captions, of all tracks. */
  readonly cues: readonly Cue[];
  readonly plan: Plan;
}

/** The work in something that holds more. */
export function workOf({ titles, clips, cues, plan }: Work): Work {
  return { titles, clips, cues, plan };
}

/** Whether two states of the work are the same objects. */
export function isSameWork(a: Work, b: Work): boolean {
  return a.titles === b.titles && a.clips === b.clips && a.cues === b.cues && a.plan === b.plan;
}

/** The work with its lists in the order of their starts; what was in order stays the same object. */
export function inOrder(work: Work): Work {
  const titles = byStart(work.titles);
  const clips = byStart(work.clips);
  const cues = byStart(work.cues);
  const next = { ...work, titles, clips, cues };
  return isSameWork(next, work) ? work : next;
}

function byStart<T extends { readonly startFrame: number }>(list: readonly T[]): readonly T[] {
  const sorted = list.every((one, i) => i === 0 || list[i - 1].startFrame <= one.startFrame);
  return sorted ? list : list.toSorted((a, b) => a.startFrame - b.startFrame);
}

/** The titles with some of them changed. */
export function changeTitles(
  titles: readonly Title[],
  ids: ReadonlySet<string>,
  change: (title: Title) => Title,
): readonly Title[] {
  return titles.map((title) => (ids.has(title.id) ? change(title) : title));
}
