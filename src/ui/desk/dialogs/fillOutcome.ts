import type { Template } from '@/core/model/template';
import type { FilledRow } from '@/core/project/fillSheet';
import type { TitleDifference } from '@/core/project/titleDiff';
import { titleDifferences } from '@/core/project/titleDiff';
import type { PictureNames } from '@/core/project/pictureNames';
import type { Clock } from '@/core/time/clock';
import { counted } from '../../shared/counted';

/** What a row of a sheet does to the project. */
export const OUTCOMES = ['new', 'changed', 'same', 'wrong'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** A row with what it does, and what would be different in a title that is there. */
export interface ReadRow extends FilledRow {
  readonly outcome: Outcome;
  readonly differences: readonly TitleDifference[];
}

/** What a row does: makes a title, changes one, says what one says already, or cannot be taken. */
export function outcomeOf(
  { title, before }: FilledRow,
  templateOf: (editionId: string) => Template | undefined,
  clock: Clock,
  pictures: PictureNames,
): Pick<ReadRow, 'outcome' | 'differences'> {
  if (title === null) return { outcome: 'wrong', differences: [] };
  if (before === null) return { outcome: 'new', differences: [] };
  const differences = titleDifferences(before, title, templateOf, clock, pictures);
  return { outcome: differences.length === 0 ? 'same' : 'changed', differences };
}

/** What the button says that takes the rows. */
export function takeLabel(taken: readonly ReadRow[], removed: number): string {
  const made = taken.filter(({ outcome }) => outcome === 'new').length;
  const changed = taken.length - made;
  const parts = [
    made > 0 && `Import ${counted(made, 'title')}`,
    changed > 0 && `change ${changed}`,
    removed > 0 && `remove ${removed}`,
  ].filter((part) => part !== false);
  const said = parts.join(', ');
  return said === '' ? 'Nothing to take' : said.charAt(0).toUpperCase() + said.slice(1);
}

/** What was done, for a notice. */
export function sayTaken(taken: readonly ReadRow[], removed: number, wrong: number): string {
  const made = taken.filter(({ outcome }) => outcome === 'new').length;
  const parts = [
    made > 0 && `${made === 1 ? 'One title is' : `${made} titles are`} on the sheet`,
    taken.length > made && `${counted(taken.length - made, 'title was', 'titles were')} changed`,
    removed > 0 && `${counted(removed, 'title was', 'titles were')} removed`,
    wrong > 0 && (wrong === 1 ? 'one row waits to be corrected' : `${wrong} rows wait to be corrected`),
  ];
  return `${parts.filter((part) => part !== false).join(', ')}.`;
}

/** A set with something in it that was not, or the other way round. */
export function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
}
