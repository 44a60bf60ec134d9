import type { Plan } from '../model/plan';
import type { Clip, Title } from '../model/project';

/** Everything of a project that is changed on the desk. Clips and titles are in the order of their starts. */
export interface Work {
  readonly titles: readonly Title[];
  readonly clips: readonly Clip[];
  readonly plan: Plan;
}

/** The work with its clips and titles in the order of their starts; what was in order stays the same object. */
export function inOrder(work: Work): Work {
  const titles = byStart(work.titles);
  const clips = byStart(work.clips);
  return titles === work.titles && clips === work.clips ? work : { ...work, titles, clips };
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
