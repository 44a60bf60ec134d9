import { airValue } from '../resolve/fieldValue';
import type { Title } from '../model/project';
import type { Template } from '../model/template';
import type { Clock } from '../time/clock';
import { frameToTimecode } from '../time/clock';
import { fieldText } from './cells';
import type { PictureNames } from './pictureNames';
import { NO_PICTURES } from './pictureNames';
import { plainName } from './swap';

const SHEET_KINDS = ['text', 'rows', 'date', 'number', 'choice', 'colour', 'switch', 'picture'];

/**
 * The cue sheet as rows that fill the same titles again: times, lane and template, a column for each field name that
 * is used, one for each name of kept words, and last the title's id. Cells say what the title shows.
 */
export function cueSheetRows(
  titles: readonly Title[],
  templateOf: (editionId: string) => Template | undefined,
  clock: Clock,
  pictures = NO_PICTURES,
): { readonly headers: readonly string[]; readonly rows: readonly (readonly string[])[] } {
  const labels = uniqueLabels(
    titles.flatMap((title) => fieldsOf(templateOf(title.editionId)).map((field) => field.label)),
  );
  const keptLabels = uniqueLabels(titles.flatMap((title) => title.kept.map((one) => one.label)));
  const rows = titles.map((title) => {
    const template = templateOf(title.editionId);
    return [
      frameToTimecode(title.startFrame, clock),
      `${title.lengthFrames}f`,
      String(title.lane + 1),
      template?.name ?? '',
      ...labels.map((label) => cellFor(title, template, label, pictures)),
      ...keptLabels.map((label) => String(title.kept.find((one) => one.label === label)?.value ?? '')),
      title.id,
    ];
  });
  const kept = keptLabels.map((label) => `Kept: ${label}`);
  return { headers: ['In', 'Duration', 'Lane', 'Template', ...labels, ...kept, 'Title id'], rows };
}

function cellFor(
  title: Title,
  template: Template | undefined,
  label: string,
  pictures: PictureNames,
): string {
  const field = fieldsOf(template).find((one) => plainName(one.label) === plainName(label));
  if (field === undefined || template === undefined) return '';
  return fieldText(field, title.values[field.id] ?? airValue(template, field), pictures);
}

function fieldsOf(template: Template | undefined): Template['fields'] {
  return (template?.fields ?? []).filter((field) => SHEET_KINDS.includes(field.kind));
}

function uniqueLabels(labels: readonly string[]): string[] {
  const seen = new Map<string, string>();
  for (const label of labels) if (!seen.has(plainName(label))) seen.set(plainName(label), label);
  return [...seen.values()];
}
