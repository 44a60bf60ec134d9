import type { RenderOrder } from '@/contract/clients';
import { renderOrderSchema } from '@/contract/clients';
import type { EditionRecord } from '@/contract/templates';
import type { Sheet } from '@/core/formats/csv/csv';
import { InputError, quoteValue } from '@/core/kit/inputError';
import { checkValue } from '@/core/model/check';
import type { FieldValue } from '@/core/model/template';
import { OUTPUTS } from '@/core/outputs';
import { parseField } from '@/core/project/cells';
import type { PictureNames } from '@/core/project/pictureNames';

/** A row of a sheet as an order, or what is wrong with it. */
export interface SheetOrder {
  /** The line of the sheet, its column names being the first. */
  readonly line: number;
  readonly template: string;
  readonly output: string;
  /** Its cells that are words, for people to know it by. */
  readonly words: string;
  readonly order: RenderOrder | null;
  readonly problem: string;
}

/** What a sheet can say of an order besides its fields, and what is taken where it says nothing. */
const COLUMNS = ['template', 'output', 'format', 'rate', 'seconds', 'language', 'file name'] as const;
const OUTPUT = 'mov-png';

type Column = (typeof COLUMNS)[number];

const plain = (text: string): string => text.trim().toLowerCase();
const isColumn = (name: string): name is Column => COLUMNS.some((column) => column === name);

/** What the rows of a sheet can name: the newest edition of each template, and pictures. */
export interface SheetWorld {
  readonly editions: readonly EditionRecord[];
  readonly pictures: PictureNames;
}

/** The rows of a sheet as orders. */
export function sheetOrders(sheet: Sheet, world: SheetWorld): SheetOrder[] {
  const names = sheet.headers.map(plain);
  return sheet.rows.map((cells, index) => {
    const told = new Map<Column, string>();
    const fields = new Map<string, string>();
    cells.forEach((cell, i) => {
      const [name, text] = [names[i], cell.trim()];
      if (text === '') return;
      if (isColumn(name)) told.set(name, text);
      else fields.set(sheet.headers[i], text);
    });
    const outputs = OUTPUTS.list.find(({ id, label }) =>
      [id, plain(label)].includes(plain(told.get('output') ?? OUTPUT)),
    );
    const row = {
      line: index + 2,
      template: told.get('template') ?? '',
      output: outputs?.id ?? told.get('output') ?? OUTPUT,
      words: [...fields.values()].join(', '),
    };
    try {
      return { ...row, order: orderOf(row, told, fields, world), problem: '' };
    } catch (error) {
      if (error instanceof InputError) return { ...row, order: null, problem: error.message };
      throw error;
    }
  });
}

function orderOf(
  { template, output }: Pick<SheetOrder, 'template' | 'output'>,
  told: ReadonlyMap<Column, string>,
  fields: ReadonlyMap<string, string>,
  { editions, pictures }: SheetWorld,
): RenderOrder {
  const edition = editions.find(({ document }) => plain(document.name) === plain(template));
  if (edition === undefined)
    throw InputError.of(
      'Template',
      `one of ${editions.map(({ document }) => document.name).join(', ')}`,
      template,
    );
  const seconds = told.get('seconds');
  const optional = {
    format: told.get('format'),
    rate: told.get('rate'),
    language: told.get('language'),
    name: told.get('file name'),
    seconds: seconds === undefined ? undefined : Number(seconds.replace(',', '.')),
  };
  const order = {
    edition: edition.id,
    output,
    values: valuesOf(fields, edition, pictures),
    ...Object.fromEntries(Object.entries(optional).filter(([, value]) => value !== undefined)),
  };
  return checkValue<RenderOrder>(renderOrderSchema, order, 'Row');
}

/** The cells by the ids of the fields that their columns name, by label or id. */
function valuesOf(
  cells: ReadonlyMap<string, string>,
  { document }: EditionRecord,
  pictures: PictureNames,
): Readonly<Record<string, FieldValue>> {
  const values: [string, FieldValue][] = [];
  const problems: string[] = [];
  for (const [header, cell] of cells) {
    const field = document.fields.find(({ id, label }) => [plain(id), plain(label)].includes(plain(header)));
    if (field === undefined) problems.push(header);
    else values.push([field.id, parseField(field, cell, pictures)]);
  }
  if (problems.length > 0)
    throw new InputError(
      problems.map((header) => ({
        where: `Column ${quoteValue(header)}`,
        expected: `a field of ${document.name} (${document.fields.map(({ label }) => label).join(', ')}) or one of ${COLUMNS.join(', ')}`,
        got: 'words that nothing takes',
        advice: '',
      })),
    );
  return Object.fromEntries(values);
}
