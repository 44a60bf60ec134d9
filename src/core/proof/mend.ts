import type { Title } from '../document/project';
import type { Template } from '../document/template';
import { swapTitle } from '../project/swap';
import type { Work } from '../project/work';
import type { MendChange } from './finding';

/** The work with a finding of a title put right. What asks a person first (`quiet`) changes nothing here. */
export function applyMend(
  work: Work,
  titleId: string,
  change: MendChange,
  editionOf: (id: string) => { readonly id: string; readonly document: Template } | undefined,
): Work {
  const mended = (mend: (title: Title) => Title): Work => ({
    ...work,
    titles: work.titles.map((title) => (title.id === titleId ? mend(title) : title)),
  });
  switch (change.kind) {
    case 'title':
      return mended((title) => ({ ...title, ...change.set }));
    case 'words':
      return mended((title) => ({ ...title, values: { ...title.values, [change.fieldId]: change.value } }));
    case 'ownWord':
      return { ...work, plan: { ...work.plan, words: [...work.plan.words, change.word.toLowerCase()] } };
    case 'edition': {
      const next = editionOf(change.editionId);
      return next === undefined
        ? work
        : mended((title) =>
            swapTitle(title, editionOf(title.editionId)?.document, next, { sameTemplate: true }),
          );
    }
    case 'quiet':
      return work;
  }
}
