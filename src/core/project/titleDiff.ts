import { airValue } from '../resolve/fieldValue';
import type { Title } from '../model/project';
import type { Template } from '../model/template';
import type { Clock } from '../time/clock';
import { frameToTimecode, lengthToTimecode } from '../time/clock';
import { fieldText } from './cells';
import type { PictureNames } from './pictureNames';
import { NO_PICTURES } from './pictureNames';

/** One thing that two states of a title say differently, in words for a person. */
export interface TitleDifference {
  readonly label: string;
  readonly before: string;
  readonly after: string;
}

/** What is different between two states of a title: times, lane, template, words, and what is kept without a field. */
export function titleDifferences(
  before: Title,
  after: Title,
  templateOf: (editionId: string) => Template | undefined,
  clock: Clock,
  pictures = NO_PICTURES,
): TitleDifference[] {
  const rows: (readonly [string, string, string])[] = [
    ['In', frameToTimecode(before.startFrame, clock), frameToTimecode(after.startFrame, clock)],
    ['Duration', lengthToTimecode(before.lengthFrames, clock), lengthToTimecode(after.lengthFrames, clock)],
    ['Lane', String(before.lane + 1), String(after.lane + 1)],
    ['Template', templateOf(before.editionId)?.name ?? '', templateOf(after.editionId)?.name ?? ''],
  ];
  const [from, to] = [wordsOf(before, templateOf, pictures), wordsOf(after, templateOf, pictures)];
  for (const label of new Set([...from.keys(), ...to.keys()]))
    rows.push([label, from.get(label) ?? '', to.get(label) ?? '']);
  return rows.flatMap(([label, was, is]) => (was === is ? [] : [{ label, before: was, after: is }]));
}

function wordsOf(
  title: Title,
  templateOf: (editionId: string) => Template | undefined,
  pictures: PictureNames,
): ReadonlyMap<string, string> {
  const template = templateOf(title.editionId);
  const words = new Map<string, string>();
  for (const field of template?.fields ?? []) {
    const value = title.values[field.id] ?? (template && airValue(template, field));
    if (value !== undefined) words.set(field.label, fieldText(field, value, pictures));
  }
  for (const { label, value } of title.kept) words.set(`Kept: ${label}`, String(value));
  return words;
}
