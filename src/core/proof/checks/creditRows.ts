import type { CreditRow } from '../../model/credits';
import { creditWords } from '../../model/credits';
import { creditsLayer } from '../../project/titleCredits';
import { defineCheck } from '../check';
import type { Found } from '../finding';

export const creditRowsCheck = defineCheck({
  kind: 'title',
  of: 'titles',
  id: 'credit-rows',
  label: 'Rows of credits',
  about:
    'Finds credits without what the House wants said, roles without a name, headings over nothing, and names that are there twice in one place.',
  run({ title, template, credits }): readonly Found[] {
    if (creditsLayer(template) === undefined) return [];
    const rows = title.credits?.rows ?? [];
    if (rows.length === 0)
      return [
        {
          tone: 'stop',
          subject: 'empty',
          message: 'no credits typed',
          detail: 'Nothing is typed in its credits, so it shows none.',
        },
      ];
    return [...missing(rows, credits.required), ...unfinished(rows), ...doubled(rows)];
  },
});

const plain = (words: string): string =>
  words.normalize('NFC').toLocaleLowerCase('und').replace(/\s+/gu, ' ').trim();

function missing(rows: readonly CreditRow[], required: readonly string[]): Found[] {
  const said = rows.map((row) => plain(creditWords(row))).join('\n');
  return required
    .filter((one) => !said.includes(plain(one)))
    .map((one) => ({
      tone: 'stop',
      subject: `required ${plain(one)}`,
      message: `“${one}” is missing`,
      detail: `The House wants “${one}” said in credits; no row says it.`,
    }));
}

/** Roles that nobody is named for, and headings that nothing follows. */
function unfinished(rows: readonly CreditRow[]): Found[] {
  return rows.flatMap((row, i): Found[] => {
    if (row.kind === 'role' && row.role.trim() !== '' && row.name.trim() === '')
      return [
        {
          tone: 'stop',
          subject: `role ${row.id}`,
          message: `nobody for “${row.role}”`,
          detail: `Row ${i + 1} has the role “${row.role}” and no name.`,
        },
      ];
    // The last heading of all may be a closing line.
    if (row.kind !== 'heading' || rows[i + 1]?.kind !== 'heading') return [];
    return [
      {
        tone: 'look',
        subject: `heading ${row.id}`,
        message: `nothing under “${row.name}”`,
        detail: `The heading “${row.name}” in row ${i + 1} stands over another heading.`,
      },
    ];
  });
}

/** Names that are said twice for one role, or twice in one list under one heading. */
function doubled(rows: readonly CreditRow[]): Found[] {
  const found: Found[] = [];
  const seen = new Map<string, number>();
  let place = 0;
  let role = '';
  rows.forEach((row, i) => {
    if (row.kind === 'heading') place++;
    if (row.kind === 'heading' || row.kind === 'name') role = '';
    if (row.kind === 'role' && row.role.trim() !== '') role = plain(row.role);
    if ((row.kind !== 'role' && row.kind !== 'name') || row.name.trim() === '') return;
    const key = `${place}\n${role}\n${plain(row.name)}`;
    const before = seen.get(key);
    if (before === undefined) return void seen.set(key, i);
    found.push({
      tone: 'look',
      subject: `twice ${row.id}`,
      message: `“${row.name}” is there twice`,
      detail: `“${row.name}” stands in row ${before + 1} and again in row ${i + 1}, in the same place.`,
    });
  });
  return found;
}
