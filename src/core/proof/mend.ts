import { rewordCue } from '../formats/captions/rewordCue';
import { changeRow } from '../credits/editCredits';
import type { Cue } from '../model/captions';
import type { Title } from '../model/project';
import type { FieldValue, Template } from '../model/template';
import { withDeliveryChange } from '../project/deliver';
import { swapTitle } from '../project/swap';
import type { Work } from '../project/work';
import type { Finding, MendChange } from './finding';

/** The work with a finding put right. What asks a person first (`quiet`) changes nothing here. */
export function applyMend(
  work: Work,
  { titleId, deliveryId }: Pick<Finding, 'titleId' | 'deliveryId'>,
  change: MendChange,
  editionOf: (id: string) => { readonly id: string; readonly document: Template } | undefined,
): Work {
  const mended = (mend: (title: Title) => Title): Work => ({
    ...work,
    titles: work.titles.map((title) => (title.id === titleId ? mend(title) : title)),
  });
  const cue = work.cues.find(({ id }) => id === titleId);
  if (cue !== undefined && change.kind !== 'ownWord') {
    const next = mendedCue(cue, change);
    return { ...work, cues: work.cues.map((one) => (one === cue ? next : one)) };
  }
  switch (change.kind) {
    case 'title':
      return mended((title) => ({ ...title, ...change.set }));
    case 'words':
      return mended((title) => withWords(title, deliveryId, change.fieldId, change.value));
    case 'credit':
      return mended((title) => withCredit(title, change));
    case 'ownWord':
      return { ...work, plan: { ...work.plan, words: [...work.plan.words, change.word.toLowerCase()] } };
    case 'edition': {
      const next = editionOf(change.editionId);
      return next === undefined
        ? work
        : mended((title) =>
            swapTitle(title, editionOf(title.editionId)?.document, next, {
              sameTemplate: true,
              deliveries: work.plan.deliveries,
            }),
          );
    }
    case 'quiet':
    case 'cue':
      return work;
  }
}

/** A cue put right: its times and words; what only titles have changes nothing. */
function mendedCue(cue: Cue, change: MendChange): Cue {
  switch (change.kind) {
    case 'cue':
      return { ...cue, ...change.set };
    case 'title': {
      const { startFrame = cue.startFrame, lengthFrames = cue.lengthFrames } = change.set;
      return { ...cue, startFrame, lengthFrames };
    }
    case 'words':
      return { ...cue, words: rewordCue(cue.words, String(change.value)) };
    default:
      return cue;
  }
}

/** A row of credits that says something else; the title as it was where the row is gone. */
function withCredit(title: Title, { rowId, cell, value }: Extract<MendChange, { kind: 'credit' }>): Title {
  if (title.credits == null) return title;
  const rows = changeRow(title.credits.rows, rowId, (row) => ({ ...row, [cell]: value }));
  return { ...title, credits: { ...title.credits, rows } };
}

/** Words go where those that they take the place of are said: in one delivery, or in all. */
function withWords(title: Title, deliveryId: string | null, fieldId: string, value: FieldValue): Title {
  const own = deliveryId === null ? undefined : title.perDelivery[deliveryId]?.values;
  if (deliveryId === null || own?.[fieldId] === undefined)
    return { ...title, values: { ...title.values, [fieldId]: value } };
  return withDeliveryChange(title, deliveryId, { values: { ...own, [fieldId]: value } });
}
