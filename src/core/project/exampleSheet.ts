import type { Template } from '../model/template';
import { newTitle } from '../model/project';
import { designValue } from '../resolve/fieldValue';
import type { Clock } from '../time/clock';
import { designFrames } from '../titleTime/stretch';
import { cueSheetRows } from './exportSheet';

/** What a cue sheet tells that who begins one need not say. */
const NOT_NEEDED = ['Lane', 'Title id'];

/**
 * A sheet to begin from: a row of each template with the words that its design shows, as long as it was designed, one
 * after another from a frame on.
 */
export function exampleSheet(
  templates: readonly Template[],
  fromFrame: number,
  clock: Clock,
): { readonly headers: readonly string[]; readonly rows: readonly (readonly string[])[] } {
  let startFrame = fromFrame;
  const titles = templates.map((template, i) => {
    const lengthFrames = designFrames(template.timing, clock.rate);
    const values = Object.fromEntries(
      template.fields.map((field) => [field.id, designValue(template, field)]),
    );
    const title = newTitle({ id: `${i}`, editionId: `${i}`, startFrame, lengthFrames, lane: 0, values });
    startFrame += 2 * lengthFrames;
    return title;
  });
  const { headers, rows } = cueSheetRows(titles, (id) => templates[Number(id)], clock);
  const needed = headers.map((header) => !NOT_NEEDED.includes(header));
  const cut = (cells: readonly string[]): string[] => cells.filter((_, i) => needed[i]);
  return { headers: cut(headers), rows: rows.map(cut) };
}
