import { describe, expect, test } from '@jest/globals';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Title } from '../model/project';
import { newTitle } from '../model/project';
import type { Field, FieldKind, Template } from '../model/template';
import { clockOf } from '../time/clock';
import { RATES } from '../time/rates';
import { fillDownWrites, pasteWrites, readCells, writeCells } from './cellRanges';
import type { CellContext } from './cells';
import { cellText, columnsFor, parseField, withCell } from './cells';

const templates: Readonly<Record<string, Template>> = { strap: tidelineStrap, corner: placeCorner };
const context: CellContext = {
  clock: clockOf(RATES.get('25')),
  templateOf: (id) => templates[id],
  editionNamed: (name) =>
    Object.entries(templates)
      .map(([id, document]) => ({ id, document }))
      .find(({ document }) => document.name === name),
  shownValues: (title) => title.values,
};
const title = (id: string, values: Title['values'], editionId = 'strap'): Title =>
  newTitle({ id, editionId, startFrame: 100, lengthFrames: 150, lane: 0, values });
const LIST = [
  title('a', { name: 'Ilse', role: 'Judge' }),
  title('b', { name: 'Teo' }),
  title('c', { place: 'Weir' }, 'corner'),
];
const columns = columnsFor([tidelineStrap, placeCorner]);

describe('columns', () => {
  test('of one template are its fields; of several their words, under both names', () => {
    expect(columnsFor([tidelineStrap]).map(({ label }) => label)).toEqual([
      'In',
      'Duration',
      'Template',
      ...tidelineStrap.fields.filter(({ kind }) => kind !== 'picture').map(({ label }) => label),
    ]);
    expect(columns.map(({ label }) => label)).toEqual([
      'In',
      'Duration',
      'Template',
      'Name / Place',
      'Role / Date or tide',
    ]);
    expect(columnsFor([]).map(({ kind }) => kind)).toEqual(['in', 'lasts', 'template', 'field']);
  });
});

describe('a cell', () => {
  test('says what the title shows, and takes what is typed', () => {
    expect(columns.map((column) => cellText(LIST[1], column, context))).toEqual([
      '00:00:04:00',
      '06:00',
      'Tideline strap',
      'Teo',
      // Nobody typed a role: the design's is a sample.
      '',
    ]);
    expect(withCell(LIST[1], columns[4], 'Sailmaker', context).values).toEqual({
      name: 'Teo',
      role: 'Sailmaker',
    });
    expect(withCell(LIST[1], columns[0], '1:00:00', context).startFrame).toBe(1500);
    expect(withCell(LIST[1], columns[2], 'Place corner', context)).toMatchObject({
      editionId: 'corner',
      values: { place: 'Teo' },
    });
  });

  test.each([
    [1, '1f', 'Duration: needs at least 2 frames'],
    [0, 'noon', 'In: needs a time such as'],
    [2, 'Slate', 'Template: needs the name of a template on the shelf'],
  ])('in column %i refuses “%s”', (column, typed, message) => {
    expect(() => withCell(LIST[0], columns[column], typed, context)).toThrow(message);
  });
});

describe('what is typed for a field', () => {
  const field = (kind: FieldKind, limits: Field['limits'] = {}): Field => ({
    ...tidelineStrap.fields[0],
    label: 'Field',
    kind,
    limits,
  });
  const choices = [
    { value: 'l', label: 'Left side' },
    { value: 'r', label: 'Right' },
  ];

  test.each([
    ['number', {}, ' 2,5 ', 2.5],
    ['choice', { choices }, 'left SIDE', 'l'],
    ['choice', { choices }, 'r', 'r'],
    ['switch', {}, 'Yes', true],
    ['switch', {}, 'off', false],
    ['colour', {}, '#10303C', '#10303c'],
    ['text', { maxLength: 4 }, 'é🏴󠁧󠁢󠁷󠁬󠁳󠁿'.slice(0, 1), 'é'],
  ] as const)('as %s %j reads “%s”', (kind, limits, typed, value) => {
    expect(parseField(field(kind, limits), typed)).toBe(value);
  });

  test.each([
    ['number', {}, '', 'needs a number'],
    ['number', { min: 1, max: 3 }, '4', 'needs a number from 1 to 3'],
    ['choice', { choices }, 'up', 'needs one of Left side, Right'],
    ['switch', {}, 'perhaps', 'needs yes or no'],
    ['colour', {}, 'red', 'needs a colour such as #10303c'],
    ['text', { maxLength: 3 }, 'four', 'needs at most 3 characters'],
  ] as const)('as %s %j refuses “%s”', (kind, limits, typed, message) => {
    expect(() => parseField(field(kind, limits), typed)).toThrow(message);
  });
});

describe('a block of cells', () => {
  const texts = (titles: readonly Title[]): string[][] => readCells(titles, columns.slice(3), context);
  const at = { firstRow: 0, lastRow: 0, firstCol: 3, lastCol: 3 };

  test('is pasted from its first cell on, beyond what was chosen, and stops at the sheet’s edges', () => {
    const writes = pasteWrites(
      [
        ['A', 'B', 'over'],
        ['C', 'D', 'over'],
      ],
      LIST,
      columns,
      { ...at, firstRow: 2, lastRow: 2 },
    );
    expect(writes.map(({ titleId, text }) => `${titleId} ${text}`)).toEqual(['c A', 'c B']);
    const { titles } = writeCells(
      LIST,
      pasteWrites(
        [
          ['A', 'B'],
          ['C', 'D'],
        ],
        LIST,
        columns,
        at,
      ),
      context,
    );
    expect(texts(titles)).toEqual([
      ['A', 'B'],
      ['C', 'D'],
      ['Weir', ''],
    ]);
  });

  test('is laid again and again where more is chosen', () => {
    const writes = pasteWrites([['A']], LIST, columns, { ...at, lastRow: 2 });
    expect(writes.map(({ titleId }) => titleId)).toEqual(['a', 'b', 'c']);
  });

  test('writes what it can; the rest stays and is told with its row', () => {
    const block = [
      ['00:00:10:00', 'soon'],
      ['late', '4s'],
    ];
    const { titles, problems } = writeCells(
      LIST,
      pasteWrites(block, LIST, columns, { firstRow: 0, lastRow: 0, firstCol: 0, lastCol: 0 }),
      context,
    );
    expect(titles.map(({ startFrame, lengthFrames }) => [startFrame, lengthFrames])).toEqual([
      [250, 150],
      [100, 100],
      [100, 150],
    ]);
    expect(problems).toHaveLength(2);
    expect(problems[0]).toMatch(/^Row 1, Duration: needs a time/);
    expect(problems[1]).toMatch(/^Row 2, In: needs a time/);
  });

  test('a cell that says it already is left as it was, so that it goes on following the template', () => {
    const { titles } = writeCells(LIST, [{ titleId: 'b', column: columns[4], text: '' }], context);
    expect(titles[1]).toBe(LIST[1]);
  });

  test('fills down from its first row', () => {
    const { titles } = writeCells(LIST, fillDownWrites(LIST.slice(0, 2), columns.slice(3), context), context);
    expect(texts(titles).slice(0, 2)).toEqual([
      ['Ilse', 'Judge'],
      ['Ilse', 'Judge'],
    ]);
  });
});
